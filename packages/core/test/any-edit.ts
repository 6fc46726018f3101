import fc from 'fast-check';
import type { Act } from '../src/acts/act.ts';
import { tryAct } from '../src/acts/apply-act.ts';
import { valueAt } from '../src/acts/at-path.ts';
import { genericAdapters } from '../src/fittings/adapter-catalogue.ts';
import { throughPorts } from '../src/acts/graph-edit.ts';
import { portsOf } from '../src/parts/graph.ts';
import { jointProperties } from '../src/parts/joint.ts';
import { isLine, isRegulator, kindOf, partKinds, propertiesOf, type Part, type PartKind } from '../src/parts/kinds.ts';
import { circuitsOf } from '../src/run/circuits.ts';
import type { Job } from '../src/job/job.ts';
import type { Root } from '../src/job/define-root.ts';
import { roots } from '../src/job/roots.ts';
import { layouts, type LayoutKey } from '../src/job/layout.ts';
import { regulatorPlaces } from '../src/acts/move-regulator.ts';
import type { Property, QuantityProperty } from '../src/fields/property.ts';
import { lineRouteProperties, zoneKinds } from '../src/job/routes.ts';
import { setOnPort } from '../src/acts/set-on-port.ts';
import type { PortRef } from '../src/parts/port.ts';
import { linePorts } from '../src/routes/line-ports.ts';
import { deviceKinds, kindOfDevice, type DeviceKind } from '../src/harness/devices/index.ts';
import { wireProperties } from '../src/harness/harness.ts';
import { harnessTemplates } from '../src/harness-templates/index.ts';

/** Numbers from 0 to 1 that decide what an edit is on the job that it meets. */
export type Dice = readonly [kind: number, place: number, key: number, size: number, spread: number];
const die = fc.noBias(fc.integer({ min: 0, max: 99_999 })).map((n) => n / 1e5); // fc.double favours tiny numbers
export const anyDice: fc.Arbitrary<Dice> = fc.tuple(die, die, die, die, die);

const pick = <T>(list: readonly T[], thrown: number): T => list[Math.floor(thrown * list.length)]!;

/** Any size that the field takes, small and large ones alike; sometimes its limits. */
function anyQuantity({ field, typical }: QuantityProperty, size: number, spread: number) {
  const [least, most] = [field.minimum ?? 0, field.maximum ?? (typical?.si ?? 1) * 100];
  const at = size < 0.06 ? 0 : size > 0.94 ? 1 : spread < 0.5 ? size ** 4 : size;
  return { si: least + (most - least) * at, unit: field.unit };
}

/** A value that the property's form lets in, or undefined: unknown again. */
function anyValue(property: Property, size: number, spread: number): unknown {
  if (spread > 0.85) return undefined;
  switch (property.type) {
    case 'quantity':
      return anyQuantity(property, size, spread);
    case 'choice':
      return pick(Object.keys(property.options), size);
    case 'flag':
      return size < 0.5;
    case 'count':
      return Math.round(size * property.most);
    default:
      return undefined;
  }
}

type Place = readonly [path: readonly string[], fields: Readonly<Record<string, Property>>];
const below = (root: string, at: string): string[] => [root, ...(at === '' ? [] : at.split('/'))];
const thrownAt = Object.entries<Root>(roots).filter(([, root]) => root.isThrownAt !== false);
/** Sections and lists of every root: one that is registered is edited by itself. */
const groups = thrownAt.flatMap(([key, root]) =>
  Object.entries(root.groups).flatMap(([at, { fields }]): Place[] =>
    Object.keys(fields).length > 0 ? [[below(key, at), fields]] : [],
  ),
);
const lists = thrownAt.flatMap(([key, root]) =>
  Object.entries(root.lists).map(([at, { fields }]): Place => [below(key, at), fields]),
);

/** An edit of where things are and how a line goes between. */
function routeEdit(job: Job, [, place, key, size, spread]: Dice, nth: number): Act {
  const lines = circuitsOf(job).parts.filter(isLine);
  const line = lines.length > 0 ? pick(lines, place).id : 'none';
  const where = (axis: number) => ({ si: Math.round(2000 * ((size * 7 + axis * 0.31) % 1) - 1000) / 1000, unit: 'mm' });
  const at = { rearward: where(0), left: where(1), up: where(2) };
  const [name, property] = pick(Object.entries(lineRouteProperties as Record<string, Property>), key);
  switch (Math.floor(spread * 5)) {
    case 0: {
      const ref = pick(linePorts(job), place) as PortRef | undefined;
      return ref
        ? setOnPort(job, ref, 'place', { ...at, heading: { si: 6 * key - 3, unit: '°' } })
        : { act: 'set', path: ['routes', 'tankFloor'], value: where(0) };
    }
    case 1:
      return {
        act: 'routeLine',
        id: line,
        changes: [{ key: 'through', value: [{ id: `place-${nth}`, ...at, clip: size < 0.5 }] }],
        title: 'a way',
      };
    case 2:
      return {
        act: 'routeLine',
        id: line,
        changes: [{ key: name, value: anyValue(property, size, key) }],
        title: 'a line',
      };
    case 3:
      return {
        act: 'addRow',
        path: ['routes', 'zones'],
        row: {
          id: `zone-${nth}`,
          kind: pick(Object.keys(zoneKinds), key),
          shape: size < 0.5 ? 'box' : 'pipe',
          radius: { si: 0.03, unit: 'mm' },
          a: at,
          b: { rearward: where(3), left: where(4), up: where(5) },
        },
      };
    default:
      return {
        act: 'set',
        path: ['routes', 'vent'],
        value:
          size < 0.3
            ? undefined
            : {
                start: { ...at, tilt: { si: 1, unit: '°' } },
                finish: { rearward: where(3), left: where(4), up: where(5) },
              },
      };
  }
}

const inChains = genericAdapters().filter((a) => a.ports.length === 2);

/** A new row in a list, or one figure of a row that is there. */
function rowEdit(job: Job, [, place, key, size, spread]: Dice, nth: number): Act {
  const [path, properties] = pick(lists, place);
  const rows = (valueAt(job, path) as { id: string }[] | undefined) ?? [];
  if (rows.length === 0 || (key < 0.2 && rows.length < 4))
    return { act: 'addRow', path: [...path], row: { id: `new-${nth}` } };
  const [name, property] = pick(Object.entries(properties), key);
  return {
    act: 'set',
    path: [...path, rows[Math.floor(size * 997) % rows.length]!.id, name],
    value: anyValue(property, size, spread),
  };
}

/** A joint of the run, a port that is free, and ports of any kind: what acts on the graph choose among. */
const jointsOf = (job: Job) => Object.keys(job.joints);
const freePorts = (job: Job) =>
  circuitsOf(job).parts.flatMap((p) =>
    portsOf(job, p).flatMap((port) => (port.peer ? [] : [{ part: p.id, port: port.port }])),
  );

/** An edit of the run itself. */
function graphEdit(job: Job, [, place, key, size, spread]: Dice, nth: number): Act {
  const parts = Object.values(job.parts);
  const joints = jointsOf(job);
  const free = freePorts(job);
  const { id } = pick(parts, place);
  const kind = pick(Object.keys(partKinds) as PartKind[], key);
  const part = { kind, id: `added-${nth}` } as Part;
  const ends = throughPorts(part);
  const joint = pick(joints, size) ?? 'none';
  const port = Object.keys(kindOf(part).ports(part))[0] ?? 'pickup-9';
  switch (Math.floor(spread * 11)) {
    case 0:
      return { act: 'takeOut', id };
    case 1:
      return { act: 'setAside', id };
    case 2:
      return { act: 'movePart', id, joint };
    case 3:
      return { act: 'swapPart', id, by: part };
    case 4:
      return { act: 'turnRound', id };
    case 5:
      return { act: 'disconnect', joint };
    case 6:
      return free.length > 1 ? { act: 'connect', a: pick(free, size), b: pick(free, key) } : { act: 'turnRound', id };
    case 7:
      return { act: 'closePorts', id, with: size < 0.5 ? 'capped' : 'plugged' };
    case 8:
      return free.length > 0 ? { act: 'attachPart', to: pick(free, size), part, port } : { act: 'addPart', part };
    default:
      return ends ? { act: 'insertPart', joint, part, in: ends[0], out: ends[1] } : { act: 'addPart', part };
  }
}

/** Another part beside one, or an instrument on a joint. */
function besideEdit(job: Job, [, place, key, size, spread]: Dice, nth: number): Act {
  const parts = Object.values(job.parts);
  const joint = pick(jointsOf(job), size) ?? 'none';
  if (spread < 0.4)
    return { act: 'tapIn', joint, part: { kind: 'gauge', id: `added-${nth}` }, port: 'port', tee: `tee-${nth}` };
  const { ports: _ports, ...like } = pick(parts, place);
  return {
    act: 'addBeside',
    id: like.id,
    part: { ...like, id: `added-${nth}` } as Part,
    by: size < 0.5 ? 'tee' : 'y',
    ownPickup: key < 0.5,
    checkValves: size < 0.3,
    isWired: key < 0.3,
  };
}

/** An edit of the circuit: a field of a wire or device, a wire's end, a device more or less, another layout. */
function wiringEdit(job: Job, [, place, key, size, spread]: Dice, nth: number): Act {
  const { devices = [], wires = [] } = job.wiring ?? {};
  const template = pick(Object.values(harnessTemplates), key);
  const kind = pick(Object.keys(deviceKinds) as DeviceKind[], key);
  const end = (at: number) => {
    const device = pick(devices, at);
    const terminals = Object.keys(kindOfDevice(device).terminals(device));
    return { device: device.id, terminal: pick(terminals, (at * 7.13) % 1) };
  };
  if (devices.length === 0 || spread < 0.06)
    return { act: 'set', path: ['wiring'], value: template.build(job, job.wiring ?? {}) };
  if (spread < 0.14) return { act: 'addRow', path: ['wiring', 'devices'], row: { id: `device-${nth}`, kind } };
  if (spread < 0.3)
    return {
      act: 'addRow',
      path: ['wiring', 'wires'],
      row: {
        id: `wire-new-${nth}`,
        from: end(place),
        to: end(key),
        area: { si: 1e-6 + size * 5e-6, unit: 'mm²' },
        length: { si: size, unit: 'm' },
      },
    };
  if (spread < 0.36) return { act: 'removeRow', path: ['wiring', 'devices'], id: pick(devices, place).id };
  if (spread < 0.42 && wires.length > 0)
    return { act: 'removeRow', path: ['wiring', 'wires'], id: pick(wires, place).id };
  if (spread < 0.5 && wires.length > 0)
    return {
      act: 'set',
      path: ['wiring', 'wires', pick(wires, place).id, size < 0.5 ? 'from' : 'to'],
      value: end(key),
    };
  const device = pick(devices, place);
  const isWire = spread < 0.78 && wires.length > 0;
  const row = isWire ? pick(wires, place) : device;
  const properties: Record<string, Property> = isWire ? wireProperties : deviceKinds[device.kind].properties;
  const [name, property] = pick(Object.entries(properties), key) ?? ['label', undefined];
  return {
    act: 'set',
    path: ['wiring', isWire ? 'wires' : 'devices', row.id, name],
    value: property && anyValue(property, size, (spread * 13) % 1),
  };
}

/** The edit that these dice are on this job. */
function editOf(job: Job, dice: Dice, nth: number): Act {
  const [kind, place, key, size, spread] = dice;
  const parts = Object.values(job.parts);
  if (kind < 0.1) return rowEdit(job, dice, nth);
  if (kind < 0.16) return routeEdit(job, dice, nth);
  if (kind < 0.27) return wiringEdit(job, dice, nth);
  if (kind < 0.4 || parts.length === 0) {
    const [path, properties] = pick(groups, place);
    const [name, property] = pick(Object.entries(properties), key);
    return { act: 'set', path: [...path, name], value: anyValue(property, size, spread) };
  }
  const { id, kind: of } = pick(parts, place);
  if (kind < 0.64) {
    const [name, property] = pick(Object.entries(propertiesOf(of)), key) ?? ['label', undefined];
    return { act: 'setOnPart', id, key: name, value: property && anyValue(property, size, spread) };
  }
  if (kind < 0.68 && jointsOf(job).length > 0) {
    if (size > 0.6) {
      // any adapters, whether they mate there or not
      const chain = Array.from({ length: 1 + Math.floor(spread * 3) }, (_, i) =>
        pick(inChains, (key * 31 + i * 0.37) % 1),
      );
      const change = { id: pick(jointsOf(job), place), key: 'chain', ...(size > 0.95 ? {} : { value: chain }) };
      return { act: 'setOnJoints', changes: [change], title: 'adapters' };
    }
    const [name, property] = pick(Object.entries(jointProperties as Record<string, Property>), key);
    const change = { id: pick(jointsOf(job), place), key: name, value: anyValue(property, size, spread) };
    return { act: 'setOnJoints', changes: [change], title: 'a joint' };
  }
  if (kind < 0.9) return graphEdit(job, dice, nth);
  if (kind < 0.95) return { act: 'chooseLayout', key: pick(Object.keys(layouts) as LayoutKey[], place) };
  if (kind >= 0.985) return besideEdit(job, dice, nth);
  const to = pick(Object.keys(regulatorPlaces) as (keyof typeof regulatorPlaces)[], key);
  return { act: 'moveRegulator', id: parts.find(isRegulator)?.id ?? id, to };
}

/** Edits one after the other; those that cannot be done leave the job as it is. */
export const edited = (job: Job, dice: readonly Dice[]): Job =>
  dice.reduce((changed, d, i) => {
    const done = tryAct(changed, editOf(changed, d, i));
    return done.ok ? done.value : changed;
  }, job);

/** The acts themselves that these dice come to, each on the job that the ones before left, with that job. */
export function actsOf(job: Job, dice: readonly Dice[]): { act: Act; before: Job; after: Job }[] {
  const done: { act: Act; before: Job; after: Job }[] = [];
  let at = job;
  dice.forEach((d, i) => {
    const act = editOf(at, d, i);
    const made = tryAct(at, act);
    if (!made.ok) return;
    done.push({ act, before: at, after: made.value });
    at = made.value;
  });
  return done;
}

/** Infinite here means that there is no limit, or no such resistor. */
const MAY_BE_INFINITE = /\.(mayBePressed|passage\.headroom|network\.parallel)$/;

/** Where in a plain value a number is none, as "snags.0.figure.si". */
export function notNumbers(value: unknown, path = ''): string[] {
  if (typeof value === 'number')
    return Number.isFinite(value) || (value === Infinity && MAY_BE_INFINITE.test(path)) ? [] : [`${path} is ${value}`];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => notNumbers(inner, path ? `${path}.${key}` : key));
}
