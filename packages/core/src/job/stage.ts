/** The stages of the work, in its order. */
export const stages = [
  'brief',
  'survey',
  'layout',
  'hanger',
  'run',
  'joints',
  'gauge',
  'routes',
  'wiring',
  'cards',
  'plan',
  'wetTest',
  'record',
] as const;
export type Stage = (typeof stages)[number];
