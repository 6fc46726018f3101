import { choice } from './property.ts';

/** Where a return may end: only the first two are right, the third is a blunder that is named. */
export const returnEndProperty = choice(
  'the return ends in',
  { tank: 'the tank', pot: 'the swirl pot', supply: 'the supply line' },
  { hint: 'As it is found or meant; unknown counts as the tank.' },
);
