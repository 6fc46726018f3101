import { componentName, type Component } from '../job/component.ts';
import { pumpTableFault, type PumpRows, type PumpTableFault } from '../hydraulics/pump-curve.ts';
import { describeNetworkFault } from '../networks/network-report.ts';
import type { NetworkFault } from '../hydraulics/network.ts';
import type { Job } from '../job/job.ts';
import { formatQuantity } from '../units/format-quantity.ts';

/** Why a run cannot be solved as it is laid out: each is a mistake in the run itself, not a missing measurement. */
export type RunFault =
  | { code: 'emptyRun' }
  | { code: 'noTank'; first: string }
  | { code: 'tankMidway'; component: string }
  | { code: 'noPump' }
  | { code: 'noConsumer'; last: string }
  | { code: 'gapAfterConsumer'; consumer: string; component: string }
  | { code: 'twoConsumers'; component: string }
  | { code: 'consumerInReturn'; component: string }
  | { code: 'noReturn'; regulator: string }
  | { code: 'strayReturn'; component: string }
  | { code: 'pumpTable'; component: string; fault: PumpTableFault }
  | { code: 'noBore'; component: string }
  /** Its wiring takes so much voltage that the pump does not run. */
  | { code: 'starvedOfVoltage'; component: string; ohms: number }
  | { code: 'unsolved'; fault: NetworkFault; point: string };

/** The pump's tables as plain numbers. */
export const pumpRows = (component: Component & { kind: 'pump' }): PumpRows[] =>
  (component.tables ?? []).map((table) => ({
    voltage: table.voltage.si,
    rows: table.rows.map((r) => ({ pressure: r.pressure.si, flow: r.flow.si, current: r.current?.si })),
  }));

/** Every fault that can be seen in the run before anything is computed. */
export function runFaults(job: Job): RunFault[] {
  const { supply, return: back } = job.run;
  if (supply.length === 0) return [{ code: 'emptyRun' }];
  const faults: RunFault[] = [];
  if (supply[0]!.kind !== 'tank') faults.push({ code: 'noTank', first: supply[0]!.id });
  for (const component of [...supply.slice(1), ...back])
    if (component.kind === 'tank') faults.push({ code: 'tankMidway', component: component.id });
  if (!supply.some((c) => c.kind === 'pump')) faults.push({ code: 'noPump' });
  const consumers = supply.filter((c) => c.kind === 'rail' || c.kind === 'carburettor');
  if (consumers.length === 0) faults.push({ code: 'noConsumer', last: supply.at(-1)!.id });
  if (consumers.length > 1) faults.push({ code: 'twoConsumers', component: consumers[1]!.id });
  const bypass = supply.filter((c) => c.kind === 'regulator' && c.action === 'bypass');
  const consumerAt = supply.findIndex((c) => c.kind === 'rail' || c.kind === 'carburettor');
  const lastBypass = supply.findLastIndex((c) => c.kind === 'regulator' && c.action === 'bypass');
  if (
    consumerAt >= 0 &&
    consumerAt < supply.length - 1 &&
    lastBypass < consumerAt &&
    !supply.some((c) => c.kind === 'regulator' && c.action === undefined)
  )
    faults.push({ code: 'gapAfterConsumer', consumer: supply[consumerAt]!.id, component: supply[consumerAt + 1]!.id });
  if (bypass.length > 0 && back.length === 0) faults.push({ code: 'noReturn', regulator: bypass[0]!.id });
  if (bypass.length === 0 && back.length > 0 && !supply.some((c) => c.kind === 'regulator' && c.action === undefined))
    faults.push({ code: 'strayReturn', component: back[0]!.id });
  for (const component of back)
    if (component.kind === 'rail' || component.kind === 'carburettor')
      faults.push({ code: 'consumerInReturn', component: component.id });
  for (const component of supply) {
    if (
      component.kind === 'hardLine' &&
      component.outsideDiameter &&
      component.wall &&
      component.wall.si * 2 >= component.outsideDiameter.si
    )
      faults.push({ code: 'noBore', component: component.id });
    if (component.kind !== 'pump' || !component.tables?.length) continue;
    const fault = pumpTableFault(pumpRows(component));
    if (fault) faults.push({ code: 'pumpTable', component: component.id, fault });
  }
  return faults;
}

/** Which component a fault stands at, if one. */
export function faultComponent(fault: RunFault): string | undefined {
  switch (fault.code) {
    case 'noTank':
      return fault.first;
    case 'noConsumer':
      return fault.last;
    case 'noReturn':
      return fault.regulator;
    case 'emptyRun':
    case 'noPump':
    case 'unsolved':
      return undefined;
    default:
      return fault.component;
  }
}

/** One sentence that names the thing. */
export function describeRunFault(fault: RunFault, job: Job): string {
  const name = (id: string) => {
    const found = [...job.run.supply, ...job.run.return].find((c) => c.id === id);
    return found ? `“${componentName(found)}”` : `“${id}”`;
  };
  switch (fault.code) {
    case 'emptyRun':
      return 'The run is empty: choose a layout to lay it out.';
    case 'noTank':
      return `The supply starts at ${name(fault.first)}: there is a gap between it and the tank.`;
    case 'tankMidway':
      return `${name(fault.component)} stands in the middle of the run: a tank is only where the supply starts.`;
    case 'noPump':
      return 'The loop has no pump: nothing moves the fuel.';
    case 'noConsumer':
      return `The supply ends at ${name(fault.last)}: there is a gap between it and the engine, no rail or carburettor follows.`;
    case 'gapAfterConsumer':
      return `${name(fault.component)} stands after ${name(fault.consumer)} and leads nowhere: no bypass regulator follows.`;
    case 'twoConsumers':
      return `${name(fault.component)} is a second consumer on one line: this version solves one rail or carburettor.`;
    case 'consumerInReturn':
      return `${name(fault.component)} stands in the return: engines are fed from the supply.`;
    case 'noReturn':
      return `There is a gap after ${name(fault.regulator)}: its return port has no line back to the tank.`;
    case 'strayReturn':
      return `The return begins at ${name(fault.component)}, but no bypass regulator feeds it: there is a gap before it.`;
    case 'noBore':
      return `${name(fault.component)} has no bore: its wall is half its outside diameter or more.`;
    case 'starvedOfVoltage':
      return `${name(fault.component)} does not get the voltage to run: its wiring of ${formatQuantity('resistance', fault.ohms)} takes nearly all of it.`;
    case 'pumpTable':
      return pumpTableSentence(fault.fault, name(fault.component));
    case 'unsolved':
      return `The flow at ${fault.point} could not be computed: ${describeNetworkFault(fault.fault)}.`;
  }
}

function pumpTableSentence(fault: PumpTableFault, pump: string): string {
  switch (fault.code) {
    case 'tooFewRows':
      return `The flow table ${fault.table + 1} of ${pump} needs at least two rows.`;
    case 'sameVoltage':
      return `${pump} has two flow tables at the same voltage.`;
    case 'samePressure':
      return `Row ${fault.row + 1} in the flow table of ${pump} repeats the pressure ${formatQuantity('pressure', fault.pressure)}.`;
    case 'notMonotone':
      return `The flow table of ${pump} is not monotone: row ${fault.row + 1} gives ${formatQuantity('volumeFlow', fault.flow)}, but at the next lower pressure it gives ${formatQuantity('volumeFlow', fault.before)}; flow must fall as pressure rises.`;
  }
}
