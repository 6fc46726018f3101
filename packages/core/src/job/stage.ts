/** The stages of the work, in its order, each with its tabs; the first is shown unless the address names another. */
export const stageTabs = {
  brief: ['engine', 'fuel', 'conditions'],
  survey: ['heights', 'tank', 'vent', 'old'],
  layout: [],
  hanger: ['height', 'opening', 'plate', 'pickup'],
  run: ['part', 'points', 'heat', 'sizes'],
  joints: ['list', 'ratings', 'room', 'bench', 'sizes', 'labels'],
  gauge: ['match', 'sweep', 'float', 'card'],
  routes: ['map', 'lines', 'clearances', 'places'],
  wiring: ['circuit', 'volts', 'cutOff', 'tank', 'signals', 'lists', 'proof'],
  cards: [],
} as const satisfies Record<string, readonly string[]>;
export type Stage = keyof typeof stageTabs;
export type TabOf<S extends Stage> = (typeof stageTabs)[S][number];

/** The tab that a stage shows when the address names none. */
export const firstTab = (stage: Stage): string | undefined => stageTabs[stage][0];
