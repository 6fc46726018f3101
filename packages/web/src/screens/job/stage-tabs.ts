import type { Stage, TabOf } from '@endrel/core/job/stage';

/** What the tabs of each stage are called; which there are and what stands on them, the core says. */
export const stageTabs = {
  brief: { engine: 'Engine and owner', fuel: 'Fuel', conditions: 'Conditions' },
  survey: { heights: 'Heights and lines', tank: 'Tank', vent: 'Vent and filler', old: 'Blocking off' },
  layout: {},
  hanger: { height: 'Height', opening: 'Opening', plate: 'Plate', pickup: 'Pickup, return, siphon' },
  run: { part: 'Parts and pressure', points: 'Operating points', heat: 'Heat over a drive', sizes: 'Sizes' },
  joints: {
    list: 'Joints',
    ratings: 'Ratings',
    room: 'Spanner room',
    bench: 'Bench and order',
    sizes: 'Common size',
    labels: 'Labels',
  },
  routes: { map: 'Map', lines: 'Lines', clearances: 'Clearances', places: 'Where to put it' },
  wiring: {
    circuit: 'Circuit',
    volts: 'Volts and sizes',
    cutOff: 'Cut-off',
    tank: 'Inside the tank',
    signals: 'Sender and sensors',
    lists: 'Lists and cuts',
    proof: 'How to prove it',
  },
  cards: {},
  gauge: { match: 'Match', sweep: 'Sweep', float: 'Float', card: 'Calibration' },
} as const satisfies { readonly [S in Stage]: Readonly<Record<TabOf<S>, string>> };
