import { z } from 'zod';
import type { Property } from '../fields/property.ts';
import type { Behaviour, PartRecord } from './define-part.ts';
import type { PortSpec } from './port.ts';
import { roles, type Role } from './roles.ts';
import { tank } from './tank/tank.ts';
import { sock } from './sock/sock.ts';
import { pump } from './pump/pump.ts';
import { enginePump } from './engine-pump/engine-pump.ts';
import { checkValve } from './check-valve/check-valve.ts';
import { hose } from './hose/hose.ts';
import { hardLine } from './hard-line/hard-line.ts';
import { fitting } from './fitting/fitting.ts';
import { bend } from './bend/bend.ts';
import { tee } from './tee/tee.ts';
import { y } from './y/y.ts';
import { block } from './block/block.ts';
import { filter } from './filter/filter.ts';
import { rail } from './rail/rail.ts';
import { carburettor } from './carburettor/carburettor.ts';
import { regulator } from './regulator/regulator.ts';
import { filterRegulator } from './filter-regulator/filter-regulator.ts';
import { returnDrop } from './return-drop/return-drop.ts';
import { swirlPot } from './swirl-pot/swirl-pot.ts';
import { pressureSensor } from './pressure-sensor/pressure-sensor.ts';
import { gauge } from './gauge/gauge.ts';
import { ethanolSensor } from './ethanol-sensor/ethanol-sensor.ts';
import { damper } from './damper/damper.ts';
import { fuelCooler } from './fuel-cooler/fuel-cooler.ts';
import { servicePoint } from './service-point/service-point.ts';
import { capital } from '../units/capital.ts';

/** Every kind of part, in the order in which fuel meets them. A new kind is a folder beside this file and a line here. */
export const partKinds = {
  tank,
  sock,
  pump,
  enginePump,
  checkValve,
  hose,
  hardLine,
  fitting,
  bend,
  tee,
  y,
  block,
  filter,
  rail,
  carburettor,
  regulator,
  filterRegulator,
  fuelCooler,
  returnDrop,
  swirlPot,
  pressureSensor,
  gauge,
  ethanolSensor,
  damper,
  servicePoint,
};

type Kinds = typeof partKinds;
export type PartKind = keyof Kinds;
export type PartOf<K extends PartKind> = { [Q in K]: PartRecord<Q, Kinds[Q]['properties']> }[K];
export type Part = PartOf<PartKind>;

const schemas = Object.values(partKinds).map((kind) => kind.schema) as [z.ZodObject, ...z.ZodObject[]];
export const partSchema = z.discriminatedUnion('kind', schemas as never) as unknown as z.ZodType<Part>;

type AnyKind = Behaviour<Part> & { readonly name: string };
/** What the kind of a part says of it. */
export const kindOf = (part: Part): AnyKind => partKinds[part.kind];

export const propertiesOf = (kind: PartKind): Record<string, Property> => partKinds[kind].properties;

/** The name a fitter reads: his own, or that of its place in the layout, or the kind's; "Pump 2" tells it from the first. */
export function partName(part: Part): string {
  const own = part.label?.trim();
  if (own) return own;
  const name = part.role ? capital(roles[part.role]) : partKinds[part.kind].name;
  const number = Number(/-(\d+)(?:-|$)/.exec(part.id)?.[1] ?? 1);
  return number > 1 && (!part.role || severalOf.has(part.role)) ? `${name} ${number}` : name;
}

/** Places that a layout may have more than one of. */
const severalOf: ReadonlySet<Role> = new Set(['branchHose']);

/** What a port of a part is, or undefined where its kind has none of that name. */
export function portOf(part: Part, port: string): PortSpec | undefined {
  const own = kindOf(part).ports(part);
  return Object.hasOwn(own, port) ? own[port] : kindOf(part).mayHave?.(port);
}
/** “inlet”, as the kind of part calls it. */
export const portName = (part: Part, port: string): string => portOf(part, port)?.name ?? port;
/** “Fine filter, inlet” */
export const portTitle = (part: Part, port: string): string => `${partName(part)}, ${portName(part, port)}`;

/** What the engine drinks from: its rails or its carburettor. */
export const isConsumer = (part: Part): part is PartOf<'rail' | 'carburettor'> =>
  part.kind === 'rail' || part.kind === 'carburettor';

export const isRegulator = (part: Part): part is PartOf<'regulator' | 'filterRegulator'> =>
  part.kind === 'regulator' || part.kind === 'filterRegulator';

/** A regulator that sends back what is too much. */
export const isBypass = (part: Part): part is PartOf<'regulator' | 'filterRegulator'> =>
  isRegulator(part) && part.action === 'bypass';

export const isPump = (part: Part): part is PartOf<'pump' | 'enginePump'> =>
  part.kind === 'pump' || part.kind === 'enginePump';

/** What bends by hand, and is clamped or made up at its ends. */
export const isFlexible = (part: Part): boolean => kindOf(part).isFlexible === true;

/** Hose and hard line: what is bought by length. */
export const isLine = (part: Part): part is PartOf<'hose' | 'hardLine'> =>
  part.kind === 'hose' || part.kind === 'hardLine';
