import { figure } from '../../units/quantity.ts';
import type { Rule } from '../snag.ts';

const COULD_BE_EASED = 2.5e-3; // m that filing the lip may find, common practice

/** Pump bodies that do not pass the opening side by side. */
export const openingTooSmall: Rule = {
  key: 'opening-too-small',
  check: ({ hanger: { opening } }) => {
    if (opening?.spare === undefined || opening.spare >= 0) return [];
    const hair = -opening.spare <= COULD_BE_EASED;
    const passing = (opening.passing ?? []).map((i) => opening.bodies[i]!.label);
    return [
      {
        grade: hair ? 'fix' : 'stop',
        stage: 'hanger',
        path: ['hanger', 'openingDiameter'],
        what: `${opening.bodies.length === 1 ? 'The pump does' : `${countWords[opening.bodies.length] ?? opening.bodies.length} pumps do`} not pass the opening.`,
        figure: { label: 'smallest round hole that takes them', ...figure('length', opening.needed) },
        limit: { label: 'opening less its lip', ...figure('length', opening.free!) },
        why: 'They are found out with the tank on the bench and the pumps bought.',
        cure: hair
          ? 'Ease the lip by the difference, or fit slimmer sleeves.'
          : `Fit ${passing.length === 0 ? 'a slimmer pump' : `only ${passing.join(' and ')}`}, or open the tank for a ring plate with a larger hole.`,
        source: 'geometry: smallest enclosing circle',
      },
    ];
  },
};
const countWords: Record<number, string> = { 2: 'Two', 3: 'Three', 4: 'Four' };
