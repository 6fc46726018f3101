import type { PumpTableFault } from '../hydraulics/pump-curve.ts';
import type { NetworkFault } from '../hydraulics/network.ts';
import { partsOnRun, type Graph } from '../parts/graph.ts';
import { describeNetworkFault } from '../networks/network-report.ts';
import { isPump, kindOf, partName } from '../parts/kinds.ts';
import { pumpModel } from '../pumps/pump-model.ts';
import { formatQuantity } from '../units/format-quantity.ts';
import { circuitsOf, type Circuits } from './circuits.ts';

/** Why a run cannot be solved as it is laid out: each is a mistake in the run itself, not a missing measurement. */
export type RunFault =
  | { code: 'emptyRun' }
  | { code: 'noTank' }
  | { code: 'secondTank'; part: string }
  | { code: 'noPump' }
  | { code: 'noConsumer'; part?: string }
  /** No pump feeds it: there is a gap behind `after`. */
  | { code: 'unfed'; part: string; after?: string }
  /** A carburettor and a rail on one run. */
  | { code: 'twoEngines'; part: string }
  | { code: 'noReturn'; part: string }
  /** The return of a regulator ends nowhere. */
  | { code: 'returnGap'; part: string }
  | { code: 'strayReturn'; part: string }
  | { code: 'pumpUnjoined'; part: string; port: string }
  /** What it draws through leads to no tank and no pot. */
  | { code: 'drawsNothing'; part: string; first: string }
  | { code: 'pumpTable'; part: string; fault: PumpTableFault }
  | { code: 'noBore'; part: string }
  /** Works against the pump that feeds the run: turned round, or put in the return. */
  | { code: 'opposedPump'; part: string; inReturn: boolean }
  | { code: 'checkValveReversed'; part: string }
  /** The return runs into the supply: with the tank still on the run, or as a loop that nothing ties to tank pressure. */
  | { code: 'returnIntoSupply'; part: string; joint: string }
  | { code: 'closedLoop'; part: string }
  | { code: 'potUnfed'; part: string }
  | { code: 'potUndrawn'; part: string }
  | { code: 'potMisplaced'; part: string }
  /** A pump controller without anything to read its pressure from. */
  | { code: 'noSensor'; part: string }
  /** Its wiring takes so much voltage that the pump does not run. */
  | { code: 'starvedOfVoltage'; part: string; ohms: number }
  | { code: 'unsolved'; fault: NetworkFault; point: string };

/** Every fault that can be seen in the run before anything is computed. */
export function runFaults(job: Graph): RunFault[] {
  if (partsOnRun(job).length === 0) return [{ code: 'emptyRun' }];
  const run = circuitsOf(job);
  const faults: RunFault[] = [];
  const tanks = run.parts.filter((p) => p.kind === 'tank');
  if (tanks.length === 0) faults.push({ code: 'noTank' });
  for (const tank of tanks.slice(1)) faults.push({ code: 'secondTank', part: tank.id });
  if (run.pumps.length === 0) faults.push({ code: 'noPump' });
  faults.push(...consumerFaults(run), ...returnFaults(run), ...pumpFaults(run), ...potFaults(run));
  for (const part of run.parts) {
    if (part.kind === 'checkValve' && part.reversed) faults.push({ code: 'checkValveReversed', part: part.id });
    if (part.kind === 'hardLine' && part.outsideDiameter && part.wall && part.wall.si * 2 >= part.outsideDiameter.si)
      faults.push({ code: 'noBore', part: part.id });
  }
  return faults;
}

function consumerFaults(run: Circuits): RunFault[] {
  const faults: RunFault[] = [];
  const last = run.order.findLast((id) => run.lineOf(id) === 'supply' && !run.isTap(id));
  if (run.consumers.length === 0) return [{ code: 'noConsumer', part: last }];
  const kinds = new Set(run.consumers.map((id) => run.part(id).kind));
  if (kinds.size > 1) faults.push({ code: 'twoEngines', part: run.consumers.at(-1)! });
  for (const part of run.consumers) {
    const zone = run.zoneOf(part);
    if (run.pumps.length === 0 || (zone?.fedBy.length ?? 0) > 0) continue;
    // where the supply that a pump does feed stops
    const after = run.order.findLast((id) => run.isOnPressure(id) || isPump(run.part(id)));
    faults.push({ code: 'unfed', part, after });
  }
  return faults;
}

function returnFaults(run: Circuits): RunFault[] {
  const faults: RunFault[] = [];
  for (const part of run.bypasses) {
    const zone = run.zoneAt(part, 'return');
    const [joint] = run.outOf(part).filter((f) => f.fromPort === 'return');
    if (!joint) faults.push({ code: 'noReturn', part });
    else if (zone && (zone.fedBy.length > 0 || zone.drawnBy.some((pump) => !isReturnPump(run, pump)))) {
      const [at, into] = whereItMeets(run, part);
      faults.push(run.tank ? { code: 'returnIntoSupply', part: at, joint: into } : { code: 'closedLoop', part: at });
    } else if (zone && zone.into.length === 0 && zone.drawnBy.length === 0) faults.push({ code: 'returnGap', part });
  }
  for (const id of run.order) {
    const zone = run.zoneOf(id);
    const isFirst = run.into(id).length === 0;
    if (zone?.kind === 'return' && zone.spilledBy.length === 0 && isFirst)
      faults.push({ code: 'strayReturn', part: id });
  }
  return faults;
}

/** The last part of a regulator's return, and the joint by which it runs into the supply. */
function whereItMeets(run: Circuits, regulator: string): [part: string, joint: string] {
  let flow = run.outOf(regulator).find((f) => f.fromPort === 'return')!;
  const seen = new Set<string>();
  for (;;) {
    seen.add(flow.joint);
    const on = run.outOf(flow.to);
    const isJunction = run.ports(flow.to).length > 2 || isPump(run.part(flow.to));
    if (isJunction || on.length === 0 || seen.has(on[0]!.joint))
      return [flow.from === regulator ? flow.to : flow.from, flow.joint];
    flow = on[0]!;
  }
}

/** It draws what a regulator spills and nothing else, and presses it into the tank. */
function isReturnPump(run: Circuits, id: string): boolean {
  const [before, behind] = [run.zoneBefore(id), run.zoneOf(id)];
  if (!before || !behind || before.spilledBy.length === 0 || before.from.length > 0 || before.fedBy.length > 0)
    return false;
  return behind.into.length > 0 && !run.consumers.some((consumer) => run.zoneOf(consumer) === behind);
}

function pumpFaults(run: Circuits): RunFault[] {
  const faults: RunFault[] = [];
  for (const id of run.pumps) {
    const part = run.part(id);
    const inReturn = isReturnPump(run, id);
    if (inReturn || (isPump(part) && part.reversed)) faults.push({ code: 'opposedPump', part: id, inReturn });
    for (const port of run.ports(id))
      if (port.state !== 'mated' && (port.port === 'in' || port.port === 'out'))
        faults.push({ code: 'pumpUnjoined', part: id, port: port.spec.name });
    const before = run.zoneBefore(id);
    const [first] = run.into(id);
    if (run.tank && before && first && before.from.length + before.fedBy.length + before.spilledBy.length === 0)
      faults.push({ code: 'drawsNothing', part: id, first: run.upstream(first.from).at(-1) ?? first.from });
    if (part.kind !== 'pump' || !part.tables?.length) continue;
    const model = pumpModel(part);
    if (!model.ok) faults.push({ code: 'pumpTable', part: id, fault: model.fault });
  }
  const controlled = run.controlled;
  const sensed = run.parts.some((c) => kindOf(c).isSensor && run.into(c.id).length > 0);
  if (controlled && !sensed) faults.push({ code: 'noSensor', part: controlled.id });
  return faults;
}

function potFaults(run: Circuits): RunFault[] {
  const faults: RunFault[] = [];
  run.pots.forEach((part, i) => {
    if (i > 0) faults.push({ code: 'potMisplaced', part });
    if ((run.zoneAt(part, 'lift')?.fedBy.length ?? 0) === 0) faults.push({ code: 'potUnfed', part });
    if ((run.zoneAt(part, 'feed')?.drawnBy.length ?? 0) === 0) faults.push({ code: 'potUndrawn', part });
  });
  return faults;
}

/** Which part a fault stands at, if one. */
export const faultPart = (fault: RunFault): string | undefined => ('part' in fault ? fault.part : undefined);

/** One sentence that names the thing. */
export function describeRunFault(fault: RunFault, job: Graph): string {
  const name = (id: string) => (job.parts[id] ? `“${partName(job.parts[id])}”` : `“${id}”`);
  switch (fault.code) {
    case 'emptyRun':
      return 'The run is empty: choose a layout to lay it out.';
    case 'noTank':
      return 'The supply has no tank: nothing ties its pressure to anything.';
    case 'secondTank':
      return `${name(fault.part)} is a second tank: a run has one, whose lobes are in the survey.`;
    case 'noPump':
      return 'The loop has no pump: nothing moves the fuel.';
    case 'noConsumer':
      return fault.part
        ? `The supply ends at ${name(fault.part)}: there is a gap between it and the engine, no rail or carburettor follows.`
        : 'No rail or carburettor is on the run.';
    case 'unfed':
      return fault.after
        ? `No pump feeds ${name(fault.part)}: there is a gap on the run, the supply stops at ${name(fault.after)}.`
        : `No pump feeds ${name(fault.part)}: there is a gap on the run before it.`;
    case 'twoEngines':
      return `${name(fault.part)} stands on a run that feeds another kind of engine already: rails or carburettors, not both.`;
    case 'noReturn':
      return `There is a gap after ${name(fault.part)}: its return port has no line back to the tank.`;
    case 'returnGap':
      return `The return of ${name(fault.part)} ends in the open: there is a gap between it and the tank.`;
    case 'strayReturn':
      return `The return begins at ${name(fault.part)}, but no bypass regulator feeds it: there is a gap before it.`;
    case 'pumpUnjoined':
      return `The ${fault.port} of ${name(fault.part)} is joined to nothing.`;
    case 'drawsNothing':
      return `${name(fault.part)} draws nothing: there is a gap between ${name(fault.first)} and the tank.`;
    case 'noBore':
      return `${name(fault.part)} has no bore: its wall is half its outside diameter or more.`;
    case 'opposedPump':
      return fault.inReturn
        ? `${name(fault.part)} stands in the return and pumps against the one in the supply.`
        : `${name(fault.part)} is turned round: it pumps against the flow, in series with the rest of the run.`;
    case 'checkValveReversed':
      return `${name(fault.part)} is turned round: it lets nothing pass.`;
    case 'returnIntoSupply':
      return `The return ends with ${name(fault.part)} in the supply line: what the regulator spills is pumped round and boils.`;
    case 'closedLoop':
      return `The run is a closed loop without a tank: after ${name(fault.part)} nothing ties its pressure to anything.`;
    case 'potUnfed':
      return `No lift pump stands before ${name(fault.part)}: it is never filled.`;
    case 'potUndrawn':
      return `No pump draws from ${name(fault.part)}: a pot open to the tank feeds no rail.`;
    case 'potMisplaced':
      return `${name(fault.part)} is misplaced: one swirl pot stands in the supply, before the pump that feeds the engine.`;
    case 'noSensor':
      return `The controller of ${name(fault.part)} has no pressure sensor on the run: it cannot hold a pressure.`;
    case 'starvedOfVoltage':
      return `${name(fault.part)} does not get the voltage to run: its wiring of ${formatQuantity('resistance', fault.ohms)} takes nearly all of it.`;
    case 'pumpTable':
      return pumpTableSentence(fault.fault, name(fault.part));
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
