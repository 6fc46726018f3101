import { z } from 'zod';
import { lineSchema } from '../fields/text.ts';
import { fittingLoss, type LossCoefficient } from '../hydraulics/loss-coefficient.ts';
import { degrees } from '../units/quick.ts';
import { fittingMaterials } from '../ratings/fitting-material.ts';
import { describePort, portSchema } from './port.ts';

/** What shape a fitting has. */
export const adapterShapes = {
  straight: 'straight adapter',
  elbow: 'elbow',
  hoseEnd: 'hose end',
  bulkhead: 'bulkhead fitting',
  reducer: 'reducer',
  tee: 'tee',
  y: 'Y-block',
  cap: 'cap',
  plug: 'plug',
  gaugePort: 'union with a gauge port',
  tubeEnd: 'end made on the tube',
  banjo: 'banjo',
} as const;
export type AdapterShape = keyof typeof adapterShapes;

/** How a hose end is put on its hose. */
export const endMakings = {
  reusable: 'two-piece, reusable',
  pushOn: 'push-on',
  crimped: 'crimped',
} as const;
export type EndMaking = keyof typeof endMakings;

const keysOf = <T extends object>(table: T) => Object.keys(table) as [keyof T & string, ...(keyof T & string)[]];
const length = (most: number) => z.number().min(0).max(most);

/** A part that joins ports to one another: of the generated catalogue or of the shop's own. SI; plain data. */
export const adapterSchema = z.strictObject({
  /** By it a job and the shelf name the part. */
  code: lineSchema(120).min(1),
  name: lineSchema(120).min(1),
  shape: z.enum(keysOf(adapterShapes)),
  /** Two of what fuel passes through; one of a cap or plug; three or more of what branches. */
  ports: z.array(portSchema).min(1).max(8),
  /** How far the fuel turns in it, rad. */
  angle: z
    .number()
    .min(0)
    .max(Math.PI + 1e-9),
  /** Smallest hole through it, m. */
  bore: length(0.1).gt(0),
  /** Between its ends, m. */
  length: length(0.5),
  /** Widest across flats, m: the room that it and its spanner want; 0 where there is none. */
  flats: length(0.2),
  material: z.enum(keysOf(fittingMaterials)),
  making: z.enum(keysOf(endMakings)).optional(),
  /** In the shop's own money, or typical units of it. */
  price: z.number().min(0).max(1e5),
  /** Pressure that it is rated for, Pa, where it states one. */
  maximumPressure: z.number().min(0).max(1e9).optional(),
});
export type Adapter = z.infer<typeof adapterSchema>;

/** For a person, with what it joins: “elbow 90°, brass: male 37° flare −6 to male NPT 3/8”. */
export const adapterInWords = ({ name, ports }: Pick<Adapter, 'name' | 'ports'>): string =>
  `${name}: ${ports.map(describePort).join(' to ')}`;

/** More than these between two ports is no joint but a heap. */
export const MOST_IN_CHAIN = 6;

/** An adapter with that one of its two ports first. */
export const entered = (adapter: Adapter, inlet: number): Adapter =>
  inlet === 0 ? adapter : { ...adapter, ports: [adapter.ports[1]!, adapter.ports[0]!, ...adapter.ports.slice(2)] };

/** A chain as it is read from its other end. */
export const turned = (chain: readonly Adapter[]): Adapter[] => chain.map((adapter) => entered(adapter, 1)).reverse();

/** Adapters of a chain that was found, each with its port on the side that it was looked for from first. */
export const adaptersOf = (chain: {
  readonly links: readonly { readonly adapter: Adapter; readonly in: number }[];
}): Adapter[] => chain.links.map((link) => entered(link.adapter, link.in));

const STRAIGHT_LOSS = 0.1; // K of a straight union on its own bore, typical, from memory

/** Loss of an adapter, K on its own bore: straight ones typical, from memory; bent ones by Darby's 3-K. */
export function adapterLoss({ shape, angle, bore }: Pick<Adapter, 'shape' | 'angle' | 'bore'>): LossCoefficient {
  if (angle === 0) return { k1: 0, kInfinity: STRAIGHT_LOSS };
  const swept = shape === 'hoseEnd';
  if (angle <= degrees(60)) return fittingLoss(swept ? 'elbow45Swept' : 'elbow45Tight', bore);
  const quarter = fittingLoss(swept ? 'elbow90Swept' : 'elbow90Tight', bore);
  const turns = angle / degrees(90);
  return { k1: quarter.k1 * turns, kInfinity: quarter.kInfinity * turns };
}
