import { LEAST_SUCTION_MARGIN, MOST_CREEP } from '@endrel/core/run/limits';
import type { Assessment } from '@endrel/core/assessment/assess';
import type { Job } from '@endrel/core/job/job';
import { pointName } from '@endrel/core/run/operating-point';
import { resultAt } from '@endrel/core/run/solve-run';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { isConsumer, isPump } from '@endrel/core/parts/kinds';
import { circuitsOf } from '@endrel/core/run/circuits';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { numberPlaces, placeLabels, placesAround, type Label, type WantedLabel } from './labels.ts';
import type { RunGeometry } from './run-drawing.ts';

/** Pressure above the line between parts, flow where it changes, at the chosen operating point. */
export function RunNumbers({
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
  const flowOf = (id: string) => result.parts.find((c) => c.id === id);
  const pumps = geometry.slots.filter((s) => isPump(s.part));
  // pumps side by side: the flow of all of them stands at the last
  const fed = new Set(circuitsOf(job).feedPumps);
  const lastFeed = pumps.findLast((s) => fed.has(s.part.id));
  const duty = result.duty === undefined ? '' : `, ${units.show('fraction', result.duty)} duty`;
  const spills = geometry.wires
    .filter((w) => w.isSpill)
    .map((w) => ({ ...w, slot: geometry.slots.find((s) => s.part.id === w.from)! }));
  const creeping = (id: string) =>
    result.wanted !== undefined &&
    flowOf(id)?.state === 'wideOpen' &&
    result.railPressure > result.wanted * (1 + MOST_CREEP)
      ? result.railPressure - result.wanted
      : undefined;
  const consumer = geometry.slots.find((s) => isConsumer(s.part));
  const pot = result.pot && geometry.slots.find((s) => s.part.id === result.pot!.id);
  const wanted: (WantedLabel & { readonly colour: string })[] = [];
  const want = (key: string, text: string, colour: string, places: readonly Label[]) =>
    wanted.push({ key, text, colour, places });
  if (consumer)
    want('drawn', `${units.show('volumeFlow', result.delivered)} drawn`, 'var(--supply)', [
      { at: [consumer.x - 6, consumer.y - 24], anchor: 'end' },
      ...placesAround(consumer),
    ]);
  for (const slot of pumps) {
    const own = flowOf(slot.part.id);
    const margin = own?.suctionMargin;
    const text =
      slot === lastFeed
        ? `${units.show('volumeFlow', result.pumpFlow)}${duty}`
        : units.show('volumeFlow', own?.flow ?? 0);
    want(`pump ${slot.part.id}`, text, 'var(--supply)', placesAround(slot));
    if (margin !== undefined && (margin < LEAST_SUCTION_MARGIN || own?.state === 'choked'))
      want(
        `boils ${slot.part.id}`,
        own?.state === 'choked' ? 'choked: it draws vapour' : `${units.show('head', margin)} to boiling`,
        'var(--stop)',
        [{ at: [slot.x + 30, slot.y + (slot.isInTank ? -46 : 55)], anchor: 'end' }, ...placesAround(slot)],
      );
  }
  for (const { joint, slot, path } of spills) {
    const creep = creeping(slot.part.id);
    const [x, bottom] = path.at(path.length > 2 && path[1]![0] === slot.x ? 1 : 0)!;
    const y = slot.y + Math.max(54, Math.min(bottom - slot.y - 24, 66)); // over the number of the line below
    const beside: Label[] = [y, y - 10, y + 14].flatMap((at) => [
      { at: [x + 6, at] as const, anchor: 'start' as const },
      { at: [x - 8, at] as const, anchor: 'end' as const },
    ]);
    want(`spill ${joint}`, units.show('volumeFlow', flowOf(slot.part.id)?.flow ?? 0), 'var(--return)', [
      ...beside,
      ...placesAround(slot),
    ]);
    if (creep !== undefined)
      want(`creep ${joint}`, `creeps up by ${units.show('pressure', creep)}`, 'var(--fix)', [
        ...beside.toReversed(),
        ...placesAround(slot),
      ]);
  }
  if (pot) {
    const isShort = result.pot.overflow < 0;
    const text = isShort
      ? `short of ${units.show('volumeFlow', -result.pot.overflow)}`
      : units.show('volumeFlow', result.pot.overflow);
    want(`pot ${pot.part.id}`, text, isShort ? 'var(--stop)' : 'var(--return)', [
      { at: [pot.x + 6, pot.y - 26], anchor: 'start' },
      ...placesAround(pot),
    ]);
  }
  for (const wire of geometry.wires) {
    const there = result.joints[wire.joint];
    if (there) want(`joint ${wire.joint}`, number(there.pressure), 'var(--ink)', numberPlaces(wire));
  }
  const placed = placeLabels(geometry, wanted);
  return (
    <g
      className="figure"
      fontSize={13}
      paintOrder="stroke"
      stroke="var(--sheet)"
      strokeWidth={4}
      aria-hidden="true"
      data-labels
      pointerEvents="none"
    >
      <text x={geometry.width - 8} y={14} textAnchor="end" fontSize={11.5} fill="var(--ink-soft)">
        {`${unit.label} at each joint, ${pointName(job, point)}`}
      </text>
      {pumps.map((slot) =>
        placed.has(`boils ${slot.part.id}`) ? <Bubbles key={slot.part.id} x={slot.x} y={slot.y} /> : null,
      )}
      {wanted.map(({ key, text, colour }) => {
        const label = placed.get(key);
        if (!label) return null;
        const [x, y] = label.at;
        const row = key.startsWith('joint ') ? rowAt(geometry, key.slice('joint '.length), y) : undefined;
        return (
          <g key={key}>
            {row !== undefined && <path d={`M${x} ${row - 5}V${row + 5}`} stroke="var(--ink)" strokeWidth={1.4} />}
            <text x={x} y={y} textAnchor={label.anchor} fontSize={row === undefined ? 12 : 13} fill={colour}>
              {text}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** The level stretch of a joint that a number stands over or under. */
const rowAt = ({ wires }: RunGeometry, joint: string, y: number): number | undefined =>
  wires.find((w) => w.joint === joint)?.path.find((place) => place[1] === y + 10 || place[1] === y - 16)?.[1];

/** Fuel that boils, or nearly: bubbles at the pump's inlet. */
function Bubbles({ x, y }: { x: number; y: number }) {
  return (
    <g fill="var(--sheet)" stroke="var(--stop)" strokeWidth={1.4} paintOrder="fill">
      <circle cx={x - 21} cy={y - 4} r={3.2} />
      <circle cx={x - 27} cy={y + 3} r={2.2} />
      <circle cx={x - 20} cy={y + 6} r={1.7} />
    </g>
  );
}
