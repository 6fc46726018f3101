import { z } from 'zod';
import { carburettor } from './components/carburettor.ts';
import { checkValve } from './components/check-valve.ts';
import { filter } from './components/filter.ts';
import { fitting } from './components/fitting.ts';
import { hardLine } from './components/hard-line.ts';
import { hose } from './components/hose.ts';
import { pump } from './components/pump.ts';
import { rail } from './components/rail.ts';
import { regulator } from './components/regulator.ts';
import { returnDrop } from './components/return-drop.ts';
import { sock } from './components/sock.ts';
import { tank } from './components/tank.ts';
import { pressureSensor } from './components/pressure-sensor.ts';
import { swirlPot } from './components/swirl-pot.ts';
import type { Property } from './property.ts';

/** Every kind of component, in the order in which fuel meets them. A new kind is one file and a line in each list. */
export const componentDefinitions = {
  tank,
  sock,
  pump,
  checkValve,
  hose,
  hardLine,
  fitting,
  filter,
  rail,
  carburettor,
  regulator,
  returnDrop,
  swirlPot,
  pressureSensor,
};

export const componentSchema = z.discriminatedUnion('kind', [
  tank.schema,
  sock.schema,
  pump.schema,
  checkValve.schema,
  hose.schema,
  hardLine.schema,
  fitting.schema,
  filter.schema,
  rail.schema,
  carburettor.schema,
  regulator.schema,
  returnDrop.schema,
  swirlPot.schema,
  pressureSensor.schema,
]);
export type Component = z.infer<typeof componentSchema>;
export type ComponentKind = Component['kind'];
export type ComponentOf<K extends ComponentKind> = Extract<Component, { kind: K }>;

/** The name a fitter reads: his own, or the kind's. */
export const componentName = (component: Component): string =>
  component.label?.trim() || componentDefinitions[component.kind].name;

export const propertiesOf = (kind: ComponentKind): Record<string, Property> => componentDefinitions[kind].properties;

/** What the engine drinks from: its rail or its carburettor. */
export const isConsumer = (c: Component): c is ComponentOf<'rail' | 'carburettor'> =>
  c.kind === 'rail' || c.kind === 'carburettor';

/** A regulator that sends back what is too much. */
export const isBypass = (c: Component): c is ComponentOf<'regulator'> =>
  c.kind === 'regulator' && c.action === 'bypass';
