import { memo, useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import type { Assessment } from '@endrel/core/assessment/assess';
import type { Grade } from '@endrel/core/checks/snag';
import type { PortAsItIs } from '@endrel/core/parts/graph';
import { isSame } from '@endrel/core/acts/is-same';
import type { Job } from '@endrel/core/job/job';
import { kindOf, partName } from '@endrel/core/parts/kinds';
import { pointName } from '@endrel/core/run/operating-point';
import { GradeShape } from '../GradeMark.tsx';
import { circuits } from '../line-patterns.ts';
import { PartSymbol } from '../symbols/PartSymbol.tsx';
import { halfOf, markAt, NAME_LINE, nameAt, nameLines } from './labels.ts';
import type { Place, RunGeometry, Slot, TankOutline } from './run-drawing.ts';
import { runGeometry } from './run-geometry.ts';
import { stateWords, worstGrade } from './part-state.ts';
import { JointMarks } from './JointMarks.tsx';
import { RunNumbers } from './RunNumbers.tsx';
import { nextOnRun, type Direction } from './walk.ts';
import { bounded } from '../../components/Boundary.tsx';

interface RunStripProps {
  readonly job: Job;
  readonly assessment: Assessment | undefined;
  readonly point: string;
  readonly selected: string | undefined;
  onSelect(id: string): void;
  /** A joint was pressed, at that place of the drawing, px. */
  onJoint(joint: string, at: Place): void;
  /** What stands over the drawing, in its own px. */
  readonly over?: ReactNode;
}

/** The run: the fuel's path as one drawing, map and status of the job. Arrow keys walk it. */
export const RunStrip = bounded('The run', RunStripDrawn);

function RunStripDrawn({ job, assessment, point, selected, onSelect, onJoint, over }: RunStripProps) {
  const frame = useRef<HTMLDivElement>(null);
  const [available, setAvailable] = useState(1200);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => setAvailable(Math.floor(entry!.contentRect.width)));
    observer.observe(frame.current!);
    return () => observer.disconnect();
  }, []);
  const { parts, joints, hanger, assumptions } = job;
  const { tank } = job.survey;
  const [settled] = useState(() => settling<RunGeometry>());
  const geometry = useMemo(
    () => settled(runGeometry({ parts, joints, survey: { tank }, hanger, assumptions }, available)),
    [settled, parts, joints, tank, hanger, assumptions, available],
  );

  const walk = (event: KeyboardEvent) => {
    const direction = ({ ArrowRight: 'right', ArrowDown: 'down', ArrowLeft: 'left', ArrowUp: 'up' } as const)[
      event.key
    ];
    if (!direction) return;
    event.preventDefault();
    const focused = (event.target as Element).closest('[data-part]')?.getAttribute('data-part');
    const next = nextOnRun(geometry, focused ?? selected, direction satisfies Direction);
    if (next === undefined) return;
    onSelect(next);
    frame.current?.querySelector<SVGGElement>(`[data-part="${next}"]`)?.focus();
  };

  return (
    <div ref={frame} className="relative overflow-x-auto overflow-y-hidden" onKeyDown={walk}>
      <svg
        width={geometry.width}
        height={geometry.height}
        role="group"
        aria-label={`The run at ${pointName(job, point)}`}
        className="block"
      >
        <defs>
          <pattern id="fuel-hatch" width="9" height="6" patternUnits="userSpaceOnUse">
            <path d="M0 3H5" stroke="var(--hair-strong)" strokeWidth="0.9" />
          </pattern>
        </defs>
        {geometry.tank && <Tank tank={geometry.tank} selected={selected} onSelect={onSelect} />}
        <Lines geometry={geometry} />
        <JointMarks geometry={geometry} assessment={assessment} onJoint={onJoint} />
        <RunNumbers geometry={geometry} assessment={assessment} point={point} job={job} />
        {geometry.slots.map((slot) => (
          <PartOnRun
            key={slot.part.id}
            slot={slot}
            geometry={geometry}
            selected={slot.part.id === selected}
            focusable={slot.part.id === (isShown(geometry, selected) ? selected : geometry.slots[0]?.part.id)}
            grade={worstGrade(assessment, slot.part.id)}
            need={assessment?.findings.needs.some((n) => n.part === slot.part.id) ?? false}
            onSelect={onSelect}
          />
        ))}
      </svg>
      {over}
    </div>
  );
}

/** Gives back the drawing of before where the new one is like it: most edits move nothing on the run. */
function settling<T extends object>(): (drawn: T) => T {
  let last: T | undefined;
  return (drawn) => (last = last && isSame(last, drawn) ? last : drawn);
}

const isShown = ({ slots, tank }: RunGeometry, id: string | undefined) =>
  id !== undefined && (tank?.part.id === id || slots.some((s) => s.part.id === id));

function Tank({ tank, selected, onSelect }: { tank: TankOutline } & Pick<RunStripProps, 'selected' | 'onSelect'>) {
  const { part, level, left, right, top, bottom, open, vent } = tank;
  const width = right - left;
  return (
    <g
      role="button"
      tabIndex={selected === part.id ? 0 : -1}
      data-part={part.id}
      aria-label={withOpen(partName(part), open)}
      aria-pressed={selected === part.id}
      onClick={() => onSelect(part.id)}
      onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onSelect(part.id)}
      className="cursor-pointer"
    >
      <rect x={left} y={level} width={width} height={bottom - level} fill="var(--fuel)" />
      <rect x={left} y={level} width={width} height={bottom - level} fill="url(#fuel-hatch)" />
      <path d={`M${left} ${level}H${right}`} stroke="var(--ink-soft)" strokeWidth={1} strokeDasharray="6 3" />
      <rect
        x={left}
        y={top}
        width={width}
        height={bottom - top}
        strokeDasharray={tank.isMeasured ? undefined : '7 4'}
        fill="transparent"
        stroke="var(--ink)"
        strokeWidth={selected === part.id ? 3.4 : 2}
      />
      {vent && <Vent {...vent} />}
      <text x={left + (vent ? 38 : 7)} y={top - 7} className="figure" fontSize={12} fill="var(--ink)">
        {partName(part)}
        {!tank.isMeasured && (
          <tspan fontWeight={400} fill="var(--ink-soft)">
            , heights not measured
          </tspan>
        )}
      </text>
      <OpenPorts open={open} x={left + 60} y={top} />
    </g>
  );
}

/** The vent, so that a tank is seen to breathe: its valve, and an open end. */
function Vent({ path, valve, end: [x, y], name }: NonNullable<TankOutline['vent']>) {
  return (
    <g fill="none">
      <title>{`vent: ${name}`}</title>
      <path d={drawn(path)} {...circuits.vent} />
      {valve && (
        <circle cx={valve[0]} cy={valve[1]} r={3.4} fill="var(--sheet)" stroke="var(--vent)" strokeWidth={1.6} />
      )}
      <path d={`M${x - 3.5} ${y - 1}L${x} ${y + 4}L${x + 3.5} ${y - 1}`} stroke="var(--vent)" strokeWidth={1.6} />
    </g>
  );
}

/** Ports that lead nowhere and that nothing closes. */
function OpenPorts({ open, x, y }: { open: readonly PortAsItIs[]; x: number; y: number }) {
  return open.map((port, i) => (
    <circle key={port.port} cx={x + 9 * i} cy={y} r={3.2} fill="var(--sheet)" stroke="var(--fix)" strokeWidth={1.6}>
      <title>{`${port.spec.name}: open`}</title>
    </circle>
  ));
}

const withOpen = (name: string, open: readonly PortAsItIs[]) =>
  open.length === 0 ? name : `${name}, open: ${open.map((p) => p.spec.name).join(', ')}`;

const drawn = ([first, ...rest]: readonly Place[]) =>
  `M${first!.join(' ')}${rest.map((p) => `L${p.join(' ')}`).join('')}`;

const Lines = memo(function Lines({ geometry }: { geometry: RunGeometry }) {
  const { slots, wires } = geometry;
  const sensor = slots.find((s) => kindOf(s.part).isSensor);
  const controlled = slots.find((s) => kindOf(s.part).isControlled?.(s.part));
  return (
    <g fill="none">
      {wires.map(({ joint, line, path }) => (
        <path key={joint} d={drawn(path)} {...circuits[line === 'supply' ? 'supply' : 'return']} />
      ))}
      {sensor && controlled && (
        <path
          d={`M${sensor.x} ${sensor.y - 21}V${SIGNAL_Y}H${controlled.x}V${controlled.y - 16}`}
          {...circuits.electrical}
        />
      )}
    </g>
  );
});

const SIGNAL_Y = 12;

/** Drawn again only when it is another, stands elsewhere or is judged otherwise: most edits touch one part. */
const PartOnRun = memo(function PartOnRun({
  slot,
  geometry,
  selected,
  focusable,
  grade,
  need,
  onSelect,
}: {
  slot: Slot;
  geometry: RunGeometry;
  selected: boolean;
  focusable: boolean;
  grade: Grade | undefined;
  need: boolean;
  onSelect(id: string): void;
}) {
  const { part, x, y, line, isInTank, open } = slot;
  const name = partName(part);
  const half = halfOf(geometry.slotWidth);
  const frame = Math.min(half, 34);
  const top = isInTank ? -44 : -21; // in the tank the name stands above: below is the floor
  const lines = nameLines(slot, geometry.slotWidth);
  const written = nameAt(slot, lines.length, geometry.width);
  const [markX, markY] = markAt(slot);
  return (
    <g
      transform={`translate(${x} ${y})`}
      role="button"
      tabIndex={focusable ? 0 : -1}
      data-part={part.id}
      aria-label={withOpen(stateWords(name, grade, need), open)}
      aria-pressed={selected}
      onClick={() => onSelect(part.id)}
      onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onSelect(part.id)}
      className="cursor-pointer"
    >
      <rect x={-half} y={isInTank ? -42 : -20} width={half * 2} height={62} fill="transparent" />
      {selected && (
        <path
          d={`M${-frame} ${top}h9M${-frame} ${top}v9M${frame} ${top}h-9M${frame} ${top}v9M${-frame} ${top + 64}h9M${-frame} ${top + 64}v-9M${frame} ${top + 64}h-9M${frame} ${top + 64}v-9`}
          stroke="var(--ink)"
          strokeWidth={2.2}
          fill="none"
        />
      )}
      <g color={line === 'supply' ? 'var(--supply)' : 'var(--return)'}>
        <PartSymbol symbol={kindOf(part).symbol(part)} backwards={line === 'return'} />
      </g>
      <text
        y={written.at[1]}
        textAnchor={written.anchor}
        fontSize={11.5}
        fontWeight={selected ? 700 : 500}
        fill="var(--ink)"
        style={{ fontStretch: '80%' }}
        paintOrder="stroke"
        stroke="var(--sheet)"
        strokeWidth={3}
      >
        {lines.map((text, i) => (
          <tspan key={text + String(i)} x={written.at[0]} dy={i === 0 ? 0 : NAME_LINE}>
            {text}
          </tspan>
        ))}
      </text>
      <OpenPorts open={open} x={17} y={-14} />
      {grade && (
        <g transform={`translate(${markX} ${markY})`}>
          <GradeShape grade={grade} />
        </g>
      )}
      {!grade && need && (
        <text x={markX} y={markY + 5} textAnchor="middle" fontSize={15} fontWeight={750} fill="var(--ink-soft)">
          ?
        </text>
      )}
    </g>
  );
});
