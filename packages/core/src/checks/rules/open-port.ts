import { figure } from '../../units/quantity.ts';
import { circuits, quoted } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';
import { isBypass, isPump, kindOf } from '../../parts/kinds.ts';

/** Every port that holds fuel must be joined, capped or plugged. */
export const openPort: Rule = {
  key: 'open-port',
  check: ({ job }) =>
    circuits(job).parts.flatMap((part): SnagReport[] => {
      const ports = circuits(job).ports(part.id);
      const open = ports.filter((p) => p.state === 'open' && p.spec.use !== 'dry');
      // a part that is joined to nothing at all is told as such
      if (open.length === 0 || !ports.some((p) => p.state === 'mated')) return [];
      // the return port of a regulator and the ends of a pump are told where the run is judged
      if ((isBypass(part) && open.every((p) => p.spec.use === 'spill')) || isPump(part)) return [];
      const names = open.map((p) => p.spec.name).join(', ');
      const inTank = kindOf(part).isVessel === true || circuits(job).zoneOf(part.id)?.kind === 'suction';
      return [
        {
          grade: 'stop',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'ports', open[0]!.port],
          what: `${quoted(part)} has ${open.length === 1 ? 'a port' : `${open.length} ports`} that nothing closes: ${names}.`,
          figure: { label: open.length === 1 ? 'port open' : 'ports open', ...figure('number', open.length) },
          limit: { label: 'allowed', ...figure('number', 0) },
          why: inTank
            ? 'It lets fuel or vapour out, or air in.'
            : 'At the first key-on it sprays fuel over whatever is beside it.',
          cure: open.length === 1 ? 'Join it, cap it or plug it.' : 'Join, cap or plug each of them.',
          act: { act: 'closePorts', id: part.id, with: 'capped' },
          actLabel: open.length === 1 ? 'Cap the port' : 'Cap the ports',
          source: 'common practice',
        },
      ];
    }),
};
