import { partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** A swirl pot where people sit, or in a boot that opens to them. */
export const potAmongPeople: Rule = {
  key: 'pot-among-people',
  check: ({ job }) =>
    partsOfKind(job, 'swirlPot').flatMap((part) => {
      if (part.place !== 'cabin' && part.place !== 'boot') return [];
      const isCabin = part.place === 'cabin';
      return [
        {
          grade: isCabin ? ('fix' as const) : ('note' as const),
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'place'],
          what: `${quoted(part)} stands ${isCabin ? 'in the cabin' : 'in the boot'}: fuel and its vapour are in with the people.`,
          why: 'A hose that weeps or a crash lets fuel into where they sit; vapour burns at a spark of the pump.',
          cure: 'Stand it under the floor or in the engine bay; where it must stay, in a sealed metal box that is vented to the outside. The local code comes first.',
          source: 'common practice',
          act: { act: 'setOnPart', id: part.id, key: 'place', value: 'under' },
          actLabel: 'It goes under the floor',
        },
      ];
    }),
};
