import type { Stage } from '@endrel/core/job/needs';

interface StageEntry {
  readonly key: Stage;
  readonly name: string;
  /** Jumps to it after `g`. */
  readonly letter: string;
}

/** Stages that have a screen, in the order of the work; the others of the core's list show once they have one. */
export const stageList: readonly StageEntry[] = [
  { key: 'brief', name: 'Brief', letter: 'b' },
  { key: 'survey', name: 'Survey', letter: 's' },
  { key: 'layout', name: 'Layout', letter: 'l' },
  { key: 'hanger', name: 'Pump & hanger', letter: 'p' },
  { key: 'run', name: 'Run', letter: 'r' },
  { key: 'joints', name: 'Joints', letter: 'j' },
  { key: 'gauge', name: 'Gauge', letter: 'u' },
  { key: 'routes', name: 'Routes', letter: 'o' },
  { key: 'wiring', name: 'Wiring', letter: 'w' },
  { key: 'cards', name: 'Cards', letter: 'c' },
];
