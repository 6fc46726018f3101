import type { Rule } from '../snag.ts';
import { placedOf, quoted } from '../reading.ts';
import { figure } from '../../units/quantity.ts';

/** Every port of a rail that is not on the run must be capped or plugged. */
export const openPort: Rule = {
  key: 'open-port',
  check: ({ job }) =>
    placedOf(job, 'rail').flatMap(({ component, line, index }) => {
      const unused = component.unusedPorts ?? 0;
      const closed = component.closedPorts ?? 0;
      if (closed >= unused) return [];
      const open = unused - closed;
      return [
        {
          grade: 'stop',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, 'closedPorts'],
          what: `${quoted(component)} has ${open === 1 ? 'a port' : `${open} ports`} that nothing closes.`,
          figure: { label: 'capped or plugged', ...figure('number', closed) },
          limit: { label: 'ports not on the run', ...figure('number', unused) },
          why: 'At the first key-on it sprays fuel over the engine.',
          cure: open === 1 ? 'Cap the open rail port.' : 'Cap or plug each open rail port.',
          act: { act: 'capPorts', id: component.id },
          actLabel: open === 1 ? 'Cap the port' : 'Cap the ports',
          source: 'common practice',
        },
      ];
    }),
};
