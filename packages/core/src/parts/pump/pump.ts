import { z } from 'zod';
import { bar, kPa, mm } from '../../units/quick.ts';
import { choice, flag, quantity, TYPICAL, type SpecialProperty } from '../../fields/property.ts';
import { pumpTableSchema } from '../../pumps/pump-table.ts';
import { pumpModel } from '../../pumps/pump-model.ts';
import { pumpRuns } from '../../pumps/staging.ts';
import { definePart } from '../define-part.ts';
import { specification } from '../list-line.ts';
import { STOPPED_PUMP } from '../../hydraulics/network.ts';
import { SURFACE, type LoweredLink, type Moment } from '../lower.ts';

const tables: SpecialProperty<z.ZodArray<typeof pumpTableSchema>> = {
  type: 'pumpTable',
  name: 'flow table',
  hint: 'From the pump’s data sheet: flow, and current if given, at a few pressures and one or more voltages.',
  schema: z.array(pumpTableSchema).max(6),
};

/** Seat of a pump's relief valve, wide open; typical, from memory. */
const RELIEF_SEAT = { bore: mm(5), k: 6 };
const properties = {
  place: choice('place', { inTank: 'in the tank', external: 'outside, in line' }, { needed: true }),
  inletHeight: quantity('inlet height', 'length', 'mm', {
    tool: 'tape',
    minimum: -3,
    maximum: 3,
    hint: 'Height of the pump’s inlet above the tank floor; below the floor is negative.',
  }),
  tables,
  works: choice(
    'pump is',
    { turbine: 'a turbine (impeller)', displacement: 'a displacement pump (gears, rollers, vanes)' },
    { hint: 'Tells how its flow follows its speed at a voltage that its table does not have. A turbine stands in.' },
  ),
  checkValve: flag('check valve in the outlet', 'Holds the line full when the pump stops.'),
  reversed: flag('arrow points against the flow'),
  runs: choice('runs', {
    always: 'whenever the engine runs',
    onDemand: 'when the engine burns more than …',
    onBoost: 'when the boost is above …',
  }),
  startsAtDemand: quantity('starts when the engine burns', 'volumeFlow', 'L/h', { maximum: 3e-4, step: 10 }),
  startsAtBoost: quantity('starts at boost', 'pressure', 'kPa', { maximum: kPa(400) }),
  drive: choice('driven by', {
    full: 'the system voltage',
    pwm: 'a pump controller (PWM) that holds a pressure',
  }),
  targetPressure: quantity('pressure that the controller holds', 'pressure', 'kPa', {
    maximum: bar(15),
    likely: [bar(2), bar(7)],
  }),
  targetReferenced: flag('the held pressure follows the manifold'),
  sensorExpected: choice('the controller expects its pressure sensor', {
    rail: 'on the rail',
    tank: 'near the tank',
  }),
  leastDuty: quantity('least duty of the controller', 'fraction', '%', {
    maximum: 1,
    typical: { si: 0.2, source: TYPICAL },
  }),
  reliefPressure: quantity('relief valve opens at', 'pressure', 'kPa', { maximum: 2e6 }),
};

export const pump = definePart('pump', 'Pump', properties, {
  ports: () => ({ in: { name: 'inlet', use: 'in' }, out: { name: 'outlet', use: 'out' } }),
  blocks: (key) => ['tables', 'targetPressure', 'startsAtDemand', 'startsAtBoost'].includes(key),
  needs: (part) => [
    ...(part.tables?.length ? [] : ['tables']),
    ...(part.place === 'external' ? ['inletHeight'] : []),
    ...(part.drive === 'pwm' ? ['targetPressure', 'sensorExpected'] : []),
    ...(part.runs === 'onDemand' ? ['startsAtDemand'] : []),
    ...(part.runs === 'onBoost' ? ['startsAtBoost'] : []),
  ],
  isRelevant(part, key) {
    switch (key) {
      case 'inletHeight':
        return part.place !== 'inTank';
      case 'startsAtDemand':
        return part.runs === 'onDemand';
      case 'startsAtBoost':
        return part.runs === 'onBoost';
      case 'targetPressure':
      case 'targetReferenced':
      case 'sensorExpected':
      case 'leastDuty':
        return part.drive === 'pwm';
      default:
        return true;
    }
  },
  isInTank: ({ place }) => place === 'inTank',
  isElectric: true,
  deadHead(part, voltage) {
    const model = pumpModel(part);
    if (!model.ok) return undefined;
    const { deadHead, deadHeadBeyondTable } = model.value.at(voltage);
    const relief = part.reliefPressure?.si;
    return {
      rise: Math.min(deadHead, relief ?? Infinity),
      beyondTable: deadHeadBeyondTable && relief === undefined,
      relieved: relief !== undefined,
    };
  },
  isControlled: ({ drive }) => drive === 'pwm',
  holdsBack: ({ checkValve }) => checkValve === true,
  standsOutside: ({ place }) => place === 'external',
  buys(part, say) {
    const rated = part.tables?.[0];
    const row = rated?.rows.find((r) => Math.abs(r.pressure.si - 3e5) < 1e3) ?? rated?.rows[0];
    return specification(
      part.place === 'inTank' ? 'in-tank pump' : part.place === 'external' ? 'external pump' : 'pump',
      row &&
        `${say('volumeFlow', row.flow.si)} at ${say('pressure', row.pressure.si)} and ${say('voltage', rated!.voltage.si)}`,
      part.checkValve && 'check valve',
      part.drive === 'pwm' && 'with its controller (PWM)',
      part.reliefPressure && `relief ${say('pressure', part.reliefPressure.si)}`,
    );
  },
  symbol: () => 'pump',
  lower(part, site) {
    const { id, reliefPressure } = part;
    const model = pumpModel(part);
    if (!model.ok) throw new RangeError(`pump table of ${id}: ${model.fault.code}`);
    const curve = (moment: Moment) => (pumpRuns(part, moment.point) ? model.value.at(moment.voltageAt(id)) : undefined);
    const links: LoweredLink[] = [
      {
        id,
        from: 'in',
        to: 'out',
        law: (moment) => {
          const running = curve(moment);
          return running
            ? { kind: 'pump', rise: running.rise, inletMinimum: moment.boilingAt?.(id) }
            : { kind: 'porous', linear: STOPPED_PUMP, quadratic: 0 };
        },
        // only beside another can fuel be pressed back through one: alone a check valve changes nothing
        checkValve: part.checkValve === true && site.isBeside,
      },
    ];
    if (reliefPressure)
      links.push({
        id: `${id}:relief`,
        from: 'out',
        to: part.place === 'external' ? 'in' : SURFACE,
        startsShut: true,
        law: { kind: 'bypassRegulator', set: reliefPressure.si, slope: 0, ...RELIEF_SEAT },
      });
    const height = part.inletHeight?.si ?? (part.place === 'inTank' ? 0 : undefined);
    return {
      links,
      through: id,
      heights: [
        ['in', height],
        ['out', height],
      ],
      pump: { link: id, curve },
    };
  },
});
