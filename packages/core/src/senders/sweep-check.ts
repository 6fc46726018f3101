import { withArticle } from '../units/article.ts';
import type { SweepReading } from '../job/gauge.ts';
import type { ResistanceRange } from './resistor-network.ts';

/** Ranges of senders met, ohms empty to full. Typical, from memory, verify with a meter. */
export const usualRanges: readonly ResistanceRange[] = [
  { empty: 240, full: 33 },
  { empty: 0, full: 90 },
  { empty: 73, full: 10 },
  { empty: 10, full: 180 },
  { empty: 90, full: 0 },
  { empty: 0, full: 30 },
  { empty: 20, full: 300 },
  { empty: 100, full: 5 },
  { empty: 300, full: 10 }, // about 300 ohm at one stop and 0 to 20 at the other is a good sender, common practice
];

export type SweepVerdict = 'good' | 'open' | 'sticky' | 'dirty' | 'reversed' | 'wrongRange';

/** One thing found while sweeping, where on the sweep (share), and why it is thought so. */
export interface SweepFinding {
  readonly verdict: SweepVerdict;
  readonly share?: number;
  readonly reason: string;
}
export interface SweepCheck {
  /** Worst first; `good` alone when nothing is wrong. */
  readonly findings: readonly SweepFinding[];
  readonly measured?: ResistanceRange;
  /** The usual range that it comes nearest to, within 12 % of its span. */
  readonly known?: ResistanceRange;
}

const FLAT = 0.02; // of the span: less than this in a step is no movement
const JUMP = 3; // times the mean step: more than this at once is a jump
const SPIKE = 0.06; // of the span against the general sense: dirt
const NEAR = 0.12; // of a usual range's span, at each end
const OFF_RANGE = 0.15; // of what is expected, at an end

/**
 * What a sender's readings say about it, swept from bottom stop to top.
 *
 * @param expected - what it ought to give: the marked range, or what the gauge wants of a sender fitted straight to it.
 */
export function checkSweep(readings: readonly SweepReading[], expected?: ResistanceRange): SweepCheck | undefined {
  const sorted = [...readings].sort((a, b) => a.share - b.share);
  if (sorted.length < 3) return undefined;
  const findings: SweepFinding[] = [];
  for (const r of sorted)
    if (!r.ohms)
      findings.push({
        verdict: 'open',
        share: r.share,
        reason: `no circuit at ${place(r.share)}: a broken track or wiper`,
      });
  const closed = sorted.flatMap((r) => (r.ohms ? [{ share: r.share, ohms: r.ohms.si }] : []));
  if (closed.length < 3) return { findings };
  const measured = { empty: closed[0]!.ohms, full: closed.at(-1)!.ohms };
  const span = measured.full - measured.empty;
  const steps = closed
    .slice(1)
    .map((r, i) => ({ share: (r.share + closed[i]!.share) / 2, change: r.ohms - closed[i]!.ohms }));
  if (Math.abs(span) < 3) {
    findings.push({
      verdict: 'sticky',
      reason: 'the reading hardly moves from stop to stop: the arm turns without its wiper',
    });
    return { findings, measured };
  }
  const mean = Math.abs(span) / steps.length;
  const sense = Math.sign(span);
  for (const { share, change } of steps)
    if (change * sense < -SPIKE * Math.abs(span))
      findings.push({
        verdict: 'dirty',
        share,
        reason: `the reading runs backwards by ${Math.abs(change).toFixed(0)} Ω at ${place(share)}: dirt or wear on the track`,
      });
  steps.forEach(({ share, change }, i) => {
    const before = steps[i - 1];
    const stuck = before && Math.abs(before.change) < FLAT * Math.abs(span) && steps.length > 4;
    if (change * sense > JUMP * mean && (stuck || i === 0 || change * sense > 0.5 * Math.abs(span)))
      findings.push({
        verdict: 'sticky',
        share,
        reason: `it stands still and then jumps ${Math.abs(change).toFixed(0)} Ω at ${place(share)}: the wiper sticks`,
      });
  });
  const known = usualRanges.find((r) => isNear(measured, r));
  if (expected && expected.empty !== expected.full) {
    const wanted = expected.full - expected.empty;
    if (wanted * span < 0)
      findings.push({
        verdict: 'reversed',
        reason: 'ohms run the other way than expected: arm on the wrong side, or a sender of the other sense',
      });
    else if (!isNear(measured, expected, OFF_RANGE))
      findings.push({
        verdict: 'wrongRange',
        reason: `it reads ${measured.empty.toFixed(0)} to ${measured.full.toFixed(0)} Ω where ${expected.empty.toFixed(0)} to ${expected.full.toFixed(0)} Ω is expected${known ? `: it is ${withArticle(`${known.empty}–${known.full} Ω`)} sender` : ''}`,
      });
  }
  if (findings.length === 0)
    findings.push({
      verdict: 'good',
      reason: known
        ? `steady from stop to stop; ${withArticle(`${known.empty}–${known.full} Ω`)} sender`
        : `steady from stop to stop, ${measured.empty.toFixed(0)} to ${measured.full.toFixed(0)} Ω`,
    });
  return { findings, measured, known };
}

const isNear = (a: ResistanceRange, b: ResistanceRange, within = NEAR): boolean => {
  const slack = within * Math.abs(b.full - b.empty);
  return Math.abs(a.empty - b.empty) <= slack && Math.abs(a.full - b.full) <= slack;
};

const place = (share: number): string =>
  share <= 0.001 ? 'the bottom stop' : share >= 0.999 ? 'the top stop' : `${(share * 100).toFixed(0)} % of the sweep`;

/** Most that readings taken upwards and downwards differ at one place, ohm: friction in the wiper shows here. */
export function hysteresis(up: readonly SweepReading[], down: readonly SweepReading[]): number | undefined {
  const gaps = up.flatMap((u) => {
    const d = down.find((other) => Math.abs(other.share - u.share) < 0.01);
    return u.ohms && d?.ohms ? [Math.abs(u.ohms.si - d.ohms.si)] : [];
  });
  return gaps.length === 0 ? undefined : Math.max(...gaps);
}
