import { celsius, kPa, litresPerHour, revolutionsPerMinute } from '../units/quick.ts';
import { objectOf, quantity, TYPICAL_CONDITION, type Source } from '../fields/property.ts';
import type { z } from 'zod';

const COMMON: Source = 'common practice';

/**
 * Conditions that a job is computed for. Each has a visible typical value that the fitter may replace;
 * the job document holds only those he did replace.
 */
export const assumptionProperties = {
  idleDemand: quantity('fuel burnt at idle', 'volumeFlow', 'L/h', {
    maximum: litresPerHour(50),
    typical: { si: litresPerHour(2), source: COMMON },
  }),
  cruiseDemand: quantity('fuel burnt at cruise', 'volumeFlow', 'L/h', {
    maximum: litresPerHour(200),
    typical: { si: litresPerHour(14), source: COMMON },
  }),
  idleManifold: quantity('manifold pressure at idle', 'pressure', 'kPa', {
    minimum: kPa(-101.325),
    maximum: 0,
    typical: { si: kPa(-60), source: TYPICAL_CONDITION },
  }),
  cruiseManifold: quantity('manifold pressure at cruise', 'pressure', 'kPa', {
    minimum: kPa(-101.325),
    maximum: kPa(100),
    typical: { si: kPa(-40), source: TYPICAL_CONDITION },
  }),
  overrunManifold: quantity('manifold pressure on overrun', 'pressure', 'kPa', {
    minimum: kPa(-101.325),
    maximum: 0,
    typical: { si: kPa(-75), source: TYPICAL_CONDITION },
  }),
  runningVoltage: quantity('system voltage, running', 'voltage', 'V', {
    minimum: 4,
    maximum: 60,
    likely: [11, 15],
    typical: { si: 13.5, source: TYPICAL_CONDITION },
  }),
  chargingVoltage: quantity('system voltage, charging hard', 'voltage', 'V', {
    minimum: 4,
    maximum: 60,
    likely: [13, 15.5],
    typical: { si: 14.4, source: COMMON },
    hint: 'The most that a pump sees: its dead-head pressure and its greatest draw are reckoned with it.',
  }),
  lowVoltage: quantity('system voltage, low', 'voltage', 'V', {
    minimum: 4,
    maximum: 60,
    likely: [9, 14],
    typical: { si: 12.5, source: TYPICAL_CONDITION },
  }),
  fuelTemperature: quantity('fuel temperature', 'temperature', '°C', {
    minimum: celsius(-50),
    maximum: celsius(90),
    typical: { si: celsius(20), source: TYPICAL_CONDITION },
  }),
  hotFuelTemperature: quantity('fuel temperature, hot case', 'temperature', '°C', {
    minimum: celsius(-50),
    maximum: celsius(90),
    typical: { si: celsius(50), source: TYPICAL_CONDITION },
  }),
  fuelLevel: quantity('fuel level for the sums', 'fraction', '%', {
    maximum: 1,
    typical: { si: 0.25, source: TYPICAL_CONDITION },
  }),
  reidVapourPressure: quantity('Reid vapour pressure, as sold', 'pressure', 'kPa', {
    minimum: kPa(20),
    maximum: kPa(110),
    typical: { si: kPa(55), source: TYPICAL_CONDITION },
    hint: 'Common practice: summer petrol 50 to 60 kPa, spring and autumn 60 to 80, winter up to 90 to 100. Reckon with the most that may be in the tank on a hot day.',
  }),
  restingVoltage: quantity('battery voltage, engine off', 'voltage', 'V', {
    minimum: 4,
    maximum: 60,
    likely: [11, 13.5],
    typical: { si: 12.3, source: TYPICAL_CONDITION },
  }),
  dirtyFilter: quantity('dirt factor of the filter, hot case', 'number', '', {
    minimum: 1,
    maximum: 20,
    likely: [1, 6],
    typical: { si: 4, source: COMMON },
    hint: '1 new, 4 change me.',
  }),
  dirtyStrainer: quantity('dirt factor of sock and strainers, worst case', 'number', '', {
    minimum: 1,
    maximum: 20,
    likely: [1, 6],
    typical: { si: 4, source: COMMON },
    hint: '1 new, 4 change me.',
  }),
  soakTemperature: quantity('fuel in the rail after a hot soak', 'temperature', '°C', {
    minimum: celsius(0),
    maximum: celsius(150),
    likely: [celsius(40), celsius(110)],
    typical: { si: celsius(80), source: TYPICAL_CONDITION },
  }),
  ambientTemperature: quantity('air around the tank', 'temperature', '°C', {
    minimum: celsius(-40),
    maximum: celsius(70),
    typical: { si: celsius(35), source: TYPICAL_CONDITION },
  }),
  bayTemperature: quantity('air around rail and engine hoses', 'temperature', '°C', {
    minimum: celsius(-40),
    maximum: celsius(150),
    typical: { si: celsius(85), source: TYPICAL_CONDITION },
  }),
  soakAir: quantity('hottest air around rail and engine hoses after stopping', 'temperature', '°C', {
    minimum: celsius(-20),
    maximum: celsius(180),
    likely: [celsius(60), celsius(140)],
    typical: { si: celsius(105), source: TYPICAL_CONDITION },
  }),
  engineCooling: quantity('the engine cools to a third in', 'time', 'min', {
    minimum: 60,
    maximum: 86400,
    likely: [1200, 14400],
    typical: { si: 5400, source: TYPICAL_CONDITION },
  }),
  exhaustTemperature: quantity('exhaust when the engine is stopped', 'temperature', '°C', {
    minimum: celsius(0),
    maximum: celsius(900),
    likely: [celsius(150), celsius(600)],
    typical: { si: celsius(350), source: TYPICAL_CONDITION },
  }),
  pressureHalves: quantity('pressure in a held line halves in', 'time', 'min', {
    minimum: 10,
    maximum: 864000,
    likely: [300, 36000],
    typical: { si: 1800, source: TYPICAL_CONDITION },
    hint: 'Engine off, check valve and regulator as they are: a leak-down test tells.',
  }),
  railHeat: quantity('heat the rail passes on, per kelvin', 'conductance', 'W/K', {
    maximum: 50,
    likely: [0.3, 10],
    typical: { si: 2.5, source: TYPICAL_CONDITION },
    hint: 'Hot head, radiant heat and bay air together, for rail and engine hoses; a sleeve halves it.',
  }),
  tankHeat: quantity('heat the tank gives off, per area and kelvin', 'heatTransfer', 'W/(m²·K)', {
    maximum: 100,
    likely: [3, 25],
    typical: { si: 10, source: TYPICAL_CONDITION },
  }),
  driveTime: quantity('length of the drive', 'time', 'min', {
    minimum: 60,
    maximum: 86400,
    typical: { si: 7200, source: TYPICAL_CONDITION },
  }),
  driveStartLevel: quantity('fuel level at the start of the drive', 'fraction', '%', {
    maximum: 1,
    typical: { si: 0.5, source: TYPICAL_CONDITION },
  }),
  idleSpeed: quantity('engine speed at idle', 'rotation', 'rpm', {
    maximum: revolutionsPerMinute(6000),
    typical: { si: revolutionsPerMinute(800), source: TYPICAL_CONDITION },
    hint: 'Only an engine-driven pump asks for engine speeds.',
  }),
  cruiseSpeed: quantity('engine speed at cruise', 'rotation', 'rpm', {
    maximum: revolutionsPerMinute(12000),
    typical: { si: revolutionsPerMinute(2500), source: TYPICAL_CONDITION },
  }),
  fullSpeed: quantity('engine speed at full load', 'rotation', 'rpm', {
    maximum: revolutionsPerMinute(20000),
    typical: { si: revolutionsPerMinute(5500), source: TYPICAL_CONDITION },
  }),
  atmosphere: quantity('atmospheric pressure, absolute', 'pressure', 'kPa', {
    minimum: kPa(50),
    maximum: kPa(110),
    typical: { si: kPa(101.325), source: 'standard' },
  }),
};
export const assumptionsSchema = objectOf(assumptionProperties);
export type Assumptions = z.infer<typeof assumptionsSchema>;
export type AssumptionKey = keyof typeof assumptionProperties;

/** The fitter's value, or the visible typical one. */
export const assumed = (assumptions: Assumptions, key: AssumptionKey): number =>
  assumptions[key]?.si ?? assumptionProperties[key].typical!.si;

/** Whose value that is, the fitter's or where the typical one comes from, and the field to change it in. */
export const originOfAssumed = (assumptions: Assumptions, key: AssumptionKey) => ({
  source: assumptions[key] ? 'chosen' : assumptionProperties[key].typical!.source,
  path: ['assumptions', key] as const,
});
