import type { Rule } from '../snag.ts';
import { describeRunFault, faultComponent } from '../../run/run-fault.ts';

/** A run that cannot work as it is laid out: a gap, no pump, a table that makes no sense, no convergence. */
export const runDoesNotSolve: Rule = {
  key: 'run-does-not-solve',
  check: ({ job, faults }) =>
    faults
      .filter((fault) => fault.code !== 'emptyRun') // an empty run is the next act, not a mistake
      .map((fault) => ({
        grade: 'stop',
        stage: 'run',
        component: faultComponent(fault),
        what: describeRunFault(fault, job),
        why: 'Until this is put right no pressure or flow can be computed.',
        cure:
          fault.code === 'pumpTable'
            ? 'Check the rows against the pump’s data sheet.'
            : fault.code === 'unsolved'
              ? 'Check the last thing that was changed; undo it if it was a slip.'
              : 'Close the gap on the run, or choose a layout to lay it out again.',
        source: 'computed',
      })),
};
