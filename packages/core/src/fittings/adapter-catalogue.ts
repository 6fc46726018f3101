import { degrees, mm } from '../units/quick.ts';
import { adapterShapes, type Adapter, type AdapterShape, type EndMaking } from './adapter.ts';
import { fittingMaterials, type FittingMaterial } from '../ratings/fitting-material.ts';
import { portFormKeys, type PortFormKey } from './port-form.ts';
import { portSize, portSizes } from './port-size.ts';
import { sayPort, type Port } from './port.ts';

/** Ends that the bodies of adapters are made with. A nut that turns is a swivel. */
const bodyEnds: readonly (readonly [PortFormKey, Port['gender'], swivel?: true])[] = [
  ['flare37', 'male'],
  ['flare37', 'female', true],
  ['oRingBoss', 'male'],
  ['oRingBoss', 'female'],
  ['npt', 'male'],
  ['npt', 'female'],
  ['bspt', 'male'],
  ['bspp', 'male'],
  ['bspp', 'female', true],
  ['metricBanjo', 'male'],
  ['metricBanjo', 'female'],
  ['metricORing', 'male'],
  ['flare45', 'male'],
  ['flare45', 'female', true],
  ['invertedFlare', 'female'],
  ['barb', 'male'],
  ['quickConnector', 'male'],
  ['quickConnector', 'female', true],
  ['ferrule', 'female', true],
];
/** One end at least of an adapter is of a form that shops keep adapters to. */
const hubs = new Set<PortFormKey>(['flare37', 'npt', 'metricBanjo', 'barb', 'oRingBoss', 'bspp']);
/** Forms that elbows are made with, besides the hub that they lead to. */
const bent = new Set<PortFormKey>(['flare37', 'npt', 'oRingBoss', 'metricBanjo', 'barb', 'quickConnector', 'bspp']);
/** Most that one adapter bridges between the sizes of its ends: a larger step takes two. Common practice. */
const LARGEST_STEP = 1.75;
const elbowAngles = [45, 90] as const;
const hoseEndAngles = [0, 30, 45, 60, 90, 120, 150, 180] as const;
const BULKHEAD = mm(14); // more of thread for the wall and its nut, typical, from memory

const lightAlloy = new Set<PortFormKey>([
  'flare37',
  'oRingBoss',
  'npt',
  'metricBanjo',
  'barb',
  'bspp',
  'metricORing',
  'quickConnector',
  'hoseEnd',
  'hose',
]);
const steels = new Set<PortFormKey>(['flare37', 'oRingBoss', 'npt', 'bspp', 'bspt', 'metricORing', 'metricBanjo']);
const strong = new Set<PortFormKey>(['flare37', 'oRingBoss', 'npt']);

/** Typical units of money of a plain adapter by what it is made of; invented, for comparing. */
const prices: Record<FittingMaterial, number> = { aluminium: 6, steel: 5, stainless: 14, brass: 4, plastic: 3 };
/**
 * Light-alloy adapters are bored wider than steel ones of the same dash size, whose wall carries hydraulic pressure: share of the
 * way from the bore of SAE J514 to that of the tube. Typical, from memory.
 */
const ALLOY_OPENING = 0.5;

function materialsOf(forms: readonly PortFormKey[]): FittingMaterial[] {
  const made: FittingMaterial[] = [];
  if (forms.every((f) => lightAlloy.has(f))) made.push('aluminium');
  if (forms.every((f) => steels.has(f))) made.push('steel');
  if (forms.every((f) => strong.has(f))) made.push('stainless');
  return made.length > 0 ? made : ['brass'];
}

const sizeOf = (port: Port) => portSize(port.form, port.size)!;
const dashForms = new Set<PortFormKey>(['flare37', 'oRingBoss']);

/** Hole through a body with these ports, m. */
function boreOf(ports: readonly Port[], material: FittingMaterial): number {
  return Math.min(
    ...ports.map((port) => {
      const { bore, nominal } = sizeOf(port);
      return material === 'aluminium' && dashForms.has(port.form) ? bore + ALLOY_OPENING * (nominal - bore) : bore;
    }),
  );
}

const flatsOf = (ports: readonly Port[]) => Math.max(...ports.map((p) => sizeOf(p).flats[p.gender]));

interface Made {
  readonly shape: AdapterShape;
  readonly ports: Port[];
  readonly angle?: number; // degrees
  readonly material: FittingMaterial;
  readonly making?: EndMaking;
  readonly extra?: number; // m, of length
  readonly dear?: number; // times the price of a plain one
}

function make({ shape, ports, angle = 0, material, making, extra = 0, dear = 1 }: Made): Adapter {
  const large = Math.max(...ports.map((p) => sizeOf(p).nominal)) / mm(9.525);
  const turn = angle > 0 ? `${angle}° ` : '';
  const how = making === undefined ? '' : ` ${making}`;
  return {
    code: `${shape}${angle > 0 ? angle : ''}${how}: ${ports.map(sayPort).join(' + ')}, ${material}`,
    name: `${turn}${adapterShapes[shape]}${making === 'pushOn' ? ', push-on' : how && `,${how}`}, ${fittingMaterials[material]}`,
    shape,
    ports,
    angle: degrees(angle),
    bore: boreOf(ports, material),
    length:
      ports.slice(0, 2).reduce((sum, p) => sum + sizeOf(p).length, mm(8)) + extra + (angle > 0 ? mm(10) * large : 0),
    flats: flatsOf(ports),
    material,
    ...(making === undefined ? {} : { making }),
    price: Math.round(prices[material] * dear * (0.6 + 0.4 * large) * 100) / 100,
  };
}

const everyEnd = (): Port[] =>
  bodyEnds.flatMap(([form, gender, swivel]) =>
    Object.keys(portSizes(form)).map((size): Port => ({ form, size, gender, ...(swivel ? { swivel } : {}) })),
  );

function* bodies(): Generator<Adapter> {
  const ends = everyEnd();
  for (const [i, a] of ends.entries())
    for (const b of ends.slice(i)) {
      if (!hubs.has(a.form) && !hubs.has(b.form)) continue;
      const [x, y] = [sizeOf(a).nominal, sizeOf(b).nominal];
      const step = Math.max(x, y) / Math.min(x, y);
      if (step > LARGEST_STEP) continue;
      const same = a.form === b.form && a.size !== b.size;
      const [first, ...others] = materialsOf([a.form, b.form]);
      const shape = same ? 'reducer' : 'straight';
      yield make({ shape, ports: [a, b], material: first! });
      const plain = step < 1.3;
      if (plain) for (const material of others) yield make({ shape, ports: [a, b], material });
      if (plain && bent.has(a.form) && bent.has(b.form))
        for (const angle of elbowAngles)
          yield make({ shape: 'elbow', ports: [a, b], angle, material: first!, dear: 1.8 });
    }
}

/** Price of a hose end over that of a plain adapter, the press for a crimped one reckoned in. Typical, invented. */
const endWork: Record<EndMaking, number> = { reusable: 2, pushOn: 1.4, crimped: 2.4 };

function* hoseEnds(): Generator<Adapter> {
  for (const size of Object.keys(portSizes('hoseEnd'))) {
    const dash = size.split(' ')[0]!;
    const hose: Port = { form: 'hoseEnd', size, gender: 'male' };
    const swivel: Port = { form: 'flare37', size: dash, gender: 'female', swivel: true };
    const makings: EndMaking[] = size.includes('PTFE') ? ['reusable', 'crimped'] : ['reusable', 'pushOn', 'crimped'];
    for (const making of makings)
      for (const angle of hoseEndAngles) {
        const dear = endWork[making] * (angle === 0 ? 1 : 1.5);
        yield make({ shape: 'hoseEnd', ports: [hose, swivel], angle, material: 'aluminium', making, dear });
      }
    // straight onto pipe and metric threads, without a cone between
    const { nominal } = sizeOf(swivel);
    for (const form of ['npt', 'metricBanjo', 'oRingBoss'] as const)
      for (const other of Object.keys(portSizes(form))) {
        const to: Port = { form, size: other, gender: 'male' };
        const step = sizeOf(to).nominal / nominal;
        if (step < 0.7 || step > 1.4) continue;
        const banjo = form === 'metricBanjo';
        yield make({
          shape: banjo ? 'banjo' : 'hoseEnd',
          ports: [hose, banjo ? { ...to, swivel: true } : to],
          angle: banjo ? 90 : 0,
          material: 'aluminium',
          making: makings[0]!,
          dear: 2.2,
        });
      }
  }
}

/** What is made on the end of a tube: flared with nut and sleeve, beaded. */
function* tubeEnds(): Generator<Adapter> {
  const worked: readonly (readonly [PortFormKey, Port['gender']])[] = [
    ['flare37', 'female'],
    ['flare45', 'female'],
    ['invertedFlare', 'male'],
    ['bead', 'male'],
    ['quickConnector', 'male'],
  ];
  for (const size of Object.keys(portSizes('tube'))) {
    const tube: Port = { form: 'tubeEnd', size, gender: 'female' };
    const nominal = sizeOf(tube).nominal;
    for (const [form, gender] of worked)
      for (const other of Object.keys(portSizes(form))) {
        const to: Port = {
          form,
          size: other,
          gender,
          ...(form === 'bead' || form === 'quickConnector' ? {} : { swivel: true }),
        };
        if (Math.abs(sizeOf(to).nominal - nominal) > (form === 'bead' ? BEAD_OFF : mm(0.11))) continue;
        const isWhole = form === 'bead'; // the tube's own metal, with a hand tool
        const end = make({
          shape: 'tubeEnd',
          ports: [tube, to],
          material: 'steel',
          dear: isWhole ? 0 : doubled.has(form) ? DOUBLE_FLARE : 0.6,
        });
        yield { ...end, name: tubeEndNames[form] ?? end.name, bore: sizeOf(tube).bore, length: 0 };
      }
  }
}
/** Hose clamps down on a bead that is smaller, or stretches over one that is larger, by this. Common practice. */
const BEAD_OFF = mm(0.5);
/** A double flare, or a spigot, takes more tools and tries than a single flare. Common practice. */
const doubled = new Set<PortFormKey>(['flare45', 'invertedFlare', 'quickConnector']);
const DOUBLE_FLARE = 2.5;
const tubeEndNames: Partial<Record<PortFormKey, string>> = {
  flare37: 'tube nut and sleeve, 37° single flare on the tube',
  flare45: 'tube nut, 45° double flare on the tube',
  invertedFlare: 'inverted-flare tube nut, 45° double flare on the tube',
  bead: 'bead rolled on the tube',
  quickConnector: 'quick-connector spigot formed on the tube',
};

function* bulkheadsAndBranches(): Generator<Adapter> {
  for (const size of Object.keys(portSizes('flare37'))) {
    const cone: Port = { form: 'flare37', size, gender: 'male' };
    const nut: Port = { form: 'flare37', size, gender: 'female', swivel: true };
    const { nominal } = sizeOf(cone);
    for (const angle of [0, 45, 90])
      yield make({ shape: 'bulkhead', ports: [cone, cone], angle, material: 'aluminium', extra: BULKHEAD, dear: 1.6 });
    for (const barbed of Object.keys(portSizes('barb'))) {
      const barb: Port = { form: 'barb', size: barbed, gender: 'male' };
      if (Math.abs(sizeOf(barb).nominal / nominal - 1) < 0.3)
        yield make({ shape: 'bulkhead', ports: [cone, barb], material: 'aluminium', extra: BULKHEAD, dear: 1.6 });
    }
    const gauge: Port = { form: 'npt', size: '1/8', gender: 'female' };
    yield make({ shape: 'gaugePort', ports: [cone, nut, gauge], material: 'aluminium', dear: 1.7 });
    yield make({ shape: 'gaugePort', ports: [cone, cone, gauge], material: 'aluminium', dear: 1.7 });
    yield make({ shape: 'tee', ports: [cone, cone, cone], material: 'aluminium', dear: 2 });
    yield make({ shape: 'tee', ports: [nut, cone, cone], material: 'aluminium', dear: 2.2 });
    for (const branch of Object.keys(portSizes('flare37'))) {
      const leg: Port = { form: 'flare37', size: branch, gender: 'male' };
      if (sizeOf(leg).nominal > nominal || sizeOf(leg).nominal < nominal / 2) continue;
      yield make({ shape: 'y', ports: [cone, leg, leg], material: 'aluminium', dear: 2.5 });
    }
  }
}

function* closures(): Generator<Adapter> {
  for (const form of portFormKeys)
    for (const size of Object.keys(portSizes(form))) {
      if (['hose', 'hoseEnd', 'tube', 'tubeEnd', 'bead', 'barb', 'ferrule', 'neck'].includes(form)) continue;
      const material = materialsOf([form])[0]!;
      yield make({
        shape: 'cap',
        ports: [{ form, size, gender: 'female', ...(form === 'flare37' ? { swivel: true } : {}) }],
        material,
        dear: 0.5,
      });
      yield make({ shape: 'plug', ports: [{ form, size, gender: 'male' }], material, dear: 0.5 });
    }
}

function all(): Adapter[] {
  return [...bodies(), ...hoseEnds(), ...tubeEnds(), ...bulkheadsAndBranches(), ...closures()];
}

let made: { readonly list: readonly Adapter[]; readonly byCode: ReadonlyMap<string, Adapter> } | undefined;
const catalogue = () => {
  if (!made) {
    const list = all();
    made = { list, byCode: new Map(list.map((a) => [a.code, a])) };
  }
  return made;
};

/**
 * Generic adapters: families × sizes × shapes. Bores, flats, lengths and prices are typical, from memory; made when first asked
 * for.
 */
export const genericAdapters = (): readonly Adapter[] => catalogue().list;
export const genericAdapter = (code: string): Adapter | undefined => catalogue().byCode.get(code);
