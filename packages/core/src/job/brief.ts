import type { z } from 'zod';
import { bar, horsepower, kPa, poundsPerHorsepowerHour, poundsPerHour } from '../units/quick.ts';
import { choice, count, flag, objectOf, prose, quantity, TYPICAL, onTabs } from '../fields/property.ts';

export const aspirations = {
  natural: 'naturally aspirated',
  supercharged: 'supercharged',
  turbo: 'turbocharged',
} as const;
export type Aspiration = keyof typeof aspirations;

/** What the engine and its owner want. */
export const briefProperties = onTabs(
  {
    induction: choice('fuel enters by', { injection: 'injection', carburettor: 'carburettor' }, { needed: true }),
    direct: flag(
      'direct injection',
      'The run then ends at the engine’s own high-pressure pump, and the rail pressure is its feed pressure.',
    ),
    injectorsSit: choice(
      'injectors sit',
      { behindThrottle: 'behind the throttle, at the ports', aboveThrottle: 'above the throttle, in a throttle body' },
      {
        hint: 'Behind it manifold vacuum helps them; above it, as at a carburettor, the atmosphere stands against them.',
      },
    ),
    power: quantity('engine power', 'power', 'kW', {
      minimum: 100,
      maximum: 3e6,
      likely: [horsepower(20), horsepower(1200)],
      needed: true,
      hint: 'At the crankshaft, the most it will make.',
    }),
    aspiration: choice('aspiration', aspirations, { needed: true }),
    boost: quantity('boost', 'pressure', 'kPa', {
      maximum: kPa(600),
      likely: [kPa(10), kPa(300)],
      hint: 'Manifold pressure above atmosphere at full load.',
    }),
    bsfc: quantity('BSFC', 'bsfc', 'lb/(hp·h)', {
      minimum: poundsPerHorsepowerHour(0.25),
      maximum: poundsPerHorsepowerHour(1.2),
      likely: [poundsPerHorsepowerHour(0.4), poundsPerHorsepowerHour(0.7)],
      hint: 'Fuel per power and time, on petrol for blends too. Common practice: 0.45–0.50 naturally aspirated, 0.55–0.60 supercharged, 0.60–0.65 turbocharged; diesel 0.33–0.40.',
    }),
    fuel: choice('fuel', { petrol: 'petrol, or petrol and ethanol', diesel: 'diesel' }, { needed: true }),
    ethanol: quantity('ethanol share', 'fraction', '%', {
      named: 'ethanolBlend',
      maximum: 1,
      hint: 'By volume. Pump “E85” runs from the mid 50s to the mid 80s: test it with water if it matters.',
    }),
    reidOf: choice(
      'Reid vapour pressure known is that of',
      { petrol: 'the petrol, before ethanol', blend: 'the blend as sold' },
      { hint: 'Unsaid: up to 15 % ethanol the blend’s, since it is sold so; above that the petrol’s.' },
    ),
    testWater: quantity('water in the glass', 'volume', 'mL', {
      maximum: 1e-3,
      likely: [5e-6, 2e-4],
      hint: 'Water test: water to the lower mark.',
    }),
    testFuel: quantity('fuel put on top', 'volume', 'mL', { maximum: 1e-3, likely: [2e-5, 5e-4] }),
    testBoundary: quantity('boundary after shaking', 'volume', 'mL', {
      maximum: 2e-3,
      hint: 'Shake, wait a minute or two: read where water and fuel part.',
    }),
    quotedMultiplier: quantity('volume multiplier used for the injectors', 'number', '', {
      minimum: 0.5,
      maximum: 3,
      likely: [1, 1.6],
      hint: 'If somebody sized the injectors with a rule of thumb, write the figure here and Endrel checks it.',
    }),
    railPressure: quantity('rail pressure wanted', 'pressure', 'bar', {
      maximum: bar(15),
      likely: [kPa(15), bar(6.5)],
      needed: true,
      hint: 'Base pressure: with the reference hose off. At a carburettor: the pressure at its inlet.',
    }),
    manifoldReference: flag('the engine expects a manifold reference'),
    injectors: count('number of injectors', 16),
    injectorSize: quantity('size of one injector', 'massFlow', 'lb/h', {
      minimum: poundsPerHour(2),
      maximum: poundsPerHour(1000),
      likely: [poundsPerHour(10), poundsPerHour(250)],
      hint: 'Held open, on petrol, at the pressure that goes with it. 10.5 cc/min is about 1 lb/h (common practice).',
    }),
    injectorDrop: quantity('at a pressure across it of', 'pressure', 'bar', {
      minimum: kPa(20),
      maximum: bar(10),
      typical: { si: bar(3), source: TYPICAL },
    }),
    injectorDuty: quantity('most duty of an injector', 'fraction', '%', {
      minimum: 0.1,
      maximum: 1,
      typical: { si: 0.85, source: 'common practice' },
    }),
    reversible: flag('the owner wants it reversible'),
    wishes: prose('what else the owner wants', 2000),
  },
  { fuel: ['quotedMultiplier', 'testWater', 'testFuel', 'testBoundary'] },
);
export const briefSchema = objectOf(briefProperties);
export type Brief = z.infer<typeof briefSchema>;

export const isBoosted = ({ aspiration }: Pick<Brief, 'aspiration'>): boolean =>
  aspiration !== undefined && aspiration !== 'natural';

/** Whether the regulator may follow the manifold: left off where the engine expects none. Boost always wants it. */
export const takesReference = (brief: Pick<Brief, 'aspiration' | 'manifoldReference'>): boolean =>
  brief.manifoldReference !== false || isBoosted(brief);
