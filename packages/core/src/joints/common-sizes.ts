import type { ChainSearch } from '../fittings/chain-search.ts';
import { applyAct } from '../acts/apply-act.ts';
import type { ActOf } from '../acts/act.ts';
import type { Job } from '../job/job.ts';
import { isLine, isPump, kindOf, type PartOf } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { tubeOutsideDiameter, typicalHoseBore, typicalPtfeBore } from '../units/dash-size.ts';
import { inches } from '../units/quick.ts';
import { ChainPlanner, fillJoints } from './chain-plan.ts';

/** Sizes that a run is commonly made in. */
export const commonDashes = [6, 8, 10] as const;

/** The whole run in one size of feed and one of return, and what it costs in pressure. SI. */
export interface CommonSize {
  readonly feed: number;
  readonly back: number;
  /** Sizes of line on the run then. */
  readonly sizes: number;
  readonly joints: number;
  /** Adapters and ends that it takes. */
  readonly adapters: number;
  readonly price: number;
  /** Lost between pump and rail at full load, lift left out, Pa; absent while the run is not solved. */
  readonly loss?: number;
  /** Rail at full load and at idle, Pa gauge. */
  readonly railFull?: number;
  readonly railIdle?: number;
  readonly act: ActOf<'setOnParts'>;
}

/** Every choice of common size, one after the other; the run is solved with each, adapters and all. */
export function* commonSizes(job: Job, search: ChainSearch): Generator<CommonSize> {
  const planner = new ChainPlanner(search);
  const hasReturn = circuitsOf(job).parts.some((p) => isLine(p) && circuitsOf(job).lineOf(p.id) === 'return');
  for (const feed of commonDashes)
    for (const back of hasReturn ? commonDashes : [feed]) {
      const act = sizeAct(job, feed, back);
      if (!act) return;
      yield sized(job, act, feed, back, planner);
    }
}

function sized(job: Job, act: ActOf<'setOnParts'>, feed: number, back: number, planner: ChainPlanner): CommonSize {
  let after = applyAct(job, act);
  const bare = findingsOf(after);
  const filling = fillJoints(bare.joints, planner.plan(bare));
  if (filling) after = applyAct(after, filling);
  const { joints, solution } = findingsOf(after);
  const chain = joints.flatMap((j) => j.chain);
  const [full, idle] = [solution?.points.fullLoad, solution?.points.idle];
  const run = circuitsOf(after);
  const lost = full?.parts
    .filter(({ id }) => run.isOnPressure(id) && !isPump(run.part(id)) && run.lineOf(id) === 'supply')
    .reduce((sum, c) => sum + Math.max(0, c.inletPressure - c.outletPressure - c.lift), 0);
  const inJoints = joints.reduce((sum, j) => sum + (j.line === 'supply' ? (full?.joints[j.id]?.loss ?? 0) : 0), 0);
  return {
    feed,
    back,
    sizes: new Set([feed, back]).size,
    joints: joints.reduce((sum, j) => sum + Math.max(1, j.meetings.length), 0),
    adapters: chain.length,
    price: chain.reduce((sum, a) => sum + a.price, 0),
    ...(lost === undefined
      ? {}
      : { loss: lost + inJoints, railFull: full!.railPressure, railIdle: idle!.railPressure }),
    act,
  };
}

const unitIn = (si: number) => ({ si, unit: 'in' });
const unitMm = (si: number) => ({ si, unit: 'mm' });

/** Every line outside the tank in the common size of its way. */
function sizeAct(job: Job, feed: number, back: number): ActOf<'setOnParts'> | undefined {
  const run = circuitsOf(job);
  const changes = run.parts.filter(isLine).flatMap((part) => {
    if (kindOf(part).isInTank?.(part)) return [];
    const dash = run.lineOf(part.id) === 'supply' ? feed : back;
    return part.kind === 'hardLine'
      ? [{ id: part.id, key: 'outsideDiameter', value: unitIn(tubeOutsideDiameter(dash)) }]
      : [{ id: part.id, key: 'bore', value: unitMm(hoseBore(part, dash)) }];
  });
  if (changes.length === 0) return undefined;
  return {
    act: 'setOnParts',
    changes,
    title: feed === back ? `the whole run in −${feed}` : `feed in −${feed}, return in −${back}`,
  };
}

/** Clamped hose goes by the inch of the dash, hose with ends of its own by its typical bore. */
function hoseBore({ construction }: PartOf<'hose'>, dash: number): number {
  if (construction === 'ptfe') return typicalPtfeBore(dash)!;
  if (construction === 'braidedRubber') return typicalHoseBore(dash)!;
  return inches(dash / 16);
}
