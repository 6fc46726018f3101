import { choice, flag, quantity } from '../fields/property.ts';
import { mm } from '../units/quick.ts';

/** Where a line lies and what keeps heat off it. */
export const heatProperties = {
  lies: choice(
    'lies',
    {
      tank: 'in the tank or at it',
      underbody: 'under the floor',
      exhaust: 'along the exhaust',
      bay: 'in the engine bay',
    },
    { hint: 'Unsaid: near the engine end of the run in the bay, else under the floor.' },
  ),
  exhaustGap: quantity('nearest to the exhaust', 'length', 'mm', { tool: 'tape', maximum: 3, likely: [mm(20), 0.5] }),
  shielded: flag('a heat shield stands between', 'Between it and the exhaust or a manifold, with air on both sides.'),
  sleeved: flag('a heat sleeve is on it'),
  standOff: quantity('clips hold it off hot metal by', 'length', 'mm', {
    tool: 'calipers',
    maximum: mm(100),
    likely: [mm(2), mm(40)],
    hint: 'Clear air between the line and the panel or engine it is clipped to.',
  }),
};

/** Where a line humps: what reaches over both of its ends. */
export const humpProperty = {
  highest: quantity('highest point on its way', 'length', 'mm', {
    tool: 'tape',
    minimum: -3,
    maximum: 3,
    hint: 'Above the tank floor, where it rises above both of its ends: air and vapour gather there. Reckoned half way along it.',
  }),
};

/** A line in the tank has no exhaust beside it. */
export const isHeatRelevant = (line: { readonly lies?: string }, key: string): boolean =>
  key !== 'exhaustGap' || line.lies !== 'tank';
