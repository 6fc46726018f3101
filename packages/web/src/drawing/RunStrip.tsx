import { useLayoutEffect, useRef, useState, type KeyboardEvent } from 'react';
import type { Assessment } from '@endrel/core/assess';
import { grades, type Grade } from '@endrel/core/checks/snag';
import { componentName, type Component } from '@endrel/core/job/component';
import type { Job } from '@endrel/core/job/job';
import { assumed } from '@endrel/core/job/assumption';
import { pointName } from '@endrel/core/run/operating-point';
import { resultAt, wantedRailPressure } from '@endrel/core/run/solve-run';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { useDisplayUnits } from '../units/display-units.tsx';
import { GradeShape } from './GradeMark.tsx';
import { circuits } from './line-patterns.ts';
import { runGeometry, type RunGeometry, type Slot } from './run-geometry.ts';
import { ComponentSymbol } from './symbols/ComponentSymbol.tsx';
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
        <Pressures geometry={geometry} assessment={assessment} point={point} job={job} />
        {geometry.slots.map((slot) => (
          <Place
            key={slot.component.id}
            slot={slot}
            geometry={geometry}
            selected={slot.component.id === selected}
            focusable={slot.component.id === (selected ?? geometry.slots[0]?.component.id)}
            grade={worstGrade(assessment, slot.component.id)}
            need={assessment?.findings.needs.some((n) => n.component === slot.component.id) ?? false}
            onSelect={onSelect}
          />
        ))}
      </svg>
    </div>
  );
}

const worstGrade = (assessment: Assessment | undefined, id: string): Grade | undefined =>
  grades.find((grade) => assessment?.snags.some((s) => s.component === id && s.grade === grade && !s.overruled));

function TankOutline({
  geometry: { tank },
  job,
  selected,
  onSelect,
}: { geometry: RunGeometry; job: Job } & Pick<RunStripProps, 'selected' | 'onSelect'>) {
  const component = job.run.supply.find((c) => c.kind === 'tank');
  if (!component) return null;
  const level =
    tank.bottom - (tank.bottom - tank.top) * Math.min(0.85, Math.max(0.12, assumed(job.assumptions, 'fuelLevel')));
  const width = tank.right - tank.left;
  return (
    <g
      role="button"
      tabIndex={selected === component.id ? 0 : -1}
      data-component={component.id}
      aria-label={componentName(component)}
      aria-pressed={selected === component.id}
      onClick={() => onSelect(component.id)}
      onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onSelect(component.id)}
      className="cursor-pointer"
    >
      <rect x={tank.left} y={level} width={width} height={tank.bottom - level} fill="var(--fuel)" />
      <rect x={tank.left} y={level} width={width} height={tank.bottom - level} fill="url(#fuel-hatch)" />
      <path d={`M${tank.left} ${level}H${tank.right}`} stroke="var(--ink-soft)" strokeWidth={1} strokeDasharray="6 3" />
      <path
        d={`M${tank.left} ${tank.top}V${tank.bottom}H${tank.right}V${tank.top}Z`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={selected === component.id ? 3.4 : 2}
      />
      <text x={tank.left + 7} y={tank.top - 7} className="figure" fontSize={12} fill="var(--ink)">
        {componentName(component)}
      </text>
    </g>
  );
}

function Lines({ geometry, job }: { geometry: RunGeometry; job: Job }) {
  const { slots, tank, supplyY, returnY, spillX, returnEndX, potX, groups } = geometry;
  const supply = slots.filter((s) => s.line === 'supply');
  const back = slots.filter((s) => s.line === 'return');
  const drop = back.find((s) => s.component.kind === 'returnDrop');
  const start = supply[0] && supply[0].x < tank.right ? supply[0].x : tank.right;
  const toPot = returnEndX === potX;
  const end = toPot ? `H${potX}V${supplyY + 17}` : `H${drop ? drop.x : tank.right}`;
  const sensor = supply.find((s) => s.component.kind === 'pressureSensor');
  const controlled = supply.find((s) => s.component.kind === 'pump' && s.component.drive === 'pwm');
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

const OVERFLOW_Y = 17;
const SIGNAL_Y = 12;

/** Pressure above the line between components, flow where it changes, at the chosen operating point. */
function Pressures({
  geometry,
  assessment,
  point,
  job,
}: {
  geometry: RunGeometry;
  assessment: Assessment | undefined;
  point: string;
  job: Job;
}) {
  const units = useDisplayUnits();
  const result = assessment?.findings.solution && resultAt(assessment.findings.solution, point);
  if (!result) return null;
  const unit = unitById(units.unitOf('pressure') ?? 'kPa');
  const number = (pascals: number) => {
    const value = fromSi(pascals, unit);
    const text = Math.abs(value) < 20 ? value.toFixed(1) : value.toFixed(0);
    return /^-0\.0$/.test(text) ? '0.0' : text.replace('-', '−');
  };
  const supply = geometry.slots.filter((s) => s.line === 'supply');
  const back = geometry.slots.filter((s) => s.line === 'return');
  const flowOf = (id: string) => result.components.find((c) => c.id === id);
  const pumps = supply
    .filter((s) => s.component.kind === 'pump')
    .map((slot) => {
      const flow = flowOf(slot.component.id);
      return { slot, flow: flow?.flow ?? 0, margin: flow?.suctionMargin };
    });
  const lastGroup = pumps.findLastIndex(({ slot }) => slot.y === geometry.supplyY);
  const duty = result.duty === undefined ? '' : `, ${units.show('fraction', result.duty)} duty`;
  const wanted = wantedRailPressure(job, result.point);
  const spilling = geometry.slots.find((s) => s.component.kind === 'regulator' && s.component.action === 'bypass');
  const creep =
    wanted !== undefined &&
    spilling &&
    flowOf(spilling.component.id)?.state === 'wideOpen' &&
    result.railPressure > wanted * MOST_CREEP
      ? result.railPressure - wanted
      : undefined;
  const consumer = supply.find((s) => s.component.kind === 'rail' || s.component.kind === 'carburettor');
  const spill = job.run.supply.some((c) => c.kind === 'regulator' && c.action === 'bypass');
  const inLine = supply.filter((s) => s.y === geometry.supplyY);
  const joints = [
    ...inLine
      .slice(1)
      .map((slot, i) => ({ x: (inLine[i]!.x + slot.x) / 2, y: geometry.supplyY, flow: flowOf(slot.component.id) })),
    ...back
      .slice(1)
      .map((slot, i) => ({ x: (back[i]!.x + slot.x) / 2, y: geometry.returnY, flow: flowOf(slot.component.id) })),
  ];
  return (
    <g
      className="figure"
      fontSize={13}
      textAnchor="middle"
      paintOrder="stroke"
      stroke="var(--sheet)"
      strokeWidth={4}
      aria-hidden="true"
    >
      <text x={geometry.width - 8} y={14} textAnchor="end" fontSize={11.5} fill="var(--ink-soft)">
        {`${unit.label} at each joint, ${pointName(job, point)}`}
      </text>
      {joints.map(({ x, y, flow }) =>
        flow ? (
          <g key={`${x}:${y}`}>
            <path d={`M${x} ${y - 5}V${y + 5}`} stroke="var(--ink)" strokeWidth={1.4} />
            <text x={x} y={y - 10} fill="var(--ink)">
              {number(flow.inletPressure)}
            </text>
          </g>
        ) : null,
      )}
      {pumps.map(({ slot, flow, margin }, i) => (
        <g key={slot.component.id}>
          {slot.y === geometry.supplyY && (
            <Flow
              x={slot.x - 10}
              anchor="start"
              y={geometry.supplyY - 21}
              text={
                i === lastGroup ? `${units.show('volumeFlow', result.pumpFlow)}${duty}` : units.show('volumeFlow', flow)
              }
              colour="var(--supply)"
            />
          )}
          {margin !== undefined && margin < CLOSE_TO_BOILING && (
            <Boiling
              x={slot.x}
              y={slot.y}
              text={
                margin < 0 ? `boils, ${units.show('head', -margin)} short` : `${units.show('head', margin)} to boiling`
              }
            />
          )}
        </g>
      ))}
      {creep !== undefined && geometry.spillX !== undefined && (
        <Flow
          x={geometry.spillX - 8}
          anchor="end"
          y={(geometry.supplyY + geometry.returnY) / 2 + 24}
          text={`creeps up by ${units.show('pressure', creep)}`}
          colour="var(--fix)"
        />
      )}
      {result.pot && geometry.potX !== undefined && (
        <Flow
          x={geometry.potX - 14}
          anchor="end"
          y={OVERFLOW_Y - 4}
          text={
            result.pot.overflow < 0
              ? `short of ${units.show('volumeFlow', -result.pot.overflow)}`
              : units.show('volumeFlow', result.pot.overflow)
          }
          colour={result.pot.overflow < 0 ? 'var(--stop)' : 'var(--return)'}
        />
      )}
      {consumer && (
        <Flow
          x={consumer.x - 10}
          anchor="start"
          y={geometry.supplyY - (variantOf(consumer.component) === 'two' ? 25 : 21)}
          text={`${units.show('volumeFlow', result.delivered)} drawn`}
          colour="var(--supply)"
        />
      )}
      {spill && geometry.spillX !== undefined && (
        <Flow
          x={geometry.spillX + 6}
          y={(geometry.supplyY + geometry.returnY) / 2 + 24}
          anchor="start"
          text={units.show('volumeFlow', result.returnFlow)}
          colour="var(--return)"
        />
      )}
    </g>
  );
}

const CLOSE_TO_BOILING = 1; // m of fuel, as in the rules
const MOST_CREEP = 1.05; // of the wanted pressure, as in the rules

/** Fuel that boils, or nearly: bubbles at the pump's inlet, and how much is left. */
function Boiling({ x, y, text }: { x: number; y: number; text: string }) {
  return (
    <g>
      <g fill="var(--sheet)" stroke="var(--stop)" strokeWidth={1.4} paintOrder="fill">
        <circle cx={x - 21} cy={y - 4} r={3.2} />
        <circle cx={x - 27} cy={y + 3} r={2.2} />
        <circle cx={x - 20} cy={y + 6} r={1.7} />
      </g>
      <Flow x={x + 30} y={y + 55} anchor="end" text={text} colour="var(--stop)" />
    </g>
  );
}

function Flow({
  x,
  y,
  text,
  colour,
  anchor,
}: {
  x: number;
  y: number;
  text: string;
  colour: string;
  anchor?: 'start' | 'end';
}) {
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      fontSize={12}
      fill={colour}
      paintOrder="stroke"
      stroke="var(--sheet)"
      strokeWidth={4}
    >
      {text}
    </text>
  );
}

/** What sets a part's symbol apart from others of its kind. */
export const variantOf = (component: Component): string | undefined =>
  component.kind === 'regulator'
    ? component.action
    : component.kind === 'rail' && component.feed !== undefined && component.feed !== 'single'
      ? 'two'
      : undefined;

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
  const { component, x, y, line } = slot;
  const name = componentName(component);
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
      data-component={component.id}
      aria-label={state ? `${name}: ${state}` : name}
      aria-pressed={selected}
      onClick={() => onSelect(component.id)}
      onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onSelect(component.id)}
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
        <ComponentSymbol kind={component.kind} variant={variantOf(component)} backwards={line === 'return'} />
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
