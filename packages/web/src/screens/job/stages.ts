import type { Stage } from '@endrel/core/job/needs';

/** Stages in the order of the work, with the letter that jumps to each after `g`. */
export const stageList: readonly { readonly key: Stage; readonly name: string; readonly letter: string }[] = [
  { key: 'brief', name: 'Brief', letter: 'b' },
  { key: 'survey', name: 'Survey', letter: 's' },
  { key: 'layout', name: 'Layout', letter: 'l' },
  { key: 'hanger', name: 'Pump & hanger', letter: 'p' },
  { key: 'run', name: 'Run', letter: 'r' },
  { key: 'gauge', name: 'Gauge', letter: 'u' },
  { key: 'cards', name: 'Cards', letter: 'c' },
];
