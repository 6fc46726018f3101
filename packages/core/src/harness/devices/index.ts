import { z } from 'zod';
import type { Measured } from '../../fields/measured.ts';
import { fuse, inertiaSwitch, keySwitch, oilSwitch, relay } from './contacts.ts';
import { breaker } from './breaker.ts';
import { controlUnit, pumpController } from './controls.ts';
import type { CommonOfDevice, DeviceKindDefinition, DeviceRecord } from './define-device.ts';
import { connector, earthPoint, splice, stud } from './joints.ts';
import { otherLoad, pumpLoad } from './loads.ts';
import { converter, levelGauge, levelSender, pressureSensorPlug, stabiliser, wideband } from './signals.ts';
import { alternator, battery } from './sources.ts';

/** Every kind of device, in the order in which they are offered. */
export const deviceKinds = {
  battery,
  alternator,
  fuse,
  breaker,
  relay,
  keySwitch,
  inertiaSwitch,
  oilSwitch,
  controlUnit,
  pumpController,
  connector,
  splice,
  stud,
  earthPoint,
  pumpLoad,
  levelSender,
  levelGauge,
  stabiliser,
  converter,
  pressureSensorPlug,
  wideband,
  otherLoad,
} as const;
export type DeviceKind = keyof typeof deviceKinds;

type RecordOf<D> = D extends DeviceKindDefinition<infer K, infer P> ? DeviceRecord<K, P> : never;
export type Device = { [K in DeviceKind]: RecordOf<(typeof deviceKinds)[K]> }[DeviceKind];
export type DeviceOf<K extends DeviceKind> = RecordOf<(typeof deviceKinds)[K]>;

export const deviceSchema = z.discriminatedUnion(
  'kind',
  Object.values(deviceKinds).map((k) => k.schema) as unknown as [z.ZodObject, ...z.ZodObject[]],
) as unknown as z.ZodType<Device>;

/** A device of any kind, to behaviour that is asked without knowing which. */
type AnyDevice = CommonOfDevice & { readonly kind: string };
/** The kind of a device. */
export const kindOfDevice = (
  device: Device,
): DeviceKindDefinition<DeviceKind, Record<never, never>> & {
  terminals(d: AnyDevice): ReturnType<(typeof fuse)['terminals']>;
} => deviceKinds[device.kind];

export const isDevice = <K extends DeviceKind>(device: Device, ...kinds: K[]): device is DeviceOf<K> & Device =>
  (kinds as DeviceKind[]).includes(device.kind);

/** What opens when too much passes: what stands behind it is protected. */
export type Protective = CommonOfDevice & { readonly kind: DeviceKind; readonly rating?: Measured | undefined };
export const protective = (device: Device): Protective | undefined => (kindOfDevice(device).fuse ? device : undefined);
export const protects = (device: Device): boolean => protective(device) !== undefined;

/** As a person calls it. */
export const deviceName = (device: Device): string => device.label?.trim() || deviceKinds[device.kind].name;
