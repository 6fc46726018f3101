import { fuelClasses, fuelClassOf, sourceOn, verdictOn, wireCovers } from '../../ratings/material-fuel.ts';
import { partsOfKind, quoted } from '../reading.ts';
import type { Rule } from '../snag.ts';

/** Wires inside the tank whose cover the fuel dissolves, or that only their maker can vouch for. */
export const wireInTank: Rule = {
  key: 'wire-in-tank',
  check: ({ job, fuel }) =>
    partsOfKind(job, 'pump').flatMap((part) => {
      if (part.place !== 'inTank' || !part.wireCover || !fuel) return [];
      const cover = wireCovers[part.wireCover];
      const kind = fuelClassOf(fuel);
      const verdict = verdictOn(cover, kind, job.materials);
      if (verdict === 'fine') return [];
      return [
        {
          grade: verdict === 'attacked' ? 'stop' : 'note',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'wireCover'],
          what:
            verdict === 'ask'
              ? `Only the maker can say whether the wires to ${quoted(part)} stand this fuel: ${cover.name}.`
              : `The wires to ${quoted(part)} do not last inside the tank: ${cover.name} with ${fuelClasses[kind]}.`,
          why: 'The cover hardens and falls off, and bare wires lie in the vapour.',
          cure: 'Use wire covered with PTFE or ETFE, or the harness made for the hanger.',
          act: { act: 'setOnPart', id: part.id, key: 'wireCover', value: 'fluoropolymer' },
          actLabel: 'Wire in PTFE or ETFE it is',
          source: sourceOn(cover, kind, job.materials),
        },
      ];
    }),
};
