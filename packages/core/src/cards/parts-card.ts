import { describePort } from '../fittings/port.ts';
import { componentDefinitions, componentName, propertiesOf, type Component } from '../job/component.ts';
import type { Job, Line } from '../job/job.ts';
import { valueOf } from '../job/value.ts';
import { hoseConstruction } from '../ratings/hose-construction.ts';
import { lineMaterials } from '../ratings/line-material.ts';
import { assertNever } from '../result.ts';
import { formatQuantity } from '../units/format-quantity.ts';

/** One line of the shopping list. */
export interface PartRow {
  readonly part: string;
  readonly specification: string;
  readonly quantity: string;
  readonly where: string;
  /** What is still unknown and has to be settled before it is bought. */
  readonly open: string;
}

/** One length to cut. */
export interface CutRow {
  readonly part: string;
  readonly stock: string;
  readonly length: string;
  readonly line: Line;
  readonly note: string;
}

const lengthText = (component: Component, key: string) => {
  const value = valueOf(component, key);
  return value === undefined ? undefined : formatQuantity('length', value.si);
};
const join = (...parts: (string | undefined | false)[]) => parts.filter(Boolean).join(', ');

/** Everything on the run that has to be bought or found, in the order of the fuel, and the small parts that go with it. */
export function partRows(job: Job): PartRow[] {
  const rows: PartRow[] = [];
  for (const line of ['supply', 'return'] as const)
    for (const component of job.run[line]) {
      const made = specification(component);
      if (made !== undefined)
        rows.push({
          part: componentName(component),
          specification: join(
            made,
            component.inletPort && `in: ${describePort(component.inletPort)}`,
            component.outletPort && `out: ${describePort(component.outletPort)}`,
          ),
          quantity: '1',
          where: line,
          open: openPoints(component).join(', '),
        });
      rows.push(...smallParts(component, line));
    }
  return rows;
}

function specification(component: Component): string | undefined {
  const definition = componentDefinitions[component.kind].name;
  switch (component.kind) {
    case 'tank':
    case 'carburettor':
      return undefined; // the vehicle's own
    case 'rail':
      return undefined;
    case 'sock':
      return join(definition, component.rating && formatQuantity('length', component.rating.si, 'µm'));
    case 'pump': {
      const rated = component.tables?.[0];
      const row = rated?.rows.find((r) => Math.abs(r.pressure.si - 3e5) < 1e3) ?? rated?.rows[0];
      return join(
        component.place === 'inTank' ? 'in-tank pump' : component.place === 'external' ? 'external pump' : 'pump',
        row &&
          `${formatQuantity('volumeFlow', row.flow.si)} at ${formatQuantity('pressure', row.pressure.si)} and ${formatQuantity('voltage', rated!.voltage.si)}`,
        component.checkValve && 'check valve',
        component.drive === 'pwm' && 'with its controller (PWM)',
        component.reliefPressure && `relief ${formatQuantity('pressure', component.reliefPressure.si)}`,
      );
    }
    case 'hose':
      return join(
        component.construction && hoseConstruction(component.construction).name,
        component.bore && `bore ${lengthText(component, 'bore')}`,
        component.length && `cut ${lengthText(component, 'length')}`,
      );
    case 'hardLine':
      return join(
        component.material && lineMaterials[component.material].name,
        component.outsideDiameter &&
          component.wall &&
          `${lengthText(component, 'outsideDiameter')} × ${lengthText(component, 'wall')}`,
        component.length && `${lengthText(component, 'length')} developed`,
        component.bends !== undefined && `${component.bends} bends`,
      );
    case 'fitting':
      return join(
        component.shape && componentDefinitions.fitting.properties.shape.options[component.shape],
        component.bore && `bore ${lengthText(component, 'bore')} or larger`,
      );
    case 'filter':
      return join(
        component.rating && formatQuantity('length', component.rating.si, 'µm'),
        component.ratedFlow && `for ${formatQuantity('volumeFlow', component.ratedFlow.si)}`,
        component.maximumPressure && `up to ${formatQuantity('pressure', component.maximumPressure.si)}`,
      );
    case 'checkValve':
      return join('check valve', `cracks at ${formatQuantity('pressure', valueOf(component, 'cracking')!.si)}`);
    case 'regulator':
      return join(
        component.action === 'bypass'
          ? 'bypass regulator'
          : component.action === 'deadHead'
            ? 'dead-head regulator'
            : 'regulator',
        component.setPressure &&
          `set to ${formatQuantity('pressure', component.setPressure.si, component.setPressure.unit)}`,
        component.referenced && 'manifold reference',
        component.builtInRating && `filter inside, ${formatQuantity('length', component.builtInRating.si, 'µm')}`,
      );
    case 'returnDrop':
      return join(
        'tube rated for immersion',
        component.bore && `bore ${lengthText(component, 'bore')}`,
        component.length && `cut ${lengthText(component, 'length')}`,
      );
    case 'swirlPot':
      return join('swirl pot', component.volume && formatQuantity('volume', component.volume.si));
    case 'pressureSensor':
      return join('fuel pressure sensor', component.onRail ? 'in the rail' : 'in the line');
    default:
      return assertNever(component);
  }
}

/** What a component's own measurements leave open for the buyer. */
function openPoints(component: Component): string[] {
  const held = component as unknown as Record<string, unknown>;
  return Object.entries(propertiesOf(component.kind))
    .filter(([key, property]) => 'needed' in property && property.needed && held[key] === undefined)
    .map(([, property]) => property.name);
}

function smallParts(component: Component, where: Line): PartRow[] {
  const row = (part: string, quantity: number): PartRow => ({
    part,
    specification: `for ${componentName(component)}`,
    quantity: String(quantity),
    where,
    open: '',
  });
  if (component.kind === 'hose') {
    if (component.clamp === 'band') return [row('Band clamp, injection type', 2)];
    if (component.clamp === 'worm') return [row('Worm-drive clamp', 2)];
    if (component.clamp === 'crimped') return [row('Crimp sleeve', 2)];
    if (component.clamp === 'hoseEnds') return [row('Hose end to suit the hose', 2)];
  }
  if (component.kind === 'rail' && component.unusedPorts)
    return [...splitterRows(component, row), row('Cap or plug for a rail port', component.unusedPorts)];
  if (component.kind === 'rail') return splitterRows(component, row);
  if (component.kind === 'pump' && component.fuse)
    return [row(`Blade fuse ${formatQuantity('current', component.fuse.si)}, relay and holder`, 1)];
  return [];
}

/** What joins two rails. */
function splitterRows(rail: Component & { kind: 'rail' }, row: (part: string, quantity: number) => PartRow): PartRow[] {
  const { splitter } = componentDefinitions.rail.properties;
  const name = rail.splitter ? splitter.options[rail.splitter].replace(/^an? /, '') : 'Y or block';
  switch (rail.feed ?? 'single') {
    case 'single':
      return [];
    case 'series':
      return [row('Tube between the rails', 1)];
    case 'crossover':
      return [row('Crossover tube between the rails', 1)];
    case 'parallel':
      return [row(`${name[0]!.toUpperCase()}${name.slice(1)} before and behind two rails`, 2), row('Branch hose', 4)];
  }
}

/** Every length of hose and line to cut, in the order of the fuel. */
export function cutRows(job: Job): CutRow[] {
  return (['supply', 'return'] as const).flatMap((line) =>
    job.run[line].flatMap((component): CutRow[] => {
      if (component.kind !== 'hose' && component.kind !== 'hardLine' && component.kind !== 'returnDrop') return [];
      return [
        {
          part: componentName(component),
          stock: specification({ ...component, length: undefined }) ?? '',
          length: component.length
            ? formatQuantity('length', component.length.si, component.length.unit)
            : 'not measured',
          line,
          note:
            component.kind === 'hardLine'
              ? 'Nut and sleeve on before the flare. Deburr, blow out.'
              : component.kind === 'hose'
                ? 'Cut square, blow out. First time: 150 mm spare per end.'
                : 'End cut at 45°, deburred.',
        },
      ];
    }),
  );
}
