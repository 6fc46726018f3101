import type { MiniRun as RunInMiniature } from '@endrel/core/contract/summary';
import { GradeShape } from '../GradeMark.tsx';
import { circuits } from '../line-patterns.ts';
import { PartSymbol } from '../symbols/PartSymbol.tsx';
import { layRun, type Cell } from './lay-run.ts';

const STEP = 46;
const ROW = 36;

/** A job's run in miniature: symbols and snag marks only. */
export function MiniRun({ run }: { run: RunInMiniature }) {
  if (run.parts.length === 0) return <p className="label italic">No run yet</p>;
  const tank = run.parts.find((p) => p.symbol === 'tank');
  const laid = layRun(
    // in miniature the tank is one symbol, and what lies in it follows
    run.parts.map((p) => ({ id: p.id, line: p.line, isTap: p.isTap, isTank: p === tank, isInTank: false })),
    run.flows,
  );
  const { rows } = laid;
  const above = rows.tap + rows.overflow;
  const y = ({ band, row }: Cell) =>
    22 +
    ROW *
      (band === 'supply'
        ? above + row
        : band === 'return'
          ? above + Math.max(rows.supply, 1) + row
          : above - 1 - row - (band === 'overflow' ? rows.tap : 0));
  const x = (column: number) => 26 + column * STEP;
  const width = Math.max(laid.columns, 2) * STEP + 12;
  const height = 22 + ROW * (above + Math.max(rows.supply, 1) + rows.return - 1) + 22;
  const placeOf = (id: string): [number, number] | undefined => {
    if (id === tank?.id) return [x(0), 22 + ROW * above];
    const cell = laid.cells.get(id);
    return cell && [x(cell.column), y(cell)];
  };
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="block h-auto w-full"
      style={{ maxWidth: width * 1.1 }}
      aria-hidden="true"
    >
      {run.flows.map(({ from, to, line }) => {
        const [a, b] = [placeOf(from), placeOf(to)];
        if (!a || !b) return null;
        const { stroke, strokeWidth, strokeDasharray } = circuits[line === 'supply' ? 'supply' : 'return'];
        const leavesSupply = run.parts.find((p) => p.id === from)!.line === 'supply';
        const way =
          a[1] === b[1]
            ? `H${b[0]}`
            : line === 'supply'
              ? `H${(a[0] + b[0]) / 2}V${b[1]}H${b[0]}`
              : leavesSupply
                ? `V${b[1]}H${b[0]}`
                : `H${b[0]}V${b[1]}`;
        return (
          <path
            key={`${from} ${to}`}
            d={`M${a[0]} ${a[1]}${way}`}
            fill="none"
            {...{ stroke, strokeWidth, strokeDasharray }}
          />
        );
      })}
      {run.parts.map((part) => {
        const at = placeOf(part.id);
        if (!at) return null;
        const colour = part === tank ? 'var(--ink)' : part.line === 'supply' ? 'var(--supply)' : 'var(--return)';
        return (
          <g key={part.id} transform={`translate(${at[0]} ${at[1]})`} color={colour}>
            <g transform="scale(0.72)">
              <PartSymbol symbol={part.symbol} backwards={part.line === 'return'} />
            </g>
            {part.grade && (
              <g transform="translate(11 -11) scale(0.8)">
                <GradeShape grade={part.grade} />
              </g>
            )}
          </g>
        );
      })}
    </svg>
  );
}
