import { seals as sealNames } from '../../fittings/port-form.ts';
import { rightSealant } from '../../joints/make-up.ts';
import { quotedId } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** Tapered threads need liquid sealant, never tape; everything else seals by itself. */
export const sealantWrong: Rule = {
  key: 'sealant-wrong',
  check: ({ job, joints }) =>
    joints.flatMap(({ joint, meetings, to, id }) => {
      const { sealant } = joint;
      const seals = meetings.flatMap((m) => (m.mating.mates && m.isKnown ? [m.mating.seal] : []));
      if (sealant === undefined || seals.length === 0 || seals.length < meetings.length) return [];
      const right = rightSealant(seals);
      const tapered = right === 'liquid';
      if (sealant === right) return [];
      const title = `sealant at the inlet of ${quotedId(job, to)}: ${right}`;
      return [
        {
          grade: 'fix',
          stage: 'joints',
          part: to,
          which: id,
          path: ['joints', id, 'sealant'],
          what: tapered
            ? `The tapered joint at the inlet of ${quotedId(job, to)} has ${sealant === 'tape' ? 'tape' : 'no sealant'}.`
            : `The joint at the inlet of ${quotedId(job, to)} seals by ${sealNames[seals[0]!]}, but has sealant on it.`,
          why: tapered
            ? 'Tape shreds into injectors or jets, and a dry taper weeps.'
            : 'Sealant keeps the parts from seating and its crumbs end in injectors or jets.',
          cure: tapered
            ? 'Clean it and use liquid sealant rated for fuel, on the male thread only.'
            : 'Clean it and join it dry, O-rings with a drop of oil.',
          act: { act: 'setOnJoints', changes: [{ id, key: 'sealant', value: right }], title },
          actLabel: tapered ? 'Use liquid sealant' : 'Join it dry',
          source: 'common practice',
        },
      ];
    }),
};
