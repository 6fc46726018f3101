import { z } from 'zod';
import { choice, idSchema, objectOf, prose, text, type Property } from '../../fields/property.ts';
import type { CutOffState } from '../cut-off-state.ts';

/** Where a wire is joined on. */
export interface TerminalSpec {
  readonly name: string;
  /** Its number by DIN 72552, where that has one. */
  readonly din?: string;
  /** Side of the device's box on which it is drawn; fed from the left, back to earth on the right. */
  readonly side: 'feed' | 'back' | 'control';
}

/** What of a device's surroundings moves its contacts. */
export interface Pull {
  /** Its coil has current. */
  readonly isPulled: boolean;
  /** Wires end on both sides of its coil. */
  readonly isCoilWired: boolean;
}

/** A way through a device between two of its terminals. */
export interface DeviceLink {
  readonly from: string;
  readonly to: string;
  /** Ohm while closed. */
  readonly ohms: number;
  /** Closed at that state; absent: always. */
  isClosed?(state: CutOffState, pull: Pull): boolean;
  /** What it may carry, A. */
  readonly rated?: number;
  /** It draws current rather than passing it on: a coil, a winding, a sensor. */
  readonly draws?: boolean;
}

/** A voltage that a device holds between two of its terminals, whatever feeds it. */
export interface HeldVoltage {
  readonly plus: string;
  readonly minus: string;
  readonly volts: number;
}

/** What becomes of a thing of the harness. What is taken out is listed and not reckoned with. */
export const standsProperty = choice(
  'it is',
  { new: 'new', kept: 'of the factory’s harness, kept', out: 'of the factory’s harness, taken out' },
  { unsaid: 'new' },
);

/** What every device may carry besides its kind's own properties. */
export const commonDeviceProperties = {
  label: text('name', 60),
  stands: standsProperty,
  note: prose('note', 400),
};

type Values<P extends Record<string, Property>> = { [K in keyof P]?: z.infer<P[K]['schema']> };
export interface CommonOfDevice {
  readonly id: string;
  readonly label?: string | undefined;
  readonly stands?: 'new' | 'kept' | 'out' | undefined;
  readonly note?: string | undefined;
}
export type DeviceRecord<K extends string, P extends Record<string, Property>> = Values<P> &
  CommonOfDevice & { readonly kind: K };

export interface DeviceBehaviour<T> {
  terminals(device: T): Readonly<Record<string, TerminalSpec>>;
  links(device: T): readonly DeviceLink[];
  /** A coil between two terminals: with current in it, contacts move. */
  readonly coil?: readonly [plus: string, minus: string];
  /** Feeds the circuit between two terminals: battery, alternator. */
  readonly source?: readonly [plus: string, minus: string];
  /** Holds a voltage of its own: a stabiliser, the supply of a sensor. */
  holds?(device: T): HeldVoltage | undefined;
  /** Draws current between two terminals: a pump by its table, anything else a steady current. */
  load?(
    device: T,
  ): { readonly from: string; readonly to: string; readonly part?: string; readonly amps?: number } | undefined;
  /** What it opens at, A; null: a fuse that nobody has read. */
  fuse?(device: T): number | null;
  /** Sizes that what opens is sold in, A, each its `rating`. */
  readonly fuseSizes?: readonly number[];
  /** Is bought as. */
  buys?(device: T): string | undefined;
}

export interface DeviceKindDefinition<
  K extends string = string,
  P extends Record<string, Property> = Record<string, Property>,
> extends DeviceBehaviour<DeviceRecord<K, P>> {
  readonly kind: K;
  readonly name: string;
  readonly properties: P;
  readonly schema: z.ZodObject;
}

/** One kind of electrical device: its schema and its form come from the same list of properties. */
export function defineDevice<const K extends string, P extends Record<string, Property>>(
  kind: K,
  name: string,
  properties: P,
  behaviour: DeviceBehaviour<DeviceRecord<K, P>>,
): DeviceKindDefinition<K, P> {
  const schema = objectOf({ ...commonDeviceProperties, ...properties }).extend({ id: idSchema, kind: z.literal(kind) });
  return { kind, name, properties, schema, ...behaviour };
}
