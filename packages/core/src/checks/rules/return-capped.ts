import { circuits } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** A layout that brings fuel back, into a tank whose only way back is to be closed. */
export const returnCapped: Rule = {
  key: 'return-capped',
  check: ({ job }) => {
    const run = circuits(job);
    const { tank } = run;
    const comesBack = tank && run.into(tank.id).some((f) => f.toPort.startsWith('return-'));
    const old = (job.survey.oldConnections ?? []).filter((c) => c.did === 'return');
    const closed = old.find((c) => c.fate === 'cap' || c.fate === 'weld' || c.fate === 'remove');
    // a drop tube through the plate is a way of its own
    const hasOther = old.some((c) => c.fate === 'reuse') || run.parts.some((p) => p.kind === 'returnDrop');
    if (!comesBack || !closed || hasOther) return [];
    return [
      {
        grade: 'stop',
        stage: 'survey',
        which: closed.id,
        path: ['survey', 'oldConnections', closed.id, 'fate'],
        what: 'The run brings fuel back to the tank, and the tank’s return is to be closed.',
        why: 'What the regulator spills has nowhere to go: the rail climbs to the pump’s dead-head pressure.',
        cure: 'Use the old return again, bring one through the plate, or choose a layout without a return.',
        act: { act: 'set', path: ['survey', 'oldConnections', closed.id, 'fate'], value: 'reuse' },
        actLabel: 'Use the old return again',
        source: 'common practice',
      },
    ];
  },
};
