import { deviceName, protective } from '../harness/devices/index.ts';
import { mostDropOf } from '../harness/harness.ts';
import type { Job } from '../job/job.ts';
import { partWord } from './circuit-words.ts';
import { devicesOf, wiresOf } from '../harness/in-circuit.ts';
import type { PumpCircuit } from './pump-circuit.ts';
import { sayEnd } from './wire-list.ts';
import type { Figure } from '../units/quantity.ts';
import { figure } from '../units/quantity.ts';

/** One thing to measure before and during the wet test. */
export interface Proof {
  readonly key: string;
  readonly group: 'dry' | 'bridged' | 'cutOff';
  readonly what: string;
  readonly how: string;
  /** What the plan expects. */
  readonly expect?: Figure;
  readonly least?: Figure;
  readonly most?: Figure;
}

const INSULATED = 1e6; // ohm: less between a stud and its plate is a leak; common practice
const METER = 0.02; // V that two readings of a hand meter may differ by; typical
const OVER = 1.25; // of what the plan expects: common practice
const SHARE = 0.15; // of a current: pumps of one kind differ by that; typical

/** How the circuit is proved, with limits from the plan. @param pumps - at the point at which a pump is run by a bridge. */
export function proofsOf(job: Pick<Job, 'wiring' | 'parts'>, pumps: readonly PumpCircuit[]): Proof[] {
  const harness = job.wiring ?? {};
  const devices = devicesOf(harness);
  const dry = devices.flatMap((d): Proof[] => {
    if (d.kind === 'stud' || (d.kind === 'connector' && d.place === 'bulkhead'))
      return [
        {
          key: `insulation-${d.id}`,
          group: 'dry',
          what: `${deviceName(d)} against the plate`,
          how: 'Wires off on both sides, battery off: meter from it to bare metal of the plate.',
          least: figure('resistance', INSULATED),
        },
      ];
    const rating = protective(d)?.rating;
    if (rating)
      return [
        {
          key: `fuse-${d.id}`,
          group: 'dry',
          what: `${deviceName(d)} is the one planned`,
          how: 'Read it; no larger one is put in to try.',
          expect: figure('current', rating.si),
        },
      ];
    return [];
  });
  const relays = devices.filter((d) => d.kind === 'relay');
  const bridged = pumps.flatMap((p): Proof[] => {
    // what a bridge in the relay's place gives
    const at = p.at.keyOn;
    if (!at) return [];
    const relay = relays.find((r) => p.through.includes(r.id));
    const head: Proof = {
      key: `bridge-${p.part}`,
      group: 'bridged',
      what: `Current of ${partWord(job, p.part)}`,
      how: relay
        ? `${deviceName(relay)} out, terminals 30 and 87 of its socket bridged by a fused lead, seconds at a time, never dry: meter in the lead.`
        : 'Meter in the place of its fuse, seconds at a time, never dry.',
      expect: figure('current', at.amps),
      least: figure('current', at.amps * (1 - SHARE)),
      most: figure('current', at.amps * (1 + SHARE)),
    };
    const volts: Proof = {
      key: `volts-${p.part}`,
      group: 'bridged',
      what: `Volts at ${partWord(job, p.part)}, loaded`,
      how: 'Across its own two terminals, or the nearest that can be reached, while it runs.',
      expect: figure('voltage', at.volts),
      least: figure('voltage', at.system - Math.max(mostDropOf(harness), at.system - at.volts) - METER),
    };
    const legs = at.legs
      .filter((leg) => leg.isWire && leg.volts > 0.001)
      .map((leg): Proof => {
        const wire = wiresOf(harness).find((w) => w.id === leg.id)!;
        return {
          key: `leg-${p.part}-${leg.id}`,
          group: 'bridged',
          what: `Drop of wire ${(harness.wires ?? []).indexOf(wire) + 1}: ${sayEnd(harness, wire.from)} to ${sayEnd(harness, wire.to)}`,
          how: 'Meter from one end of it to the other, while the pump runs.',
          expect: figure('voltage', leg.volts),
          most: figure('voltage', leg.volts * OVER + METER),
        };
      });
    return [head, volts, ...legs];
  });
  const unit = devices.find((d) => d.kind === 'controlUnit' || d.kind === 'pumpController');
  const cutOff: Proof[] =
    pumps.length === 0
      ? []
      : [
          {
            key: 'prime',
            group: 'cutOff',
            what: 'Key on, engine not started: the pump stops by itself',
            how: unit
              ? 'Listen at the tank; a helper at the key.'
              : 'It must not start at all, or only while it is cranked.',
            ...(unit ? { most: figure('time', (unit.prime?.si ?? 2) + 1) } : {}),
          },
          {
            key: 'stall',
            group: 'cutOff',
            what: 'Engine stalled, key on: the pump stops',
            how: 'Idling, take the injector fuse or the coil plug off.',
            most: figure('time', 3),
          },
          ...devices
            .filter((d) => d.kind === 'inertiaSwitch')
            .map((d): Proof => ({
              key: `inertia-${d.id}`,
              group: 'cutOff',
              what: `${deviceName(d)} stops the pump`,
              how: 'Knock it or pull its plug while the pump runs; then reset it.',
            })),
          ...devices
            .filter((d) => d.kind === 'oilSwitch')
            .map((d): Proof => ({
              key: `oil-${d.id}`,
              group: 'cutOff',
              what: `${deviceName(d)} stops the pump`,
              how: 'Pull its plug at idle: the pump stops, and the engine soon after.',
            })),
        ];
  return [...dry, ...bridged, ...cutOff];
}
