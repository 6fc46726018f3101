import type { Rule, SnagReport } from '../snag.ts';
import { describeRunFault, faultComponent, type RunFault } from '../../run/run-fault.ts';

/** A run that cannot work as it is laid out: a gap, no pump, a table that makes no sense, no convergence. */
export const runDoesNotSolve: Rule = {
  key: 'run-does-not-solve',
  check: ({ job, faults }) =>
    faults
      // an empty run is the next act, not a mistake; a missing sensor has a rule of its own
      .filter((fault) => fault.code !== 'emptyRun' && fault.code !== 'noSensor')
      .map((fault) => ({
        grade: 'stop',
        stage: 'run',
        component: faultComponent(fault),
        what: describeRunFault(fault, job),
        why: 'Until this is put right no pressure or flow can be computed.',
        ...cureOf(fault),
        source: 'computed',
      })),
};

function cureOf(fault: RunFault): Pick<SnagReport, 'cure' | 'act' | 'actLabel'> {
  const turn = (id: string) =>
    ({ act: { act: 'setOnComponent', id, key: 'reversed', value: false }, actLabel: 'Turn it round' }) as const;
  const toTank = {
    act: { act: 'set', path: ['run', 'returnTo'], value: 'tank' },
    actLabel: 'End it in the tank',
  } as const;
  switch (fault.code) {
    case 'pumpTable':
      return { cure: 'Check the rows against the pump’s data sheet.' };
    case 'unsolved':
      return { cure: 'Check the last thing that was changed; undo it if it was a slip.' };
    case 'opposedPump':
      return fault.inReturn
        ? {
            cure: 'Take it out of the return: the regulator’s spill needs no pump.',
            act: { act: 'removeComponent', id: fault.component },
            actLabel: 'Take it out',
          }
        : { cure: 'Turn it round: its arrow points to the engine.', ...turn(fault.component) };
    case 'checkValveReversed':
      return { cure: 'Turn it round: its arrow points with the flow.', ...turn(fault.component) };
    case 'returnIntoSupply':
    case 'returnToNoPot':
      return { cure: 'End the return in the tank, below the surface.', ...toTank };
    case 'closedLoop':
      return { cure: 'Put the tank at the start of the supply and end the return in it.' };
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
