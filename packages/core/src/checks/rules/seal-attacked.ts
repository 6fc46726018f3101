import type { Rule } from '../snag.ts';
import { placed, quoted } from '../reading.ts';
import { fuelClasses, fuelClassOf, seals } from '../../ratings/material-fuel.ts';

/** Seals of a part that the fuel attacks, or that only their maker can vouch for. */
export const sealAttacked: Rule = {
  key: 'seal-attacked',
  check: ({ job, fuel }) =>
    placed(job).flatMap(({ component, line, index }) => {
      if (!component.seals || !fuel) return [];
      const material = seals[component.seals];
      const kind = fuelClassOf(fuel);
      const verdict = material.on[kind];
      if (verdict === 'fine') return [];
      return [
        {
          grade: verdict === 'attacked' ? 'fix' : 'note',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, 'seals'],
          what:
            verdict === 'ask'
              ? `Only the maker can say whether the seals of ${quoted(component)} stand this fuel: ${material.name}.`
              : `The seals of ${quoted(component)} do not last in this fuel: ${material.name} with ${fuelClasses[kind]}.`,
          why: 'A seal that swells jams or sheds; one that hardens leaks.',
          cure: 'Have it with fluoroelastomer or PTFE seals.',
          act: { act: 'setOnComponent', id: component.id, key: 'seals', value: 'fkm' },
          actLabel: 'Fluoroelastomer it is',
          source: material.source,
        },
      ];
    }),
};
