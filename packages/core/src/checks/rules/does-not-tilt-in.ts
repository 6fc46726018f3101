import { figure } from '../../units/quantity.ts';
import type { Rule } from '../snag.ts';

/** A stiff part that cannot be tilted through the opening into the tank, or a part said not to come off that is too wide. */
export const doesNotTiltIn: Rule = {
  key: 'does-not-tilt-in',
  check: ({ hanger: { tilt, strip } }) => [
    ...(tilt && !tilt.passes
      ? [
          {
            grade: 'stop',
            stage: 'hanger',
            path: ['hanger', 'stiffLength'],
            what: 'The longest stiff part does not go in at any angle.',
            figure: { label: 'its length', ...figure('length', tilt.length) },
            limit: { label: 'longest that goes in', ...figure('length', tilt.longest) },
            why: 'It meets what is above the opening, the far edge of the hole or a wall before it is in.',
            cure: 'Lower the tank for more room above, make the part in two, or open the hole.',
            source: 'geometry, in section',
          } as const,
        ]
      : []),
    ...(strip?.stuck ?? []).map(
      ({ id, label }) =>
        ({
          which: id,
          grade: 'stop',
          stage: 'hanger',
          what: `“${label}” is wider than the opening and does not come off.`,
          why: 'The hanger cannot be put in as one piece.',
          cure: 'Find a way to take it off and on through the opening, or choose a smaller one.',
          source: 'geometry',
        }) as const,
    ),
  ],
};
