import { useLayoutEffect, useRef, useState, type KeyboardEvent } from 'react';
import type { Assessment } from '@endrel/core/assess';
import { grades, type Grade } from '@endrel/core/checks/snag';
import { partName } from '@endrel/core/parts/kinds';
import type { Job } from '@endrel/core/job/job';
import { assumed } from '@endrel/core/job/assumption';
import { pointName } from '@endrel/core/run/operating-point';
import { GradeShape } from './GradeMark.tsx';
import { circuits } from './line-patterns.ts';
import { OVERFLOW_Y, runGeometry, type RunGeometry, type Slot } from './run-geometry.ts';
import { RunNumbers } from './RunNumbers.tsx';
import { PartSymbol } from './symbols/PartSymbol.tsx';
import { variantOf } from './symbols/variant-of.ts';
import { wrapName } from './wrap-name.ts';

interface RunStripProps {
  readonly job: Job;
  readonly assessment: Assessment | undefined;
  readonly point: string;
  readonly selected: string | undefined;
  onSelect(id: string): void;
}

/** The run: the fuel's path as one drawing, map and status of the job. Arrow keys walk it. */
export function RunStrip({ job, assessment, point, selected, onSelect }: RunStripProps) {
  const frame = useRef<HTMLDivElement>(null);
  const [available, setAvailable] = useState(1200);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => setAvailable(Math.floor(entry!.contentRect.width)));
    observer.observe(frame.current!);
    return () => observer.disconnect();
  }, []);
  const geometry = runGeometry(job, available);
  const order = [...job.run.supply, ...job.run.return].map((c) => c.id);

  const walk = (event: KeyboardEvent) => {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (!step || order.length === 0) return;
    event.preventDefault();
    const focused = (event.target as Element).closest('[data-component]')?.getAttribute('data-component');
    const at = order.indexOf(focused ?? selected ?? '');
    const next = order[(at + step + order.length) % order.length]!;
    onSelect(next);
    frame.current?.querySelector<SVGGElement>(`[data-component="${next}"]`)?.focus();
  };

  return (
    <div ref={frame} className="overflow-x-auto overflow-y-hidden" onKeyDown={walk}>
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
        <TankOutline geometry={geometry} job={job} selected={selected} onSelect={onSelect} />
        <Lines geometry={geometry} job={job} />
        <RunNumbers geometry={geometry} assessment={assessment} point={point} job={job} />
        {geometry.slots.map((slot) => (
          <Place
            key={slot.part.id}
            slot={slot}
            geometry={geometry}
            selected={slot.part.id === selected}
            focusable={slot.part.id === (selected ?? geometry.slots[0]?.part.id)}
            grade={worstGrade(assessment, slot.part.id)}
            need={assessment?.findings.needs.some((n) => n.part === slot.part.id) ?? false}
            onSelect={onSelect}
          />
        ))}
      </svg>
    </div>
  );
}

const worstGrade = (assessment: Assessment | undefined, id: string): Grade | undefined =>
  grades.find((grade) => assessment?.snags.some((s) => s.part === id && s.grade === grade && !s.overruled));

function TankOutline({
  geometry: { tank },
  job,
  selected,
  onSelect,
}: { geometry: RunGeometry; job: Job } & Pick<RunStripProps, 'selected' | 'onSelect'>) {
  const part = job.run.supply.find((c) => c.kind === 'tank');
  if (!part) return null;
  const level =
    tank.bottom - (tank.bottom - tank.top) * Math.min(0.85, Math.max(0.12, assumed(job.assumptions, 'fuelLevel')));
  const width = tank.right - tank.left;
  return (
    <g
      role="button"
      tabIndex={selected === part.id ? 0 : -1}
      data-component={part.id}
      aria-label={partName(part)}
      aria-pressed={selected === part.id}
      onClick={() => onSelect(part.id)}
      onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onSelect(part.id)}
      className="cursor-pointer"
    >
      <rect x={tank.left} y={level} width={width} height={tank.bottom - level} fill="var(--fuel)" />
      <rect x={tank.left} y={level} width={width} height={tank.bottom - level} fill="url(#fuel-hatch)" />
      <path d={`M${tank.left} ${level}H${tank.right}`} stroke="var(--ink-soft)" strokeWidth={1} strokeDasharray="6 3" />
      <path
        d={`M${tank.left} ${tank.top}V${tank.bottom}H${tank.right}V${tank.top}Z`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={selected === part.id ? 3.4 : 2}
      />
      <text x={tank.left + 7} y={tank.top - 7} className="figure" fontSize={12} fill="var(--ink)">
        {partName(part)}
      </text>
    </g>
  );
}

function Lines({ geometry, job }: { geometry: RunGeometry; job: Job }) {
  const { slots, tank, supplyY, returnY, spillX, returnEndX, potX, groups } = geometry;
  const supply = slots.filter((s) => s.line === 'supply');
  const back = slots.filter((s) => s.line === 'return');
  const drop = back.find((s) => s.part.kind === 'returnDrop');
  const start = supply[0] && supply[0].x < tank.right ? supply[0].x : tank.right;
  const toPot = returnEndX === potX;
  const end = toPot ? `H${potX}V${supplyY + 17}` : `H${drop ? drop.x : tank.right}`;
  const sensor = supply.find((s) => s.part.kind === 'pressureSensor');
  const controlled = supply.find((s) => s.part.kind === 'pump' && s.part.drive === 'pwm');
  return (
    <g fill="none">
      {supply.length > 0 && <path d={`M${start} ${supplyY}H${supply.at(-1)!.x}`} {...circuits.supply} />}
      {groups.map(({ x, top, bottom }) => (
        <path
          key={x}
          d={`M${x - 25} ${top}V${bottom}H${x + 25}V${top}${bottom - top > 60 ? `M${x - 25} ${(top + bottom) / 2}H${x + 25}` : ''}`}
          {...circuits.supply}
        />
      ))}
      {spillX !== undefined && back.length > 0 && (
        <path d={`M${spillX} ${supplyY}V${returnY}${end}`} {...circuits.return} />
      )}
      {spillX === undefined && back.length > 0 && <path d={`M${back[0]!.x} ${returnY}${end}`} {...circuits.return} />}
      {potX !== undefined && (
        <path
          d={`M${potX - 9} ${supplyY - 15}V${OVERFLOW_Y}H${tank.right - 12}V${tank.top + 16}`}
          {...circuits.return}
        />
      )}
      {sensor && controlled && job.run.supply.length > 0 && (
        <path d={`M${sensor.x} ${supplyY - 21}V${SIGNAL_Y}H${controlled.x}V${supplyY - 16}`} {...circuits.electrical} />
      )}
    </g>
  );
}

const SIGNAL_Y = 12;

function Place({
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
  const { part, x, y, line } = slot;
  const name = partName(part);
  const half = Math.min(geometry.slotWidth, 112) / 2 - 2;
  const frame = Math.min(half, 34);
  const state = [grade && { stop: 'stop', fix: 'to fix', note: 'note' }[grade], need && 'to measure']
    .filter(Boolean)
    .join(', ');
  return (
    <g
      transform={`translate(${x} ${y})`}
      role="button"
      tabIndex={focusable ? 0 : -1}
      data-component={part.id}
      aria-label={state ? `${name}: ${state}` : name}
      aria-pressed={selected}
      onClick={() => onSelect(part.id)}
      onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onSelect(part.id)}
      className="cursor-pointer"
    >
      <rect x={-half} y={-20} width={half * 2} height={62} fill="transparent" />
      {selected && (
        <path
          d={`M${-frame} -21h9M${-frame} -21v9M${frame} -21h-9M${frame} -21v9M${-frame} 43h9M${-frame} 43v-9M${frame} 43h-9M${frame} 43v-9`}
          stroke="var(--ink)"
          strokeWidth={2.2}
          fill="none"
        />
      )}
      <g color={line === 'supply' ? 'var(--supply)' : 'var(--return)'}>
        <PartSymbol kind={part.kind} variant={variantOf(part)} backwards={line === 'return'} />
      </g>
      <text
        y={28}
        textAnchor="middle"
        fontSize={11.5}
        fontWeight={selected ? 700 : 500}
        fill="var(--ink)"
        style={{ fontStretch: '80%' }}
        paintOrder="stroke"
        stroke="var(--sheet)"
        strokeWidth={3}
      >
        {wrapName(name, Math.floor(half / 2.7)).map((text, i) => (
          <tspan key={text + String(i)} x={0} dy={i === 0 ? 0 : 12}>
            {text}
          </tspan>
        ))}
      </text>
      {grade && (
        <g transform="translate(-21 -14)">
          <GradeShape grade={grade} />
        </g>
      )}
      {!grade && need && (
        <text x={-21} y={-9} textAnchor="middle" fontSize={15} fontWeight={750} fill="var(--ink-soft)">
          ?
        </text>
      )}
    </g>
  );
}
