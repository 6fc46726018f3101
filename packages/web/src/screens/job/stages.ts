import type { Stage } from '@endrel/core/job/stage';

interface StageEntry {
  readonly key: Stage;
  readonly name: string;
  /** Jumps to it after `g`. */
  readonly letter: string;
  /** What it settles, and what is measured first. */
  readonly about: string;
}

const entries: Readonly<Record<Stage, Omit<StageEntry, 'key'>>> = {
  brief: {
    name: 'Brief',
    letter: 'b',
    about:
      'What the engine burns and how much of it, which everything else has to bring. First: fuel, power and how the fuel enters.',
  },
  survey: {
    name: 'Survey',
    letter: 's',
    about:
      'The tank, its heights and what leads to and from it, as they are on the vehicle. First: the tank’s depth, with a rule through the opening.',
  },
  layout: {
    name: 'Layout',
    letter: 'l',
    about:
      'Which way the fuel goes: where the pressure is held and what comes back. First: compare the schools, then lay one out.',
  },
  hanger: {
    name: 'Pump & hanger',
    letter: 'p',
    about:
      'Where pump and pickup stand in the tank, and the plate that holds them. If a pump hangs there, first: rigid or sprung, then the gasket.',
  },
  run: {
    name: 'Run',
    letter: 'r',
    about:
      'Every part that the fuel passes, with pressure and flow at each. First: lengths and bores of hoses and lines, and the pump’s table.',
  },
  joints: {
    name: 'Joints',
    letter: 'j',
    about:
      'What meets what at every joint, and the adapters that make it seal. First: look at the ports and say their forms.',
  },
  gauge: {
    name: 'Gauge',
    letter: 'u',
    about:
      'Whether the needle tells the truth, and what has to stand between sender and gauge. First: ohms of the sender, empty and full.',
  },
  routes: {
    name: 'Routes',
    letter: 'o',
    about:
      'Where lines and hoses go under the vehicle, how long they are and what they pass. First: the datum, then the ends of each line.',
  },
  wiring: {
    name: 'Wiring',
    letter: 'w',
    about:
      'The pump’s circuit: volts that arrive, fuses, wires and what stops the pump. First: lay out a usual circuit, then measure its wires.',
  },
  cards: {
    name: 'Cards',
    letter: 'c',
    about: 'What to buy, cut and print, from all that the other stages settled. First: look for what is still open.',
  },
};

/** Every stage, in the order of the work. */
export const stageList: readonly StageEntry[] = (Object.keys(entries) as Stage[]).map((key) => ({
  key,
  ...entries[key],
}));
