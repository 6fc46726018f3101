import { sealHolds } from '../../fittings/chain-search.ts';
import { seals } from '../../fittings/port-form.ts';
import { bestChain, sayChain } from '../../joints/best-chain.ts';
import { chooseChain } from '../../joints/chain-plan.ts';
import { jointPressure } from '../../joints/joint-wants.ts';
import { fuelClasses, fuelClassOf, fittingVerdict } from '../../ratings/material-fuel.ts';
import { fittingMaterials } from '../../fittings/fitting-material.ts';
import { figure } from '../../units/quantity.ts';
import { quotedId } from '../reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Ends that seal on each other but are not for the pressure here, and chosen adapters that the fuel attacks. */
export const adapterNotRated: Rule = {
  key: 'adapter-not-rated',
  check: (findings) =>
    findings.joints.flatMap((joint): SnagReport[] => {
      const { job, fuel, solution } = findings;
      const { id, to, chain, meetings } = joint;
      const pressure = jointPressure(id, solution);
      // clamped hose is judged by the hose and its clamp
      const known = meetings.flatMap((m) => (m.mating.mates && m.isKnown && m.mating.seal !== 'clampedHose' ? [m.mating.seal] : [])); // prettier-ignore
      const weakest = known.length > 0 ? known.reduce((a, b) => (sealHolds[b] < sealHolds[a] ? b : a)) : undefined;
      const stated = Math.min(Infinity, ...chain.map((a) => a.maximumPressure ?? Infinity));
      const holds = Math.min(stated, weakest === undefined ? Infinity : sealHolds[weakest]);
      const attacked = fuel ? chain.find((a) => a.shape !== 'tubeEnd' && fittingVerdict(a.material, fuel, job.materials) !== 'fine') : undefined; // prettier-ignore
      const cure = () => {
        const best = bestChain(joint, findings);
        return best && best.links.length > 0
          ? { cure: `Put in instead: ${sayChain(best)}.`, act: chooseChain(joint, best), actLabel: 'Put these adapters in' } // prettier-ignore
          : { cure: 'Use ends of a kind that holds it, such as flare or O-ring.' };
      };
      const where = `the inlet of ${quotedId(job, to)}`;
      return [
        ...(pressure !== undefined && pressure > holds
          ? [
              {
                grade: 'stop',
                stage: 'joints',
                part: to,
                which: `${id}-pressure`,
                path: ['parts', to, 'ports', joint.inlet.port, 'fitting'],
                what: `The joint at ${where} seals, but not at the pressure there: ${stated <= holds ? 'its adapter' : seals[weakest!]}.`,
                figure: { label: 'highest pressure here', ...figure('pressure', pressure) },
                limit: { label: 'such a joint holds', ...figure('pressure', holds) },
                why: 'It holds while it is looked at, and lets go hot or with a blocked line.',
                ...cure(),
                source: 'typical, from memory: ask the maker',
              } as const,
            ]
          : []),
        ...(attacked && fuel
          ? [
              {
                grade: fittingVerdict(attacked.material, fuel, job.materials) === 'attacked' ? 'stop' : 'fix',
                stage: 'joints',
                part: to,
                which: `${id}-fuel`,
                path: ['parts', to, 'ports', joint.inlet.port, 'fitting'],
                what: `An adapter at ${where} does not last in this fuel: ${fittingMaterials[attacked.material]} with ${fuelClasses[fuelClassOf(fuel)]}.`,
                why: 'What the fuel takes off it ends in pump, jets and injectors.',
                ...cure(),
                source: 'typical, from memory: ask the maker',
              } as const,
            ]
          : []),
      ];
    }),
};
