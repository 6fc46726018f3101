import { celsius, kPa, litresPerMinute, mm } from '../units/quick.ts';
import { choice, count, flag, objectOf, quantity, TYPICAL } from '../fields/property.ts';
import type { z } from 'zod';

/** The vent line in section, from its highest point in the tank to the open air or canister, and the filler. */
export const ventProperties = {
  tankEnd: quantity('opening in the tank above the floor', 'length', 'mm', {
    tool: 'tape',
    maximum: 3,
    hint: 'Where the vent leaves the tank; fuel must not reach it when full.',
  }),
  bore: quantity('vent bore', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(1),
    maximum: mm(60),
    likely: [mm(3), mm(20)],
  }),
  length: quantity('vent length', 'length', 'mm', {
    tool: 'tape',
    maximum: 10,
    likely: [mm(200), 5],
  }),
  bends: count('number of 90° bends', 40),
  valveTilt: quantity('roll-over valve leans by', 'angle', '°', {
    maximum: Math.PI,
    likely: [0, 0.5],
    hint: 'From upright, vehicle level. It shuts when it leans too far.',
  }),
  valveShutsAt: quantity('valve shuts past', 'angle', '°', {
    maximum: Math.PI,
    typical: { si: Math.PI / 4, source: TYPICAL },
  }),
  valveFlow: quantity('valve passes', 'volumeFlow', 'L/min', {
    minimum: litresPerMinute(0.1),
    maximum: litresPerMinute(500),
    typical: { si: litresPerMinute(30), source: TYPICAL },
    hint: 'Air, at the drop below.',
  }),
  valveDrop: quantity('at a drop of', 'pressure', 'kPa', {
    minimum: 10,
    maximum: kPa(20),
    typical: { si: kPa(1), source: TYPICAL },
  }),
  valveCracking: quantity('valve opens at', 'pressure', 'kPa', {
    maximum: kPa(20),
    typical: { si: 0, source: TYPICAL },
  }),
  lowestAfterTop: quantity('lowest point after the top', 'length', 'mm', {
    tool: 'tape',
    minimum: -3,
    maximum: 3,
    hint: 'Of the vent on its way out, above the tank floor.',
  }),
  trap: flag(
    'has a low place that holds fuel',
    'A dip between tank and highest point, or a loop that cannot drain back.',
  ),
  outlet: choice('ends', {
    underBody: 'under the vehicle, screened',
    underBodyOpen: 'under the vehicle, no screen',
    canister: 'at the canister',
    cabin: 'in the cabin or boot',
    exhaust: 'near the exhaust',
  }),
  outletHeight: quantity('outlet height', 'length', 'mm', {
    tool: 'tape',
    minimum: -3,
    maximum: 3,
  }),
  neckBore: quantity('filler neck bore', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(10),
    maximum: mm(120),
    likely: [mm(25), mm(70)],
  }),
  fillFlow: quantity('nozzle fills at', 'volumeFlow', 'L/min', {
    minimum: litresPerMinute(1),
    maximum: litresPerMinute(200),
    typical: { si: litresPerMinute(38), source: TYPICAL },
  }),
  airTemperature: quantity('air temperature', 'temperature', '°C', {
    minimum: celsius(-50),
    maximum: celsius(90),
    typical: { si: celsius(20), source: TYPICAL },
  }),
};
export const ventSchema = objectOf(ventProperties);
export type Vent = z.infer<typeof ventSchema>;
