import type { Gauge, gaugeProperties } from '../job/gauge.ts';
import type { Job } from '../job/job.ts';
import { armReaches, senderResistance, sweepShare, type FloatSweep } from '../senders/float-sweep.ts';
import { matchSender, type SenderMatch } from '../senders/match-sender.ts';
import { networkResistance, type ResistanceRange, type ResistorNetwork } from '../senders/resistor-network.ts';
import { checkSweep, hysteresis, type SweepCheck } from '../senders/sweep-check.ts';
import { armRange } from '../senders/float-arm.ts';
import { monotoneCurve } from '../numerics/curve.ts';
import { fillReadings } from '../tanks/fills.ts';
import { levelAtVolume, volumeAtLevel, type StrappingTable } from '../tanks/strapping-table.ts';
import { surveyedTank } from '../tanks/surveyed-tank.ts';
import { supplyShift } from './supply-shift.ts';

/** Where the needle stands at one fuel volume. Needle: 0 at E, 1 at F. */
export interface NeedlePoint {
  readonly level: number;
  readonly volume: number;
  readonly ohms: number;
  /** Sender wired straight to the gauge. */
  readonly direct?: number;
  /** Through the E24 network. */
  readonly matched?: number;
}

/** What is left in the tank when the needle reaches a mark. */
export interface GaugeMark {
  readonly mark: 'E' | '¼' | '½' | '¾' | 'F';
  readonly needle: number;
  /** m3; undefined: the needle never stands there. */
  readonly direct?: number;
  readonly matched?: number;
  /** m3, if the scale were linear in litres between what is left at E and what is there at F. */
  readonly ideal: number;
}

export interface GaugeFindings {
  readonly table: StrappingTable;
  readonly full: number; // m3, all of the tank
  readonly sweep: FloatSweep;
  /** Absent for a programmable gauge. */
  readonly match?: SenderMatch;
  readonly needle: readonly NeedlePoint[];
  readonly marks: readonly GaugeMark[];
  /** Ohms by tenth of the volume, for a programmable gauge or the record. */
  readonly calibration: readonly {
    readonly share: number;
    readonly volume: number;
    readonly level: number;
    readonly ohms: number;
  }[];
  /** What the sender's own track says: measured while sweeping, or reckoned linear. */
  readonly track: 'measured' | 'linear';
  /** Levels that the float does not follow: below its bottom stop and above its top one. m3. */
  readonly deadBands: { readonly below: number; readonly above: number };
  /** Fills read in ohms, beside what was computed: the needle's proof. */
  readonly proof: readonly { readonly volume: number; readonly measured: number; readonly computed: number }[];
  /** By how much of its scale a needle at ½ moves when a heat gauge gets this supply; absent where that does not matter. */
  readonly supplyShift?: number;
}

export type GaugeOutcome =
  | { kind: 'unused' }
  | { kind: 'needs'; names: readonly string[] }
  /** The arm is too short to reach a stop from its pivot. */
  | { kind: 'armTooShort' }
  | { kind: 'computed'; findings: GaugeFindings };

/** What the sweep of the sender says, whether or not the rest is known. */
export function sweepOutcome(job: Job): (SweepCheck & { hysteresis?: number }) | undefined {
  const { sweep, sweepDown, senderEmpty, senderFull } = job.gauge ?? {};
  const expected = senderEmpty && senderFull && { empty: senderEmpty.si, full: senderFull.si };
  const check = sweep && checkSweep(sweep, expected);
  return check && { ...check, hysteresis: sweepDown && hysteresis(sweep, sweepDown) };
}

const POINTS = 80;
const marks = [
  ['E', 0],
  ['¼', 0.25],
  ['½', 0.5],
  ['¾', 0.75],
  ['F', 1],
] as const;

/** What the dash gauge will show, from tank, float, sender and gauge. */
export function gaugeOutcome(job: Job): GaugeOutcome {
  const gauge = job.gauge;
  if (!gauge || Object.keys(gauge).length === 0) return { kind: 'unused' };
  const tank = surveyedTank(job.survey.tank);
  const missing = missingReadings(gauge);
  if (tank.kind !== 'known' || missing.length > 0)
    return { kind: 'needs', names: [...missing, ...(tank.kind === 'needs' ? tank.needs : [])] };
  const sweep = sweepOf(gauge);
  if (!armReaches(sweep)) return { kind: 'armTooShort' };
  return { kind: 'computed', findings: computed(tank.tank.table, sweep, gauge, job) };
}

/** Keys of the gauge that a result waits for, once any of it is filled in. */
export function missingReadings(gauge: Gauge): (keyof typeof gaugeProperties)[] {
  const wanted: (keyof typeof gaugeProperties)[] = ['kind', 'senderEmpty', 'senderFull', 'floatLow', 'floatHigh'];
  if (gauge.kind !== 'programmable') wanted.push('gaugeEmpty', 'gaugeFull');
  // heights that follow from arm, pivot and stops need not be measured again
  const stops = stopHeights(gauge);
  return wanted.filter((key) => gauge[key] === undefined && !(stops && (key === 'floatLow' || key === 'floatHigh')));
}

/** Float heights at its stops as arm, pivot and stop angles give them; undefined while one of those is unknown. */
export function stopHeights({
  armLength,
  pivotHeight,
  stopDown,
  stopUp,
}: Gauge): { low: number; high: number } | undefined {
  if (!armLength || !pivotHeight || !stopDown || !stopUp) return undefined;
  return armRange({ pivot: pivotHeight.si, length: armLength.si, down: -stopDown.si, up: stopUp.si });
}

/** Measured heights go before those that follow from the arm. */
function endsOf(gauge: Gauge): { low: number; high: number } {
  const stops = stopHeights(gauge);
  const [a, b] = [gauge.floatLow?.si ?? stops!.low, gauge.floatHigh?.si ?? stops!.high];
  return { low: Math.min(a, b), high: Math.max(a, b) };
}

const sweepOf = (gauge: Gauge): FloatSweep => ({
  ...endsOf(gauge),
  sender: { empty: gauge.senderEmpty!.si, full: gauge.senderFull!.si },
  arm: gauge.armLength && gauge.pivotHeight ? { length: gauge.armLength.si, pivot: gauge.pivotHeight.si } : undefined,
});

function computed(table: StrappingTable, sweep: FloatSweep, gauge: Gauge, job: Job): GaugeFindings {
  const [bottom, top] = [table.rows[0]!.level, table.rows.at(-1)!.level];
  const ohmsAt = ohmsByLevel(sweep, gauge);
  const full = table.rows.at(-1)!.volume;
  const range: ResistanceRange | undefined =
    gauge.kind === 'programmable' ? undefined : { empty: gauge.gaugeEmpty!.si, full: gauge.gaugeFull!.si };
  // both senders of a saddle tank together are what the gauge sees
  const sender: ResistanceRange = { empty: ohmsAt(bottom), full: ohmsAt(top) };
  const distinct = range !== undefined && range.empty !== range.full && sender.empty !== sender.full;
  const match = distinct ? matchSender(sender, range, gauge.supply?.si) : undefined;
  const network = match && networkOf(match);
  // the float's own stops are among the levels: there the needle stops, and what lies below is still fuel
  const even = Array.from({ length: POINTS + 1 }, (_, i) => bottom + (i / POINTS) * (top - bottom));
  const stops = [sweep.low, sweep.high].filter((level) => level > bottom && level < top);
  const needle = [...even, ...stops]
    .sort((a, b) => a - b)
    .map((level): NeedlePoint => {
      const ohms = ohmsAt(level);
      return {
        level,
        volume: volumeAtLevel(table, level),
        ohms,
        direct: range && reading(ohms, range),
        matched: range && network && reading(networkResistance(network, ohms), range),
      };
    });
  return {
    table,
    full,
    sweep,
    match,
    needle,
    marks: range ? marksOf(needle, network !== undefined) : [],
    calibration: Array.from({ length: 11 }, (_, tenth) => {
      const volume = (tenth / 10) * full;
      const level = levelAtVolume(table, volume);
      return { share: tenth / 10, volume, level, ohms: ohmsAt(level) };
    }),
    track: measuredTrack(gauge) ? 'measured' : 'linear',
    deadBands: {
      below: volumeAtLevel(table, sweep.low),
      above: full - volumeAtLevel(table, sweep.high),
    },
    proof: fillReadings(job.survey.tank.fills ?? [], 'ohms').map(({ volume, reading: measured }) => ({
      volume,
      measured,
      computed: ohmsAt(levelAtVolume(table, volume)),
    })),
    supplyShift: supplyShift(gauge),
  };
}

/** The sender's track as measured, share of sweep to ohms; undefined while fewer than three good readings are there. */
function measuredTrack(gauge: Gauge): ((share: number) => number) | undefined {
  const points = (gauge.sweep ?? []).flatMap((r) => (r.ohms ? [[r.share, r.ohms.si] as const] : []));
  const sorted = points.sort((a, b) => a[0] - b[0]).filter(([share], i, all) => i === 0 || share > all[i - 1]![0]);
  if (sorted.length < 3) return undefined;
  const curve = monotoneCurve(sorted);
  const [first, last] = [sorted[0]![0], sorted.at(-1)![0]];
  return (share) => curve.value(Math.min(Math.max(share, first), last));
}

/** What the gauge sees at a fuel level: the sender's track, and a second sender with it. Both floats see one level. */
function ohmsByLevel(sweep: FloatSweep, gauge: Gauge): (level: number) => number {
  const track = measuredTrack(gauge);
  const first = (level: number) => (track ? track(sweepShare(sweep, level)) : senderResistance(sweep, level));
  const { secondEmpty, secondFull, combine } = gauge;
  if (!combine || !secondEmpty || !secondFull) return first;
  const second: FloatSweep = {
    low: gauge.secondLow?.si ?? sweep.low,
    high: gauge.secondHigh?.si ?? sweep.high,
    sender: { empty: secondEmpty.si, full: secondFull.si },
  };
  const share = combine === 'sum' ? 1 : 0.5;
  return (level) => share * (first(level) + senderResistance(second, level));
}

const networkOf = (match: SenderMatch): ResistorNetwork | undefined =>
  match.kind === 'network' ? match.practical.network : match.kind === 'nearest' ? match.nearest.network : undefined;

const reading = (ohms: number, range: ResistanceRange): number => (ohms - range.empty) / (range.full - range.empty);

function marksOf(needle: readonly NeedlePoint[], hasNetwork: boolean): GaugeMark[] {
  const shown = (p: NeedlePoint) => (hasNetwork ? p.matched! : p.direct!);
  const atEmpty = volumeAtNeedle(needle, shown, 0) ?? needle[0]!.volume;
  const atFull = volumeAtNeedle(needle, shown, 1) ?? needle.at(-1)!.volume;
  return marks.map(([mark, share]) => ({
    mark,
    needle: share,
    direct: volumeAtNeedle(needle, (p) => p.direct!, share),
    matched: hasNetwork ? volumeAtNeedle(needle, (p) => p.matched!, share) : undefined,
    ideal: atEmpty + share * (atFull - atEmpty),
  }));
}

const MARK_WIDTH = 0.015; // of the scale: a needle this near a mark is read as on it, common practice

/** Volume at which the needle, falling from full, reaches a mark; undefined if it never does. */
function volumeAtNeedle(
  needle: readonly NeedlePoint[],
  shown: (p: NeedlePoint) => number,
  mark: number,
): number | undefined {
  for (let i = needle.length - 1; i > 0; i--) {
    const [above, below] = [needle[i]!, needle[i - 1]!];
    const [a, b] = [shown(above) - mark, shown(below) - mark];
    if (a === b || a * b > 0) continue;
    return below.volume + ((above.volume - below.volume) * (0 - b)) / (a - b);
  }
  // never quite there, as with preferred resistor values: the end of the flat stretch that comes nearest
  const off = (p: NeedlePoint) => Math.abs(shown(p) - mark);
  const least = Math.min(...needle.map(off));
  if (!(least <= MARK_WIDTH)) return undefined;
  const flat = needle.filter((p) => off(p) <= least + 1e-9);
  return (mark < 0.5 ? flat.at(-1)! : flat[0]!).volume;
}
