import { sayMm } from '../../routes/places-in-words.ts';
import { figure } from '../../units/quantity.ts';
import { quotedId } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Lines over the tank that nobody can undo before it is let down. */
export const tankCannotDrop: Rule = {
  key: 'tank-cannot-drop',
  check: ({ job, routes }) =>
    routes.heldTanks.map(({ line, next, most, unionAt }): SnagReport => ({
      grade: 'fix',
      part: line,
      stage: 'routes',
      path: ['routes', 'lines', line, 'through'],
      what: `The tank cannot be let down: ${quotedId(job, line)} holds it, and its joint lies on top of the tank.`,
      figure: { label: 'next joint along it', ...figure('length', next) },
      limit: { label: 'within', ...figure('length', most) },
      why: 'Somebody has to reach above a hanging tank, among fuel, to undo it.',
      cure: `Put a union or a quick connector ${sayMm(unionAt)} along it, where it has left the tank’s outline.`,
      source: 'common practice',
    })),
};
