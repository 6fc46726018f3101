import { INJECTION_PRESSURE } from '../../ratings/hose-construction.ts';
import { figure } from '../../units/quantity.ts';
import { circuits, highestPressure, partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';
import { partName } from '../../parts/kinds.ts';

/** A worm-drive clamp cuts the hose and creeps; injection pressure needs a band clamp. */
export const wormClamp: Rule = {
  key: 'worm-clamp',
  check: (findings) =>
    partsOfKind(findings.job, 'hose').flatMap((part) => {
      const pressure = highestPressure(findings, part.id);
      const worm = circuits(findings.job)
        .ports(part.id)
        .flatMap((p) => (p.peer?.joint.clamp === 'worm' ? [p.peer.joint.id] : []));
      if (worm.length === 0 || pressure === undefined || pressure <= INJECTION_PRESSURE) return [];
      return [
        {
          grade: 'fix',
          stage: 'run',
          part: part.id,
          path: ['joints', worm[0]!, 'clamp'],
          what: `${quoted(part)} is held by worm-drive clamps on injection pressure.`,
          figure: { label: 'highest pressure', ...figure('pressure', pressure) },
          limit: { label: 'worm-drive clamps up to', ...figure('pressure', INJECTION_PRESSURE) },
          why: 'The slots cut the cover and the clamp lets go as the rubber sets.',
          cure: 'Use band clamps of the injection type, one size for the hose.',
          act: {
            act: 'setOnJoints',
            changes: worm.map((id) => ({ id, key: 'clamp', value: 'band' })),
            title: `band clamps on ${partName(part)}`,
          },
          actLabel: 'Use band clamps',
          source: 'common practice',
        },
      ];
    }),
};
