import { hasVentLine } from '@endrel/core/vents/air-path';
import { assumed } from '@endrel/core/job/assumption';
import { pickupPlace } from '@endrel/core/hangers/hanger-findings';
import { tankProperties } from '@endrel/core/job/tank';
import { isPump, kindOf, type Part } from '@endrel/core/parts/kinds';
import type { Circuits } from '@endrel/core/run/circuits';
import { FLOOR, openPorts, type DrawnJob, type TankOutline } from './run-drawing.ts';

/** The tank as a box at the foot of the run, its fuel and its vent. */
export function tankOutline(
  job: DrawnJob,
  run: Circuits,
  box: { left: number; right: number; top: number; bottom: number },
): TankOutline | undefined {
  const part = run.tank;
  if (!part) return undefined;
  const share = Math.min(1, Math.max(0, assumed(job.assumptions, 'fuelLevel')));
  const level = box.bottom - FLOOR - (box.bottom - box.top - FLOOR) * share;
  return {
    part,
    ...box,
    isMeasured: job.survey.tank.depth !== undefined,
    level,
    open: openPorts(run, part.id),
    vent: ventOver(job, box),
  };
}

/** Up from the lid beside the tank's name, over and down to its end: drawn, not measured. */
function ventOver({ survey }: DrawnJob, { left, top }: { left: number; top: number }): TankOutline['vent'] {
  const { vent } = survey.tank;
  if (!vent || !hasVentLine(survey.tank)) return undefined;
  const [x, high, low, end] = [left + 12, top - 27, top - 14, left + 30];
  return {
    path: [
      [x, top],
      [x, high],
      [end, high],
      [end, low],
    ],
    valve: vent === 'open' ? undefined : [x, top - 8],
    end: [end, low],
    name: tankProperties.vent.options[vent],
  };
}

/** What lies in the tank: parts of that kind, and whatever a pump in it draws through. */
export function partsInTank(run: Circuits): Set<string> {
  if (!run.tank) return new Set();
  const inside = new Set(run.parts.filter((p) => kindOf(p).isInTank?.(p) === true).map((p) => p.id));
  for (const id of [...inside])
    if (isPump(run.part(id)))
      for (const { from } of run.into(id))
        for (const before of [from, ...run.upstream(from)])
          if (run.zoneOf(before) === run.zoneBefore(id) && before !== run.tank.id) inside.add(before);
  for (const stretch of stretchesBetween(run, inside)) for (const id of stretch) inside.add(id);
  return inside;
}

/** What stands between parts that lie in the tank and has no place of its own: a check valve, a filter with its regulator on the hanger. */
function stretchesBetween(run: Circuits, inside: ReadonlySet<string>): string[][] {
  const isOpen = (id: string) => !inside.has(id) && id !== run.tank?.id && !kindOf(run.part(id)).isInTank;
  const neighbours = (id: string) => [run.into(id).map((f) => f.from), run.outOf(id).map((f) => f.to)] as const;
  const seen = new Set<string>();
  return run.parts.flatMap(({ id: first }): string[][] => {
    if (!isOpen(first) || seen.has(first)) return [];
    const stretch: string[] = [];
    const ends = { before: [] as string[], behind: [] as string[] };
    const wait = [first];
    for (let id = wait.pop(); id !== undefined; id = wait.pop()) {
      if (seen.has(id)) continue;
      seen.add(id);
      stretch.push(id);
      const [before, behind] = neighbours(id);
      ends.before.push(...before.filter((other) => !isOpen(other)));
      ends.behind.push(...behind.filter((other) => !isOpen(other)));
      wait.push(...[...before, ...behind].filter(isOpen));
    }
    const isWithin = (ids: readonly string[]) => ids.length > 0 && ids.every((id) => inside.has(id));
    return isWithin(ends.before) && isWithin(ends.behind) ? [stretch.filter((id) => !run.isTap(id))] : [];
  });
}

/** y of what lies in the tank: pickup, pump inlet and return end at their heights; what leads up from them, on its way. */
export function heightsInTank(
  job: DrawnJob,
  run: Circuits,
  tank: TankOutline,
  inside: ReadonlySet<string>,
): Map<string, number> {
  const depth = job.survey.tank.depth?.si;
  const at = (height: number) =>
    tank.bottom - FLOOR - ((tank.bottom - tank.top - FLOOR) * Math.max(0, height)) / depth!;
  const pickup = depth && job.hanger ? pickupPlace(job.hanger, job.survey.tank)?.[2] : undefined;
  // a filter before the pump stands at the pickup; one behind it hangs where it leads up
  const isPickup = (part: Part) =>
    part.kind === 'sock' || (part.kind === 'filter' && !run.upstream(part.id).some((id) => isPump(run.part(id))));
  const isLow = (part: Part) => isPickup(part) || isPump(part);
  const places = new Map<string, number>();
  let last = tank.bottom - 22;
  for (const part of run.parts) {
    if (!inside.has(part.id)) continue;
    // where the symbol is entered, below its middle
    const [height, reach] = isPickup(part)
      ? [pickup, 13]
      : isPump(part)
        ? [part.inletHeight?.si ?? 0, 15]
        : part.kind === 'returnDrop'
          ? [part.endHeight?.si, 13]
          : [undefined, 0];
    const isKnown = height !== undefined && depth !== undefined;
    const lowest = tank.bottom - FLOOR - reach;
    const y = isKnown
      ? Math.max(tank.top + 8, Math.min(at(height) - reach, lowest)) // measured higher than the tank it stands at the lid
      : isLow(part)
        ? lowest
        : part.kind === 'returnDrop'
          ? (tank.top + tank.bottom) / 2
          : (last + tank.top) / 2;
    places.set(part.id, y);
    if (isLow(part)) last = y;
  }
  return places;
}
