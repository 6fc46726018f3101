import type { Gauge } from '../job/gauge.ts';
import type { Job } from '../job/job.ts';
import { armReaches, senderResistance, type FloatSweep } from '../senders/float-sweep.ts';
import { matchSender, type SenderMatch } from '../senders/match-sender.ts';
import { networkResistance, type ResistanceRange, type ResistorNetwork } from '../senders/resistor-network.ts';
import { levelAtVolume, volumeAtLevel, type StrappingTable } from '../tanks/strapping-table.ts';
import { tankTable } from './tank-table.ts';

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
}

export type GaugeOutcome =
  | { kind: 'unused' }
  | { kind: 'needs'; names: readonly string[] }
  /** The arm is too short to reach a stop from its pivot. */
  | { kind: 'armTooShort' }
  | { kind: 'computed'; findings: GaugeFindings };

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
  const tank = tankTable(job.survey.tank);
  const missing = missingReadings(gauge);
  if (!tank.ok || missing.length > 0) return { kind: 'needs', names: [...missing, ...(tank.ok ? [] : tank.needs)] };
  const sweep = sweepOf(gauge);
  if (!armReaches(sweep)) return { kind: 'armTooShort' };
  return { kind: 'computed', findings: computed(tank.table, sweep, gauge) };
}

/** Keys of the gauge that a result waits for, once any of it is filled in. */
export function missingReadings(gauge: Gauge): (keyof Gauge)[] {
  const wanted: (keyof Gauge)[] = ['kind', 'senderEmpty', 'senderFull', 'floatLow', 'floatHigh'];
  if (gauge.kind !== 'programmable') wanted.push('gaugeEmpty', 'gaugeFull');
  return wanted.filter((key) => gauge[key] === undefined);
}

const sweepOf = (gauge: Gauge): FloatSweep => ({
  low: Math.min(gauge.floatLow!.si, gauge.floatHigh!.si),
  high: Math.max(gauge.floatLow!.si, gauge.floatHigh!.si),
  sender: { empty: gauge.senderEmpty!.si, full: gauge.senderFull!.si },
  arm: gauge.armLength && gauge.pivotHeight ? { length: gauge.armLength.si, pivot: gauge.pivotHeight.si } : undefined,
});

function computed(table: StrappingTable, sweep: FloatSweep, gauge: Gauge): GaugeFindings {
  const full = table.rows.at(-1)!.volume;
  const range: ResistanceRange | undefined =
    gauge.kind === 'programmable' ? undefined : { empty: gauge.gaugeEmpty!.si, full: gauge.gaugeFull!.si };
  const distinct = range !== undefined && range.empty !== range.full && sweep.sender.empty !== sweep.sender.full;
  const match = distinct ? matchSender(sweep.sender, range, gauge.supply?.si) : undefined;
  const network = match && networkOf(match);
  const needle = Array.from({ length: POINTS + 1 }, (_, i): NeedlePoint => {
    const level = (i / POINTS) * table.rows.at(-1)!.level;
    const ohms = senderResistance(sweep, level);
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
      return { share: tenth / 10, volume, level, ohms: senderResistance(sweep, level) };
    }),
  };
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
