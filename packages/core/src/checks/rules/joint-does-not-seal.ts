import { sayMismatch } from '../../fittings/mating.ts';
import { describePort } from '../../fittings/port.ts';
import { bestChain, sayChain } from '../../joints/best-chain.ts';
import { chooseChain } from '../../joints/chain-plan.ts';
import { figure } from '../../units/quantity.ts';
import { quotedId } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/**
 * Two ends that are put together and do not mate: 45° on 37°, a plain flare in an O-ring boss, and the other look-alikes; adapters
 * that fitted before a part was changed.
 */
export const jointDoesNotSeal: Rule = {
  key: 'joint-does-not-seal',
  check: (findings) =>
    findings.joints.flatMap((joint) => {
      const { job } = findings;
      // what nobody has looked at is no fault yet: there the adapters are proposed
      const wrong = joint.meetings.filter((m) => !m.mating.mates && (m.isKnown || joint.chain.length > 0));
      const [first] = wrong;
      if (!first || first.mating.mates) return [];
      const [a, b] = first.ends;
      const best = bestChain(joint, findings);
      const isHose = first.mating.mismatch.code === 'differentSizes' && first.ends.some((end) => end.form === 'hose');
      const wasChosen = joint.chain.length > 0;
      const between = best && best.links.length > 0 ? sayChain(best) : undefined;
      const act = best && chooseChain(joint, best);
      const { outlet, inlet, from, to, id } = joint;
      return [
        {
          grade: first.isKnown ? 'stop' : 'fix',
          stage: 'joints',
          part: to,
          which: id,
          path: ['parts', to, 'ports', inlet.port, 'fitting'],
          what: wasChosen
            ? `The adapters between ${quotedId(job, from)} and ${quotedId(job, to)} fit no more: ${sayMismatch(first.mating.mismatch, a, b)}.`
            : `${quotedId(job, from)} and ${quotedId(job, to)} do not make a joint: ${sayMismatch(first.mating.mismatch, a, b)}.`,
          figure: { label: 'joints that do not seal', ...figure('number', wrong.length) },
          limit: { label: 'allowed', ...figure('number', 0) },
          why: 'A joint that screws together without its own seal leaks under pressure, often only once it is hot.',
          cure: between
            ? `Put between them: ${between}.`
            : isHose
              ? 'Take hose of the size of what it goes over, or change that.'
              : `Change one of ${describePort(outlet.fitting!)} and ${describePort(inlet.fitting!)}: no adapters join them under the conditions here.`,
          ...(act && (between || wasChosen)
            ? { act, actLabel: between ? 'Put these adapters in' : 'Take the adapters out' }
            : {}),
          source: 'SAE J514, SAE J512, SAE J1926-1, ASME B1.20.1, ISO 7-1',
        },
      ];
    }),
};
