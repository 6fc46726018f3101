import type { Rule } from '../snag.ts';

/** A hanger that is to stand in the sump, with no sump under its opening. */
export const hangerMissesSump: Rule = {
  key: 'hanger-misses-sump',
  check: ({ job, hanger: { missesSump } }) => {
    if (!missesSump) return [];
    const { sumpLength, sumpWidth, sumpDepth } = job.survey.tank;
    const isKnown = sumpLength && sumpWidth && sumpDepth;
    return [
      {
        grade: isKnown ? 'stop' : 'fix',
        stage: 'hanger',
        path: ['hanger', 'intoSump'],
        what: isKnown
          ? 'The hanger is to stand in the sump, but the sump does not lie under its opening.'
          : 'The hanger is to stand in a sump that is not measured.',
        why: 'The stack is reckoned to the sump’s floor: beside it the hanger is longer than the tank is deep.',
        cure: isKnown
          ? 'Correct where the opening or the sump lies, or let it stand on the tank’s floor.'
          : 'Measure the sump: length, width and depth below the floor.',
        act: { act: 'set', path: ['hanger', 'intoSump'], value: false },
        actLabel: 'It stands on the tank’s floor',
        source: 'geometry',
      },
    ];
  },
};
