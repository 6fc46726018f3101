import type { Say } from '../units/unit-system.ts';
import { z } from 'zod';
import { seals } from '../ratings/material-fuel.ts';
import { choice, idSchema, namesOf, objectOf, prose, text, type Property } from '../fields/property.ts';
import type { Measured } from '../fields/measured.ts';
import type { Lowered, Site } from './lower.ts';
import { portNameSchema, portStateSchema, type PortSpec, type PortState } from './port.ts';
import { roles } from './roles.ts';

/** What every part may carry besides its kind's own properties. */
export const commonProperties = {
  label: text('name', 60),
  role: choice('place in the layout', roles, {
    hint: 'By it layouts and cures find the part again, whatever it is called.',
  }),
  seals: choice('seals', namesOf(seals)),
  note: prose('note', 400),
};

type Values<P extends Record<string, Property>> = { [K in keyof P]?: z.infer<P[K]['schema']> };

/** One part of the run: what was measured or chosen of it. */
export type PartRecord<K extends string, P extends Record<string, Property>> = Values<P> &
  Values<typeof commonProperties> & {
    id: string;
    kind: K;
    /** What is known of its ports, by name; a port that only some have is there once it stands here or is joined. */
    ports?: Record<string, PortState>;
    /** Kept with its measurements, but not on the run. */
    aside?: true;
  };

/** Keys by which the drawings know how to draw a part. */
export type SymbolKey =
  | 'tank'
  | 'sock'
  | 'pump'
  | 'enginePump'
  | 'checkValve'
  | 'hose'
  | 'hardLine'
  | 'fitting'
  | 'bend'
  | 'tee'
  | 'y'
  | 'block'
  | 'filter'
  | 'filterRegulator'
  | 'bypassRegulator'
  | 'deadHeadRegulator'
  | 'rail'
  | 'carburettor'
  | 'returnDrop'
  | 'swirlPot'
  | 'sensor'
  | 'gauge'
  | 'flowSensor'
  | 'damper'
  | 'service'
  | 'cooler';

/** Pressure of a pump at no flow. */
export interface DeadHead {
  readonly rise: number; // Pa over its inlet
  /** Read beyond the last row of its table. */
  readonly beyondTable: boolean;
  /** Its own relief valve or spring is what ends it. */
  readonly relieved: boolean;
}

/** What a kind of part says of itself; everything else that must know of it asks here. */
export interface Behaviour<T> {
  /** Ports that every part of the kind has, by name. */
  ports(part: T): Record<string, PortSpec>;
  /** Ports that some have: what a port of that name is, or undefined where the kind knows none such. */
  mayHave?(port: string): PortSpec | undefined;
  /** What it is in the network. Called only when nothing that `blocks` is unknown. */
  lower(part: T, site: Site): Lowered;
  /** Whether the flow cannot be computed while that property is unknown. */
  blocks(key: string): boolean;
  /** Properties that this very part needs although the kind in general does not. */
  needs?(part: T): readonly string[];
  /** Whether a property says anything about it as it stands. */
  isRelevant?(part: T, key: string): boolean;
  /** Bore that the fuel meets in it, m. */
  bore?(part: T): number | undefined;
  /** Length of line in it, m. */
  length?(part: T): number;
  /** Fuel in it where that is more than bore and length tell, m3. */
  holds?(part: T): number;
  /** Pressure that it is made for, Pa gauge; undefined while nobody has read it. What has a `maximumPressure` is rated by that. */
  rated?(part: T): number | undefined;
  /** What it does to the fuel’s heat: W/K that it sheds to the air as it is driven. */
  heat?(part: T): { readonly sheds: number };
  /** Where it is bought: its specification; undefined for what the vehicle has. */
  buys(part: T, say: Say): string | undefined;
  /** How a length is cut, for kinds that are cut, in a sentence or two. */
  cut?(say: Say): string;
  symbol(part: T): SymbolKey;
  /** Holds fuel at tank pressure: circuits begin and end in it. */
  isVessel?: boolean;
  /** A vessel beside the tank that a lift pump keeps full; what is too much runs over. */
  isPot?: true;
  /** Driven by current: it hangs in the circuit. */
  isElectric?: true;
  /** Of a pump: what it makes against a blocked line, Pa; undefined while its table cannot be read. */
  deadHead?(part: T, voltage: number): DeadHead | undefined;
  /** A controller holds the pressure by its duty. */
  isControlled?(part: T): boolean;
  /** Lets nothing back through it. */
  holdsBack?(part: T): boolean;
  /** Stands outside the tank and has to draw its fuel itself. */
  standsOutside?(part: T): boolean;
  /** Tells the pressure where it sits to whoever controls by it. */
  isSensor?: true;
  /** How it deals out fuel, of what the engine drinks from. */
  meters?: 'injectors' | 'float';
  /** Bends by hand; its ends are pushed on and clamped, or made up. */
  isFlexible?: true;
  /** Lies inside the tank. */
  isInTank?(part: T): boolean;
}

export interface PartKindDefinition<K extends string, P extends Record<string, Property>> extends Behaviour<
  PartRecord<K, P>
> {
  readonly kind: K;
  readonly name: string;
  readonly properties: P;
  readonly schema: z.ZodObject;
}

/**
 * One kind of part: its schema and its form come from the same list of properties.
 *
 * @param name - as it is called on the run.
 */
export function definePart<const K extends string, P extends Record<string, Property>>(
  kind: K,
  name: string,
  properties: P,
  behaviour: Behaviour<PartRecord<K, P>>,
): PartKindDefinition<K, P> {
  const schema = objectOf({ ...commonProperties, ...properties }).extend({
    id: idSchema,
    kind: z.literal(kind),
    ports: z.record(portNameSchema, portStateSchema).optional(),
    aside: z.literal(true).optional(),
  });
  const rated = (part: PartRecord<K, P>) => (part as { maximumPressure?: Measured }).maximumPressure?.si;
  return { kind, name, properties, schema, ...('maximumPressure' in properties ? { rated } : {}), ...behaviour };
}

/** The two ends of what fuel simply passes through. */
export const twoEnds = (): Record<string, PortSpec> => ({
  in: { name: 'inlet', use: 'either' },
  out: { name: 'outlet', use: 'either' },
});

/** What sits on one port and lets nothing pass: an instrument, a damper, a service valve. */
export const onOnePort = {
  ports: (): Record<string, PortSpec> => ({ port: { name: 'port', use: 'tap' } }),
  blocks: () => false,
  lower: (): Lowered => ({ links: [] }),
};

/** Ports numbered behind a stem, as `side-1`. */
export const numbered =
  (stem: string, spec: PortSpec) =>
  (port: string): PortSpec | undefined =>
    new RegExp(`^${stem}-[1-9][0-9]?$`).test(port)
      ? { ...spec, name: `${spec.name} ${port.slice(stem.length + 1)}` }
      : undefined;

/** A measured value, else the property's visible typical one. @throws RangeError where there is neither. */
export function settled(property: Property, value: Measured | undefined): number {
  const si = value?.si ?? (property.type === 'quantity' ? property.typical?.si : undefined);
  if (si === undefined) throw new RangeError(`${property.name} has no typical value`);
  return si;
}
