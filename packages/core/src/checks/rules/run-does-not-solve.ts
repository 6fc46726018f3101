import { describeRunFault, faultPart, type RunFault } from '../../run/run-fault.ts';
import { circuits } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';
import { freePort } from '../../parts/graph.ts';
import type { Job } from '../../job/job.ts';

/** What every rule that reads pressures, flows or temperatures has to leave unsaid. */
export const HIDES =
  'Hides snags about pressure, flow, suction, voltage and heat: they are looked for once this one is cured.';

/** A run that cannot work as it is laid out: a gap, no pump, a table that makes no sense, no convergence. */
export const runDoesNotSolve: Rule = {
  key: 'run-does-not-solve',
  check: ({ job, faults }) =>
    faults
      // an empty run is the next act, not a mistake; a missing sensor has a rule of its own
      .filter((fault) => fault.code !== 'emptyRun' && fault.code !== 'noSensor')
      .map((fault) => ({
        which: 'port' in fault ? `${fault.code}:${fault.port}` : fault.code,
        grade: 'stop',
        stage: 'run',
        part: faultPart(fault),
        what: describeRunFault(fault, job),
        why: 'Until this is put right no pressure or flow can be computed.',
        ...cureOf(fault, job),
        source: 'computed',
        hides: HIDES,
      })),
};

function cureOf(fault: RunFault, job: Job): Pick<SnagReport, 'cure' | 'act' | 'actLabel'> {
  const turn = (id: string) =>
    ({ act: { act: 'setOnPart', id, key: 'reversed', value: false }, actLabel: 'Turn it round' }) as const;
  switch (fault.code) {
    case 'pumpTable':
      return { cure: 'Check the rows against the pump’s data sheet.' };
    case 'unsolved':
      return { cure: 'Check the last thing that was changed; undo it if it was a slip.' };
    case 'opposedPump':
      return fault.inReturn
        ? {
            cure: 'Take it out of the return: the regulator’s spill needs no pump.',
            act: { act: 'takeOut', id: fault.part } as const,
            actLabel: 'Take it out',
          }
        : { cure: 'Turn it round: its arrow points to the engine.', ...turn(fault.part) };
    case 'checkValveReversed':
      return { cure: 'Turn it round: its arrow points with the flow.', ...turn(fault.part) };
    case 'returnIntoSupply':
      return { cure: 'End the return in the tank, below the surface.', ...endInTank(job, fault.joint) };
    case 'closedLoop':
      return { cure: 'Put the tank at the start of the supply and end the return in it.' };
    case 'pumpUnjoined':
    case 'drawsNothing':
      return { cure: 'Join it where it belongs, or take the pump out.' };
    case 'secondTank':
    case 'twoEngines':
      return { cure: 'Keep one of the two.' };
    case 'noTank':
      return { cure: 'Put the tank at the start of the supply, or choose a layout to lay the run out again.' };
    case 'potUnfed':
      return { cure: 'Put a lift pump between the tank and the pot, or choose the layout with a swirl pot.' };
    case 'potUndrawn':
      return { cure: 'Put the high-pressure pump after the pot.' };
    case 'potMisplaced':
      return { cure: 'Keep one swirl pot, between the lift pump and the high-pressure pump.' };
    case 'starvedOfVoltage':
      return { cure: 'Use thicker wire, shorter runs, or a relay close to the pump.' };
    default:
      return { cure: 'Close the gap on the run, or choose a layout to lay it out again.' };
  }
}

/** The joint by which the return runs into the supply goes to the tank instead. */
function endInTank(job: Job, joint: string): Pick<SnagReport, 'act' | 'actLabel'> {
  const { tank } = circuits(job);
  const flow = circuits(job).flow(joint);
  if (!tank || !flow) return {};
  return {
    act: { act: 'moveEnd', joint, part: flow.to, to: { part: tank.id, port: freePort(job, tank, 'return') } },
    actLabel: 'End it in the tank',
  };
}
