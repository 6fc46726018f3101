import { componentName, isBypass, isConsumer } from '../job/component.ts';
import { pumpTableFault, type PumpTableFault } from '../hydraulics/pump-curve.ts';
import { describeNetworkFault } from '../networks/network-report.ts';
import type { NetworkFault } from '../hydraulics/network.ts';
import type { Job } from '../job/job.ts';
import { pumpRows } from '../pumps/pump-rows.ts';
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
  /** Works against the pump that feeds the run: turned round, or put in the return. */
  | { code: 'opposedPump'; component: string; inReturn: boolean }
  | { code: 'besideNothing'; component: string }
  | { code: 'checkValveReversed'; component: string }
  /** The return runs into the supply: with the tank still on the run, or as a loop that nothing ties to tank pressure. */
  | { code: 'returnIntoSupply'; component: string }
  | { code: 'closedLoop'; component: string }
  | { code: 'returnToNoPot'; component: string }
  | { code: 'potUnfed'; component: string }
  | { code: 'potUndrawn'; component: string }
  | { code: 'potMisplaced'; component: string }
  /** A pump controller without anything to read its pressure from. */
  | { code: 'noSensor'; component: string }
  /** Its wiring takes so much voltage that the pump does not run. */
  | { code: 'starvedOfVoltage'; component: string; ohms: number }
  | { code: 'unsolved'; fault: NetworkFault; point: string };

/** Every fault that can be seen in the run before anything is computed. */
export function runFaults(job: Job): RunFault[] {
  const { supply, return: back } = job.run;
  if (supply.length === 0) return [{ code: 'emptyRun' }];
  const faults: RunFault[] = [];
  if (supply[0]!.kind !== 'tank') faults.push({ code: 'noTank', first: supply[0]!.id });
  for (const component of [...supply.slice(1), ...back])
    if (component.kind === 'tank') faults.push({ code: 'tankMidway', component: component.id });
  if (!supply.some((c) => c.kind === 'pump')) faults.push({ code: 'noPump' });
  const consumers = supply.filter(isConsumer);
  if (consumers.length === 0) faults.push({ code: 'noConsumer', last: supply.at(-1)!.id });
  if (consumers.length > 1) faults.push({ code: 'twoConsumers', component: consumers[1]!.id });
  const bypass = supply.filter(isBypass);
  const consumerAt = supply.findIndex(isConsumer);
  const lastBypass = supply.findLastIndex(isBypass);
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
    if (isConsumer(component)) faults.push({ code: 'consumerInReturn', component: component.id });
  faults.push(...contradictions(job));
  for (const component of [...supply, ...back]) {
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

/** Parts that work against each other, or that lack what they work with. */
function contradictions({ run: { supply, return: back, returnTo } }: Job): RunFault[] {
  const faults: RunFault[] = [];
  supply.forEach((component, i) => {
    const { id } = component;
    if (component.kind === 'pump' && component.reversed)
      faults.push({ code: 'opposedPump', component: id, inReturn: false });
    if (component.kind === 'pump' && component.beside && supply[i - 1]?.kind !== 'pump')
      faults.push({ code: 'besideNothing', component: id });
    if (component.kind === 'checkValve' && component.reversed)
      faults.push({ code: 'checkValveReversed', component: id });
    if (component.kind !== 'swirlPot') return;
    if (supply.slice(0, i).some((c) => c.kind === 'swirlPot' || isConsumer(c)))
      faults.push({ code: 'potMisplaced', component: id });
    if (!supply.slice(0, i).some((c) => c.kind === 'pump')) faults.push({ code: 'potUnfed', component: id });
    if (!supply.slice(i + 1).some((c) => c.kind === 'pump')) faults.push({ code: 'potUndrawn', component: id });
  });
  for (const component of back) {
    if (component.kind === 'pump') faults.push({ code: 'opposedPump', component: component.id, inReturn: true });
    if (component.kind === 'swirlPot') faults.push({ code: 'potMisplaced', component: component.id });
    if (component.kind === 'checkValve' && component.reversed)
      faults.push({ code: 'checkValveReversed', component: component.id });
  }
  const last = back.at(-1);
  if (last && returnTo === 'supply')
    faults.push({ code: supply[0]!.kind === 'tank' ? 'returnIntoSupply' : 'closedLoop', component: last.id });
  if (last && returnTo === 'pot' && !supply.some((c) => c.kind === 'swirlPot'))
    faults.push({ code: 'returnToNoPot', component: last.id });
  const controlled = supply.find((c) => c.kind === 'pump' && c.drive === 'pwm');
  if (controlled && !supply.some((c) => c.kind === 'pressureSensor'))
    faults.push({ code: 'noSensor', component: controlled.id });
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
      return `${name(fault.component)} is a second consumer on one line: two rails are one part of the run, with the way they are fed.`;
    case 'consumerInReturn':
      return `${name(fault.component)} stands in the return: engines are fed from the supply.`;
    case 'noReturn':
      return `There is a gap after ${name(fault.regulator)}: its return port has no line back to the tank.`;
    case 'strayReturn':
      return `The return begins at ${name(fault.component)}, but no bypass regulator feeds it: there is a gap before it.`;
    case 'noBore':
      return `${name(fault.component)} has no bore: its wall is half its outside diameter or more.`;
    case 'opposedPump':
      return fault.inReturn
        ? `${name(fault.component)} stands in the return and pumps against the one in the supply.`
        : `${name(fault.component)} is turned round: it pumps against the flow, in series with the rest of the run.`;
    case 'besideNothing':
      return `${name(fault.component)} is to work beside the pump before it, but no pump stands there.`;
    case 'checkValveReversed':
      return `${name(fault.component)} is turned round: it lets nothing pass.`;
    case 'returnIntoSupply':
      return `The return ends with ${name(fault.component)} in the supply line: what the regulator spills is pumped round and boils.`;
    case 'closedLoop':
      return `The run is a closed loop without a tank: after ${name(fault.component)} nothing ties its pressure to anything.`;
    case 'returnToNoPot':
      return `The return ends with ${name(fault.component)} in a swirl pot, but there is none on the run.`;
    case 'potUnfed':
      return `No lift pump stands before ${name(fault.component)}: it is never filled.`;
    case 'potUndrawn':
      return `No pump draws from ${name(fault.component)}: a pot open to the tank feeds no rail.`;
    case 'potMisplaced':
      return `${name(fault.component)} is misplaced: one swirl pot stands in the supply, before the pump that feeds the engine.`;
    case 'noSensor':
      return `The controller of ${name(fault.component)} has no pressure sensor on the run: it cannot hold a pressure.`;
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
