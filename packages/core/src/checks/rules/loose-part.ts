import { circuits, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** A part that is on the run by name only: nothing joins it to the rest. */
export const loosePart: Rule = {
  key: 'loose-part',
  check: ({ job }) => {
    const run = circuits(job);
    // without a tank everything is loose, and the run says so itself
    if (!run.tank) return [];
    return run.parts
      .filter((part) => !run.isReached(part.id))
      .map((part) => ({
        grade: 'fix',
        stage: 'run',
        part: part.id,
        what: `${quoted(part)} is joined to nothing that leads to the tank.`,
        why: 'It is bought and mounted and does nothing, or the gap before it was forgotten.',
        cure: 'Join it where it belongs, or set it aside.',
        act: { act: 'setAside', id: part.id },
        actLabel: 'Set it aside',
        source: 'computed',
      }));
  },
};
