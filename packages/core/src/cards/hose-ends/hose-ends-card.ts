import type { Section } from '../../documents/document.ts';
import { endKinds, endSteps, hoseEnds, type EndKind } from '../../joints/hose-end-steps.ts';
import { capital } from '../../units/capital.ts';
import { defineCard } from '../define-card.ts';

/** How the ends of every hose are made: each kind of end once, with the hoses that it is for. */
export const hoseEndsCard = defineCard('hose-ends', ({ job, joints }) => {
  const hoses = hoseEnds(job, joints);
  const sections = (Object.keys(endSteps) as EndKind[]).flatMap((kind): Section[] => {
    const ends = hoses.flatMap((h) =>
      h.ends.filter((e) => e.kind === kind).map((e) => `${h.name} at joint ${e.joint}`),
    );
    if (ends.length === 0) return [];
    return [{ as: 'steps', heading: capital(endKinds[kind]), about: ends.join('; '), steps: [...endSteps[kind]] }];
  });
  return sections.length === 0 ? [] : [{ key: 'hose-ends', title: 'Making the hose ends', sections }];
});
