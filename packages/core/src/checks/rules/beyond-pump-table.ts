import { circuits } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** Results that rest on a pump's behaviour outside its table. */
export const beyondPumpTable: Rule = {
  key: 'beyond-pump-table',
  check: ({ job, solution }) => {
    if (!solution?.extrapolated && !solution?.beyondTable) return [];
    return [
      {
        grade: 'note',
        stage: 'run',
        part: circuits(job).pumps[0],
        what: solution.extrapolated
          ? 'The pump is reckoned at a voltage outside its flow tables (extrapolated).'
          : 'The pump works at a flow beyond the last row of its table (extrapolated).',
        why: 'How a pump goes with its speed and on beyond its last row is a guess where the maker measured nothing.',
        cure: 'Add a table at another voltage, or rows at lower pressure; or measure the flow into a can.',
        source: 'affinity laws for a turbine, displacement less slip for the others',
      },
    ];
  },
};
