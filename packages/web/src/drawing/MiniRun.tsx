import type { MiniPart, MiniRun as RunInMiniature } from '@endrel/core/contract/summary';
import { GradeShape } from './GradeMark.tsx';
import { circuits } from './line-patterns.ts';
import { PartSymbol } from './symbols/PartSymbol.tsx';

const STEP = 46;

/** A job's run in miniature: symbols and snag marks only. */
export function MiniRun({ run }: { run: RunInMiniature }) {
  const supply = run.supply;
  if (supply.length === 0) return <p className="label italic">No run yet</p>;
  const spill = supply.findIndex((c) => c.action === 'bypass');
  const width = Math.max(supply.length, 2) * STEP + 12;
  const height = run.return.length > 0 ? 74 : 44;
  const x = (i: number) => 26 + i * STEP;
  const end = Math.max(
    0,
    supply.findIndex((c) => c.id === run.returnEnd),
  );
  const pitch = spill < 0 ? STEP : Math.min(STEP, (x(spill) - x(end)) / (run.return.length + 0.6));
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="block h-auto w-full"
      style={{ maxWidth: width * 1.1 }}
      aria-hidden="true"
    >
      <path d={`M${x(0)} 22H${x(supply.length - 1)}`} fill="none" {...circuits.supply} />
      {spill >= 0 && run.return.length > 0 && (
        <path d={`M${x(spill)} 22V58H${x(end)}V34`} fill="none" {...circuits.return} />
      )}
      {supply.map((c, i) => (
        <Mini key={c.id} part={c} x={x(i)} y={22} colour="var(--supply)" />
      ))}
      {spill >= 0 &&
        run.return.map((c, i) => (
          <Mini key={c.id} part={c} x={x(spill) - pitch * (i + 0.8)} y={58} colour="var(--return)" backwards />
        ))}
    </svg>
  );
}

function Mini({
  part,
  x,
  y,
  colour,
  backwards,
}: {
  part: MiniPart;
  x: number;
  y: number;
  colour: string;
  backwards?: boolean;
}) {
  return (
    <g transform={`translate(${x} ${y})`} color={part.kind === 'tank' ? 'var(--ink)' : colour}>
      <g transform="scale(0.72)">
        <PartSymbol kind={part.kind} variant={part.action} backwards={backwards} />
      </g>
      {part.grade && (
        <g transform="translate(11 -11) scale(0.8)">
          <GradeShape grade={part.grade} />
        </g>
      )}
    </g>
  );
}
