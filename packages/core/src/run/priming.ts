import { flowAgainst } from '../hydraulics/pump-curve.ts';
import { assumed } from '../job/assumption.ts';
import type { Job } from '../job/job.ts';
import { liftOf } from '../parts/engine-pump/engine-pump.ts';
import { isLine, isPump, kindOf, type Part, type PartOf } from '../parts/kinds.ts';
import type { Moment } from '../parts/lower.ts';
import { brimOf } from '../parts/swirl-pot/swirl-pot.ts';
import { circuitsOf } from './circuits.ts';
import type { CompiledRun } from './compiled-run.ts';

/** How long the pumps that feed the engine run before fuel is at its injectors. s and m3. */
export interface Prime {
  /** From dry: everything between pump and injectors, both rails and every branch. */
  readonly time: number;
  readonly volume: number;
  /** After standing: what lies above the fuel in the tank runs back through a pump that has no check valve. */
  readonly drainedTime: number;
  readonly drainedVolume: number;
  /** A check valve keeps the line full. */
  readonly isHeld: boolean;
}

/** Fuel in a part, m3. */
export function volumeOf(part: Part): number {
  const kind = kindOf(part);
  return kind.holds?.(part) ?? (Math.PI / 4) * (kind.bore?.(part) ?? 0) ** 2 * (kind.length?.(part) ?? 0);
}

/** Filled against no pressure, at the moment's voltage. Undefined where no feeding pump runs. */
export function primeOf(run: CompiledRun, moment: Moment): Prime | undefined {
  const { circuits, pumps } = run;
  const behind = new Set(circuits.feedPumps.flatMap((id) => circuits.downstream(id)));
  const before = new Set(circuits.consumers.flatMap((id) => [id, ...circuits.upstream(id)]));
  const filled = circuits.parts.filter((p) => behind.has(p.id) && before.has(p.id));
  const feeding = pumps.filter((p) => p.feeds);
  const flow = feeding.reduce((sum, p) => {
    const curve = p.curve(moment);
    return sum + (curve ? flowAgainst(curve, 0) : 0);
  }, 0);
  if (!(flow > 0)) return undefined;
  const volume = filled.reduce((sum, p) => sum + volumeOf(p), 0);
  const isHeld =
    filled.some((p) => !isPump(p) && holdsBack(p)) || feeding.every(({ id }) => holdsBack(circuits.part(id)));
  const heights = run.heightsAt(moment);
  const surface = run.open[0]!.height(moment); // the tank's own comes first
  const drainedVolume = isHeld
    ? 0
    : filled.reduce((sum, part) => {
        const compiled = run.parts.find((p) => p.id === part.id);
        if (!compiled) return sum;
        return sum + volumeOf(part) * shareAbove(heights[compiled.inlet]!, heights[compiled.outlet]!, surface);
      }, 0);
  return { time: volume / flow, volume, drainedTime: drainedVolume / flow, drainedVolume, isHeld };
}

/** Of a straight piece between two heights, what lies above a third. */
function shareAbove(a: number, b: number, level: number): number {
  const [low, high] = a < b ? [a, b] : [b, a];
  if (level <= low) return 1;
  if (level >= high) return 0;
  return (high - level) / (high - low);
}

/** Whether a pump outside the tank fills by itself. Heights above the tank floor, m. */
export interface Priming {
  readonly pump: string;
  /** A pot that is kept full counts as a surface of its own. */
  readonly from: 'tank' | 'pot';
  /** Of the fuel that it draws from. */
  readonly surface: number;
  /** The highest point on the way from there, the pump's inlet included, and the joint or the line where that is. */
  readonly highest: number;
  readonly at?: { readonly joint: string } | { readonly part: string };
  /** How far it has to lift, and can from dry. */
  readonly lift: number;
  readonly can: number;
}

/** Of every pump outside the tank that draws from a vessel and whose heights are known. */
export function primingOf(job: Pick<Job, 'parts' | 'joints' | 'survey' | 'assumptions'>): Priming[] {
  const run = circuitsOf(job);
  const { depth } = job.survey.tank;
  return run.parts.flatMap((part): Priming[] => {
    if (!isOutside(part) || !part.inletHeight) return [];
    const zone = run.zoneAt(part.id, 'in');
    if (zone?.kind !== 'suction') return [];
    const vessel = zone.from.map((id) => run.part(id))[0];
    if (!vessel) return [];
    const isPot = vessel.kind === 'swirlPot';
    if (!isPot && !depth) return [];
    const surface = isPot ? brimOf(vessel) : depth!.si * assumed(job.assumptions, 'fuelLevel');
    const places = run.flows.flatMap((f): { height: number; at?: Priming['at'] }[] => {
      const height = f.zone === zone ? job.joints[f.joint]?.height?.si : undefined;
      return height === undefined ? [] : [{ height, at: { joint: f.joint } }];
    });
    for (const line of run.parts)
      if (isLine(line) && line.highest && run.zoneOf(line.id) === zone)
        places.push({ height: line.highest.si, at: { part: line.id } });
    // a pickup from above leaves by the top of the tank
    const over = vessel.kind === 'tank' && (vessel.pickup === 'tube' || vessel.pickup === 'hanger') ? depth : undefined;
    if (over) places.push({ height: over.si });
    const highest = places.reduce((a, b) => (b.height > a.height ? b : a), { height: part.inletHeight.si });
    const can = part.kind === 'enginePump' ? liftOf(part) : 0;
    return [
      {
        pump: part.id,
        from: isPot ? 'pot' : 'tank',
        surface,
        highest: highest.height,
        at: 'at' in highest ? highest.at : undefined,
        lift: highest.height - surface,
        can,
      },
    ];
  });
}

const holdsBack = (part: Part): boolean => kindOf(part).holdsBack?.(part) === true;
const isOutside = (part: Part): part is PartOf<'pump' | 'enginePump'> =>
  isPump(part) && kindOf(part).standsOutside?.(part) === true;
