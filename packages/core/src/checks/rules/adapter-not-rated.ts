import { objections, type Objection } from '../../fittings/allowed-here.ts';
import { fittingMaterials } from '../../ratings/fitting-material.ts';
import { seals, type Seal } from '../../fittings/port-form.ts';
import { bestChain, sayChain } from '../../joints/best-chain.ts';
import { chooseChain } from '../../joints/chain-plan.ts';
import { placeOf } from '../../joints/joint-place.ts';
import { fittingMetals, fuelClasses, fuelClassOf, sourceOn } from '../../ratings/material-fuel.ts';
import type { Findings } from '../../reckoning/findings.ts';
import type { JointFinding } from '../../run/joints.ts';
import { figure } from '../../units/quantity.ts';
import { quotedId } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

const MEMORY = 'typical, from memory: ask the maker';

/** Ends that seal on each other but are not for the pressure or the heat here, and chosen adapters that the fuel attacks. */
export const adapterNotRated: Rule = {
  key: 'adapter-not-rated',
  check: (findings) => findings.joints.flatMap((joint) => reportsOf(findings, joint)),
};

function reportsOf(findings: Findings, joint: JointFinding): SnagReport[] {
  const { id, to, chain, meetings } = joint;
  // clamped hose is judged by the hose and its clamp
  const known = meetings.flatMap((m) =>
    m.mating.mates && m.isKnown && m.mating.seal !== 'clampedHose' ? [m.mating.seal] : [],
  );
  if (known.length === 0 && chain.length === 0) return [];
  const place = placeOf(findings, joint);
  const found = known.flatMap((seal) => objections(seal, [], place).map((o) => ({ o, seal })));
  const ofParts = objections('formed', chain, place).map((o) => ({ o, seal: 'formed' as const }));
  const first = (by: Objection['by']) =>
    [...found, ...ofParts].filter(({ o }) => o.by === by).sort((a, b) => limitOf(a.o) - limitOf(b.o))[0];
  return (['pressure', 'heat', 'fuel'] as const).flatMap((by): SnagReport[] => {
    const worst = first(by);
    if (!worst) return [];
    const base = {
      stage: 'joints',
      part: to,
      which: `${id}-${by}`,
      path: ['parts', to, 'ports', joint.inlet.port, 'fitting'],
      source: sourceOf(findings, worst.o),
      ...cureOf(findings, joint),
    } as const;
    return [{ ...base, ...wordsOf(findings, worst.o, worst.seal, `the inlet of ${quotedId(findings.job, to)}`) }];
  });
}

const sourceOf = ({ fuel, job }: Findings, o: Objection): string =>
  o.by === 'fuel' ? sourceOn(fittingMetals[o.material], fuelClassOf(fuel!), job.materials) : MEMORY;

const limitOf = (o: Objection): number => (o.by === 'fuel' ? (o.verdict === 'attacked' ? 0 : 1) : o.limit);

function wordsOf(
  { fuel }: Findings,
  o: Objection,
  seal: Seal,
  where: string,
): Pick<SnagReport, 'grade' | 'what' | 'why' | 'figure' | 'limit'> {
  switch (o.by) {
    case 'pressure':
      return {
        grade: 'stop',
        what: `The joint at ${where} seals, but not at the pressure there: ${o.of === 'part' ? 'its adapter' : seals[seal]}.`,
        figure: { label: 'highest pressure here', ...figure('pressure', o.is) },
        limit: { label: 'such a joint holds', ...figure('pressure', o.limit) },
        why: 'It holds while it is looked at, and lets go hot or with a blocked line.',
      };
    case 'heat':
      return {
        grade: 'fix',
        what: `The joint at ${where} gets hotter than it lasts: ${seals[seal]}.`,
        figure: { label: 'after stopping hot', ...figure('temperature', o.is) },
        limit: { label: 'such a joint lasts up to', ...figure('temperature', o.limit) },
        why: 'Its seal hardens or its body creeps, and it weeps when it cools.',
      };
    case 'fuel':
      return {
        grade: o.verdict === 'attacked' ? 'stop' : 'fix',
        what: `An adapter at ${where} does not last in this fuel: ${fittingMaterials[o.material]} with ${fuelClasses[fuelClassOf(fuel!)]}.`,
        why: 'What the fuel takes off it ends in pump, jets and injectors.',
      };
  }
}

/** Another chain, where there is one that holds here. */
function cureOf(findings: Findings, joint: JointFinding): Pick<SnagReport, 'cure' | 'act' | 'actLabel'> {
  const best = bestChain(joint, findings);
  const codes = (list: readonly { readonly code: string }[]) => list.map((a) => a.code).join();
  if (!best || best.links.length === 0 || codes(best.links.map((l) => l.adapter)) === codes(joint.chain))
    return { cure: 'Use ends of a kind that holds it, such as flare or O-ring, or move the joint.' };
  return {
    cure: `Put in instead: ${sayChain(best)}.`,
    act: chooseChain(joint, best),
    actLabel: 'Put these adapters in',
  };
}
