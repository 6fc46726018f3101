import type { Seal } from '../../fittings/mate.ts';
import { quotedId } from '../reading.ts';
import type { Rule } from '../snag.ts';

const sealNames: Record<Seal, string> = {
  metalCone: 'a flare',
  oRing: 'an O-ring',
  taperedThread: 'a tapered thread',
  washer: 'washers',
  clampedHose: 'a clamped hose',
  quickConnector: 'a quick connector',
};

/** Tapered threads need liquid sealant, never tape; everything else seals by itself. */
export const sealantWrong: Rule = {
  key: 'sealant-wrong',
  check: ({ job, joints }) =>
    joints.flatMap((joint) => {
      if (!joint.verdict?.ok || joint.sealant === undefined) return [];
      const { seal } = joint.verdict;
      const right = seal === 'taperedThread' ? 'liquid' : 'none';
      if (joint.sealant === right) return [];
      const tapered = seal === 'taperedThread';
      return [
        {
          grade: 'fix',
          stage: 'run',
          part: joint.to,
          which: joint.id,
          path: ['joints', joint.id, 'sealant'],
          what: tapered
            ? `The tapered joint at the inlet of ${quotedId(job, joint.to)} has ${joint.sealant === 'tape' ? 'tape' : 'no sealant'}.`
            : `The joint at the inlet of ${quotedId(job, joint.to)} seals by ${sealNames[seal]}, but has sealant on it.`,
          why: tapered
            ? 'Tape shreds into injectors or jets, and a dry taper weeps.'
            : 'Sealant keeps the parts from seating and its crumbs end in injectors or jets.',
          cure: tapered
            ? 'Clean it and use liquid sealant rated for fuel, on the male thread only.'
            : 'Clean it and join it dry, O-rings with a drop of oil.',
          act: {
            act: 'setOnJoints',
            changes: [{ id: joint.id, key: 'sealant', value: right }],
            title: `sealant at the inlet of ${quotedId(job, joint.to)}: ${right}`,
          },
          actLabel: tapered ? 'Use liquid sealant' : 'Join it dry',
          source: 'common practice',
        },
      ];
    }),
};
