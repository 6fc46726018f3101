import type { SweepVerdict } from '../../senders/sweep-check.ts';
import type { Rule } from '../snag.ts';

const what: Record<Exclude<SweepVerdict, 'good'>, string> = {
  open: 'The sender has a break in its track.',
  sticky: 'The sender sticks.',
  dirty: 'The sender’s track is dirty or worn.',
  reversed: 'The sender runs the other way.',
  wrongRange: 'The sender is of another range.',
};
const cures: Record<Exclude<SweepVerdict, 'good'>, string> = {
  open: 'Replace the sender; a track is not mended.',
  sticky: 'Clean the track and bend the wiper back, sweep it twenty times and measure again; else replace it.',
  dirty: 'Clean the track with contact cleaner, sweep it twenty times and measure again.',
  reversed: 'Check which stop was called the bottom one; else turn the arm or use a sender of the other sense.',
  wrongRange: 'Match it to the gauge as the sender that it is, or fit one of the range expected.',
};

/** What a sweep with the ohmmeter shows. */
export const senderWorn: Rule = {
  key: 'sender-worn',
  check: ({ sweep }) => {
    const verdicts = new Set<SweepVerdict>();
    return (sweep?.findings ?? []).flatMap(({ verdict, reason }) => {
      if (verdict === 'good' || verdicts.has(verdict)) return []; // one of a kind is enough
      verdicts.add(verdict);
      return [
        {
          grade: 'fix' as const,
          which: verdict,
          stage: 'gauge' as const,
          path: ['gauge', 'sweep'],
          what: what[verdict],
          why: `While sweeping, ${reason}.`,
          cure: cures[verdict],
          source: 'common practice',
        },
      ];
    });
  },
};
