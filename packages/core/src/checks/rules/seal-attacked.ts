import { fuelClasses, fuelClassOf, seals, sourceOn, verdictOn } from '../../ratings/material-fuel.ts';
import { circuits, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** Seals of a part that the fuel attacks, or that only their maker can vouch for. */
export const sealAttacked: Rule = {
  key: 'seal-attacked',
  check: ({ job, fuel }) =>
    circuits(job).parts.flatMap((part) => {
      if (!part.seals || !fuel) return [];
      const material = seals[part.seals];
      const kind = fuelClassOf(fuel);
      const verdict = verdictOn(material, kind, job.materials);
      if (verdict === 'fine') return [];
      return [
        {
          grade: verdict === 'attacked' ? 'fix' : 'note',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'seals'],
          what:
            verdict === 'ask'
              ? `Only the maker can say whether the seals of ${quoted(part)} stand this fuel: ${material.name}.`
              : `The seals of ${quoted(part)} do not last in this fuel: ${material.name} with ${fuelClasses[kind]}.`,
          why: 'A seal that swells jams or sheds; one that hardens leaks.',
          cure: 'Have it with fluoroelastomer or PTFE seals.',
          act: { act: 'setOnPart', id: part.id, key: 'seals', value: 'fkm' },
          actLabel: 'Fluoroelastomer it is',
          source: sourceOn(material, kind, job.materials),
        },
      ];
    }),
};
