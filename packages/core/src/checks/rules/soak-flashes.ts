import { partName } from '../../parts/kinds.ts';
import { formatQuantity } from '../../units/format-quantity.ts';
import { figure } from '../../units/quantity.ts';
import { vapourSource } from '../../fluids/vapour-pressure.ts';
import type { Rule } from '../snag.ts';

/** A control unit runs the pump about so long with the key on; a longer restart needs the key twice. Common practice. */
const LONGEST_REFILL = 4; // s

/** Fuel that boils in the lines while the hot engine stands, and what the restart has to fill again. */
export const soakFlashes: Rule = {
  key: 'soak-flashes',
  check: ({ job, soak, fuel }) => {
    const { flashes, refill, safeAgain, isHeld } = soak ?? {};
    if (!soak || !flashes || refill === undefined || refill <= LONGEST_REFILL) return [];
    return [
      {
        grade: 'fix',
        stage: 'run',
        part: flashes.part,
        what: `Fuel boils in “${partName(job.parts[flashes.part]!)}” ${formatQuantity('time', flashes.time)} after stopping hot.`,
        figure: { label: 'the pump takes to fill it again', ...figure('time', refill) },
        limit: { label: 'at most', ...figure('time', LONGEST_REFILL) },
        why: `The engine cranks on vapour${safeAgain === undefined ? '' : `, for ${formatQuantity('time', safeAgain)} after it was stopped`}.`,
        cure: isHeld
          ? 'Keep the line off the heat: a sleeve, a shield, another way; or let it lose its pressure more slowly.'
          : 'Hold the pressure: a check valve at the pump and a regulator that shuts; sleeve what lies in the heat.',
        source: `heat by zone from the air assumed in the bay; vapour pressure by ${vapourSource(fuel!)}${soak.isExtrapolated ? ', extrapolated' : ''}`,
      },
    ];
  },
};
