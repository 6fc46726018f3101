import { onceFor } from '../memory/once-for.ts';
import { gaugeArea } from '../units/wire-gauge.ts';
import { aroundOf } from './ampacity.ts';
import { EARTH } from './circuit.ts';
import type { DeviceLink } from './devices/define-device.ts';
import { kindOfDevice, type Device } from './devices/index.ts';
import type { Harness, Wire, WireEnd } from './harness.ts';
import { WARMER_BY } from './wire-kinds.ts';
import { atLeastOne, wireResistance } from './wire.ts';

/** A terminal as a place of the circuit. */
export const placeOf = ({ device, terminal }: WireEnd): string => `${device}:${terminal}`;

/** A device's terminal likewise; the far side of an earth point is the battery's negative. */
export const placeIn = (device: Device, terminal: string): string =>
  device.kind === 'earthPoint' && terminal === 'earth' ? EARTH : `${device.id}:${terminal}`;

/** Id of a device's link, as a circuit's element. */
export const linkId = (device: string, link: number): string => `${device}/${link}`;

/** K of a wire's copper under load. */
export const temperatureOf = (wire: Wire): number => aroundOf(wire) + WARMER_BY;

/** Ohm of a wire, its conductors side by side; undefined while gauge or length is unknown. One of no length has none. */
export function ohmsOf(wire: Wire): number | undefined {
  if (wire.length?.si === 0) return 0;
  if (!wire.area || !wire.length) return undefined;
  return wireResistance(wire.area.si, wire.length.si, temperatureOf(wire)) / atLeastOne(wire.conductors);
}

/** Ohm that a wire is taken for which nobody has measured, so that a circuit half drawn has its logic: 100 mm of 8 AWG. */
export const UNMEASURED = wireResistance(gaugeArea(8), 0.1, aroundOf({}) + WARMER_BY);

/** Devices that are in the circuit: what is taken out is not. */
export const devicesOf = /* @__PURE__ */ onceFor(({ devices = [] }: Harness): readonly Device[] =>
  devices.filter((d) => d.stands !== 'out'),
);

/** A wire with both its ends on terminals that are there. */
export type JoinedWire = Wire & { readonly from: WireEnd; readonly to: WireEnd };
/** Wires that are in the circuit. */
export const wiresOf = /* @__PURE__ */ onceFor((harness: Harness): readonly JoinedWire[] => {
  const known = new Map(devicesOf(harness).map((d) => [d.id, d]));
  const isThere = (end: WireEnd | undefined) => {
    const device = end && known.get(end.device);
    return device !== undefined && end!.terminal in kindOfDevice(device).terminals(device);
  };
  return (harness.wires ?? []).filter((w): w is JoinedWire => w.stands !== 'out' && isThere(w.from) && isThere(w.to));
});

/** Terminals on which a wire ends. */
export const wiredPlaces = /* @__PURE__ */ onceFor(
  (harness: Harness): ReadonlySet<string> => new Set(wiresOf(harness).flatMap((w) => [placeOf(w.from), placeOf(w.to)])),
);

/** A way through a device, between its places in the circuit. */
export interface DeviceWay {
  readonly id: string;
  readonly device: Device;
  readonly link: DeviceLink;
  readonly a: string;
  readonly b: string;
}
/** Every way through every device, whatever the state of key and engine. */
export const linksOf = /* @__PURE__ */ onceFor((harness: Harness): readonly DeviceWay[] =>
  devicesOf(harness).flatMap((device) =>
    kindOfDevice(device)
      .links(device)
      .map((link, i) => ({
        id: linkId(device.id, i),
        device,
        link,
        a: placeIn(device, link.from),
        b: placeIn(device, link.to),
      })),
  ),
);
/** Those that pass current on; what draws passes none on. */
export const passingLinks = (harness: Harness): readonly DeviceWay[] => linksOf(harness).filter((l) => !l.link.draws);

/** Where a pump of the run hangs in the circuit: fed at `a`, back to earth from `b`. */
export interface PumpPlace {
  readonly device: string;
  readonly part: string;
  readonly a: string;
  readonly b: string;
}
export const pumpPlaces = /* @__PURE__ */ onceFor((harness: Harness): readonly PumpPlace[] =>
  devicesOf(harness).flatMap((device) => {
    const load = kindOfDevice(device).load?.(device);
    return load?.part === undefined
      ? []
      : [{ device: device.id, part: load.part, a: placeIn(device, load.from), b: placeIn(device, load.to) }];
  }),
);

/** Places at which sources feed, and those that are the battery's negative. */
export const sourcePlaces = /* @__PURE__ */ onceFor(
  (harness: Harness): { readonly plus: readonly string[]; readonly minus: readonly string[] } => {
    const ends = devicesOf(harness).flatMap((d) => {
      const { source } = kindOfDevice(d);
      return source ? [source.map((t) => placeIn(d, t))] : [];
    });
    return { plus: ends.map(([plus]) => plus!), minus: ends.map(([, minus]) => minus!) };
  },
);
