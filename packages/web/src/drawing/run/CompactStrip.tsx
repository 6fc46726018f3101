import { memo, useMemo, useRef, type KeyboardEvent } from 'react';
import type { Assessment } from '@endrel/core/assessment/assess';
import type { Grade } from '@endrel/core/checks/snag';
import type { Job } from '@endrel/core/job/job';
import { kindOf, partName, type Part } from '@endrel/core/parts/kinds';
import { circuitsOf } from '@endrel/core/run/circuits';
import type { Line } from '@endrel/core/run/zones';
import { GradeShape } from '../GradeMark.tsx';
import { circuits } from '../line-patterns.ts';
import { PartSymbol } from '../symbols/PartSymbol.tsx';
import { stateWords, worstGrade } from './part-state.ts';
import { bounded } from '../../components/Boundary.tsx';

interface CompactStripProps {
  readonly job: Pick<Job, 'parts' | 'joints'>;
  readonly assessment: Assessment | undefined;
  readonly selected: string | undefined;
  /** Walking chooses a part where one is. */
  onChoose(id: string): void;
  /** Enter and a click show it on the bench. */
  onOpen(id: string): void;
}

const STEP = 44;
const HEIGHT = 50;
const SYMBOL_Y = 22;
const GAP = 16; // between what leads to the engine and what leads back

/** The run in one line of symbols: supply, then what leads back. Arrow keys walk it. */
export const CompactStrip = bounded('The run in one line', CompactStripDrawn);

function CompactStripDrawn({ job, assessment, selected, onChoose, onOpen }: CompactStripProps) {
  const group = useRef<SVGSVGElement>(null);
  const { parts, joints } = job;
  const laid = useMemo(() => layInOneLine({ parts, joints }), [parts, joints]);
  const walk = (event: KeyboardEvent) => {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    const to =
      step === undefined
        ? { Home: 0, End: laid.places.length - 1 }[event.key]
        : laid.places.findIndex((p) => p.part.id === focusedIn(event)) + step;
    const next = to === undefined ? undefined : laid.places[to];
    if (!next) return;
    event.preventDefault();
    onChoose(next.part.id);
    group.current?.querySelector<SVGGElement>(`[data-part="${next.part.id}"]`)?.focus();
  };
  const first = laid.places.some((p) => p.part.id === selected) ? selected : laid.places[0]?.part.id;
  return (
    <svg
      ref={group}
      width={laid.width}
      height={HEIGHT}
      role="group"
      aria-label="The run in one line"
      className="block shrink-0"
      onKeyDown={walk}
    >
      <g fill="none">
        {laid.lines.map(({ from, to, line }) => (
          <path key={from} d={`M${from} ${SYMBOL_Y}H${to}`} {...circuits[line === 'supply' ? 'supply' : 'return']} />
        ))}
      </g>
      {laid.places.map(({ part, x, line }) => (
        <SmallPart
          key={part.id}
          {...{ part, x, line, onOpen }}
          selected={part.id === selected}
          focusable={part.id === first}
          grade={worstGrade(assessment, part.id)}
          need={assessment?.findings.needs.some((n) => n.part === part.id) ?? false}
          anchor={x < STEP ? 'start' : x > laid.width - STEP ? 'end' : 'middle'}
        />
      ))}
    </svg>
  );
}

const focusedIn = (event: KeyboardEvent): string | null | undefined =>
  (event.target as Element).closest('[data-part]')?.getAttribute('data-part');

interface Laid {
  readonly places: readonly { readonly part: Part; readonly x: number; readonly line: Line }[];
  readonly lines: readonly { readonly from: number; readonly to: number; readonly line: Line }[];
  readonly width: number;
}

/** Supply in the order of the fuel, then overflow and return; what follows one another is joined by its line. */
function layInOneLine(job: Pick<Job, 'parts' | 'joints'>): Laid {
  const run = circuitsOf(job);
  const lineOf = (part: Part) => run.lineOf(part.id);
  const supply = run.parts.filter((p) => lineOf(p) === 'supply');
  const back = run.parts.filter((p) => lineOf(p) !== 'supply');
  const places = [
    ...supply.map((part, i) => ({ part, x: (i + 0.5) * STEP, line: lineOf(part) })),
    ...back.map((part, i) => ({ part, x: (supply.length + i + 0.5) * STEP + GAP, line: lineOf(part) })),
  ];
  const joined = new Set(run.flows.flatMap(({ from, to }) => [`${from} ${to}`, `${to} ${from}`]));
  const lines = places.slice(1).flatMap((to, i) => {
    const from = places[i]!;
    const isOne = joined.has(`${from.part.id} ${to.part.id}`) || (from.line === to.line && !run.isTap(to.part.id));
    return isOne ? [{ from: from.x, to: to.x, line: to.line }] : [];
  });
  return { places, lines, width: places.length * STEP + (back.length > 0 ? GAP : 0) };
}

/** Drawn again only when it is another, is judged otherwise or is chosen. */
const SmallPart = memo(function SmallPart({
  part,
  x,
  line,
  selected,
  focusable,
  grade,
  need,
  anchor,
  onOpen,
}: {
  part: Part;
  x: number;
  line: Line;
  selected: boolean;
  focusable: boolean;
  grade: Grade | undefined;
  need: boolean;
  anchor: 'start' | 'middle' | 'end';
  onOpen(id: string): void;
}) {
  const name = partName(part);
  const half = STEP / 2 - 1;
  return (
    <g
      transform={`translate(${x} ${SYMBOL_Y})`}
      role="button"
      tabIndex={focusable ? 0 : -1}
      data-part={part.id}
      aria-label={stateWords(name, grade, need)}
      aria-pressed={selected}
      onClick={() => onOpen(part.id)}
      onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onOpen(part.id)}
      className="cursor-pointer"
    >
      <title>{name}</title>
      <rect x={-half} y={-SYMBOL_Y + 1} width={half * 2} height={HEIGHT - 2} fill="transparent" />
      {selected && (
        <rect
          x={-half}
          y={-SYMBOL_Y + 1}
          width={half * 2}
          height={36}
          fill="var(--lit)"
          stroke="var(--ink)"
          strokeWidth={1.6}
        />
      )}
      <g transform="scale(0.72)" color={line === 'supply' ? 'var(--supply)' : 'var(--return)'}>
        <PartSymbol symbol={kindOf(part).symbol(part)} backwards={line !== 'supply'} />
      </g>
      {grade ? (
        <g transform="translate(-14 -12) scale(0.75)">
          <GradeShape grade={grade} />
        </g>
      ) : (
        need && (
          <text x={-14} y={-7} textAnchor="middle" fontSize={13} fontWeight={750} fill="var(--ink-soft)">
            ?
          </text>
        )
      )}
      {selected && (
        <text
          x={anchor === 'middle' ? 0 : anchor === 'start' ? -half : half}
          y={26}
          textAnchor={anchor}
          fontSize={11}
          fontWeight={650}
          fill="var(--ink)"
          style={{ fontStretch: '80%' }}
        >
          {name}
        </text>
      )}
    </g>
  );
});
