import type { FieldPath } from '@endrel/core/fields/field-path';
import type { Stage } from '@endrel/core/job/stage';

/** A stage that is too much for one page is laid out on tabs; the first is shown unless the address names another. */
export const stageTabs = {
  brief: { engine: 'Engine and owner', fuel: 'Fuel', conditions: 'Conditions' },
  survey: { heights: 'Heights and lines', tank: 'Tank', vent: 'Vent and filler', old: 'Blocking off' },
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
  gauge: { match: 'Match', sweep: 'Sweep', float: 'Float', card: 'Calibration' },
} as const satisfies Partial<Record<Stage, Record<string, string>>>;

/** The tab that a stage shows when the address names none. */
export const firstTab = (stage: Stage): string | undefined =>
  Object.keys((stageTabs as Partial<Record<Stage, Record<string, string>>>)[stage] ?? {})[0];

const onTank = new Set<string | number>([
  'shape', 'capacity', 'length', 'width', 'cornerRadius', 'ends', 'dish', 'leftWidth', 'rightWidth', 'bridgeWidth', 'bridgeFloor',
  'leftFloor', 'rightFloor', 'sumpLength', 'sumpWidth', 'sumpDepth', 'sumpForward', 'sumpLeft', 'foam', 'foamShare', 'fillShare',
  'section', 'stations', 'zones', 'baffles', 'mesh', 'strapping', 'fills',
]); // prettier-ignore
const onVent = new Set<string | number>(['vent', 'ventHeight', 'fillerHeight', 'cap', 'capOpensAt']);
const onOpening = new Set<string | number>([
  'openingDiameter', 'lip', 'play', 'wallThickness', 'headroom', 'stiffLength', 'stiffWidth', 'reach', 'bodies', 'parts',
]); // prettier-ignore
const onPlate = new Set<string | number>(['plateHole', 'plateOutside', 'boltCircle', 'studs', 'studSize', 'ports']);
const onFuel = new Set<string | number>(['quotedMultiplier', 'testWater', 'testFuel', 'testBoundary']);
const onHeight = new Set<string | number>([
  'hold', 'depthFrom', 'gasketFree', 'gasketSqueezed', 'floorGap', 'preload', 'springTravel', 'stack', 'oldStack', 'sockThickness',
  'sockGive', 'outletRise', 'roomAbove', 'rods',
]); // prettier-ignore
const onFloat = new Set<string | number>([
  'floatLow', 'floatHigh', 'armLength', 'pivotHeight', 'stopDown', 'stopUp', 'floatRadius', 'wantLow', 'wantHigh', 'armSide',
  'pivotForward', 'pivotLeft',
]); // prettier-ignore

const stageOfGroup: Partial<Record<string, Stage>> = {
  assumptions: 'brief',
  points: 'run',
  survey: 'survey',
  hanger: 'hanger',
  run: 'run',
  gauge: 'gauge',
  joints: 'joints',
  bulkhead: 'joints',
  bench: 'joints',
  routes: 'routes',
  wiring: 'wiring',
};

/** The stage that a field is filled in on, by where it stands in the job. */
export const stageOfField = ([group]: FieldPath): Stage => stageOfGroup[String(group)] ?? 'brief';

const onMap = new Set<string | number>(['datum', 'tankFloor', 'points', 'zones']);
const onPlaces = new Set<string | number>(['candidates']);

function tabOfRoute([group, key = '', inner = '']: FieldPath): string {
  if (group === 'parts') return inner === 'ports' ? 'map' : 'lines';
  if (key === 'lines' || key === 'vent') return 'lines';
  return onMap.has(key) ? 'map' : onPlaces.has(key) ? 'places' : 'clearances';
}

const onWiring: Readonly<Partial<Record<string, string>>> = { mostDrop: 'volts', firstFuse: 'volts', scheme: 'lists', rolls: 'lists' }; // prettier-ignore

/** The tab that holds a field, where its stage has tabs. */
export function tabOfField(stage: Stage, path: FieldPath): string | undefined {
  const [group, key = '', inner = ''] = path;
  if (stage === 'survey') {
    if (group !== 'survey') return undefined;
    if (key === 'vent' || (key === 'tank' && onVent.has(inner))) return 'vent';
    if (key === 'oldConnections') return 'old';
    return key === 'tank' && onTank.has(inner) ? 'tank' : 'heights';
  }
  if (stage === 'hanger')
    return onHeight.has(key) ? 'height' : onOpening.has(key) ? 'opening' : onPlate.has(key) ? 'plate' : 'pickup';
  if (stage === 'brief')
    return group === 'assumptions' ? 'conditions' : onFuel.has(key) ? 'fuel' : group === 'brief' ? 'engine' : undefined;
  if (stage === 'run') return group === 'points' ? 'points' : 'part';
  if (stage === 'joints') return group === 'bulkhead' ? 'room' : group === 'bench' ? 'bench' : 'list';
  if (stage === 'routes') return tabOfRoute(path);
  if (stage === 'wiring') return onWiring[String(key)] ?? 'circuit';
  if (stage === 'gauge') return key === 'sweep' ? 'sweep' : onFloat.has(key) ? 'float' : 'match';
  return undefined;
}
