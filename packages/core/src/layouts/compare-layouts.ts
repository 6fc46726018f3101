import { assess, type Assessment } from '../assess.ts';
import { applyAct } from '../job/acts/apply-act.ts';
import type { LayoutKey } from '../job/layout.ts';
import { pointKeys, type PointKey } from '../run/operating-point.ts';
import type { OperatingPoint } from '../run/operating-point.ts';
import { withStandIns } from './stand-in-parts.ts';
import { partsAside, partsOnRun } from '../job/graph.ts';
import type { Job } from '../job/job.ts';
import { type Part, isLine, kindOf, partName } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';

/** A job laid out in one school and solved, with what the schools are compared by. SI. */
export interface LaidOut {
  readonly key: LayoutKey;
  readonly assessment: Assessment;
  /** Parts that are not measured yet and reckoned with plain assumptions. */
  readonly assumed: readonly string[];
  /** Injector pressure (a carburettor: inlet pressure) and what is wanted there, at each usual point. Pa. */
  readonly pressures: Readonly<Partial<Record<PointKey, { readonly has: number; readonly wants: number }>>>;
  /** Largest miss of the wanted pressure, as a share of it. */
  readonly error?: number;
  readonly suctionMargin?: number; // m of fuel, hot
  readonly tankAfterDrive?: number; // K
  readonly joints: number;
  readonly line: number; // m of hose and tube
  readonly hose: number; // m of it that is hose
  /** Names of parts that are not on the run or set aside yet. */
  readonly toBuy: readonly string[];
  /** Names of measured parts that it has no use for. */
  readonly setAside: readonly string[];
  /** A return or an overflow needs a way into the tank that is not there: cut for good. Otherwise all can be put back. */
  readonly newOpening: boolean;
}

/** The job in one school, with the parts there are and stand-ins for those there are not. */
export function layOutAndSolve(job: Job, key: LayoutKey): LaidOut {
  // the school that it is laid out in is judged as it stands, in the fitter's own order of parts
  const asItStands = key === job.layout.key && partsOnRun(job).length > 0;
  const laid = asItStands ? job : applyAct(job, { act: 'chooseLayout', key });
  const stood = withStandIns(laid);
  const assessment = assess(stood.job);
  const { solution, drive, joints } = assessment.findings;
  const before = new Set(partsOnRun(job).map((c) => c.id));
  const line = partsOnRun(stood.job).filter((c) => isLine(c) || c.kind === 'returnDrop' || c.kind === 'bend');
  const pressures: LaidOut['pressures'] = Object.fromEntries(
    pointKeys.flatMap((k) => {
      const result = solution?.points[k];
      const wants = result && wantedAtInjectors(stood.job, result.point);
      return result && wants !== undefined && k !== 'keyOn' ? [[k, { has: result.injectorPressure, wants }]] : [];
    }),
  );
  return {
    key,
    assessment,
    assumed: stood.assumed,
    pressures,
    error: solution && Math.max(...Object.values(pressures).map((p) => Math.abs(p.has / p.wants - 1))),
    suctionMargin: solution?.points.fullLoadHot.suctionMargin,
    tankAfterDrive: drive?.steps.at(-1)!.tank,
    joints: joints.length,
    line: line.reduce((sum, c) => sum + lengthOf(c), 0),
    hose: line.reduce((sum, c) => sum + (c.kind === 'hose' ? lengthOf(c) : 0), 0),
    toBuy: [
      ...circuitsOf(laid)
        .parts.filter((c) => !(c.id in job.parts))
        .map(partName),
      ...(isControlled(laid) && !isControlled(job) ? ['Pump controller'] : []),
    ],
    setAside: partsAside(laid)
      .filter((c) => before.has(c.id))
      .map(partName),
    newOpening: needsNewOpening(job, laid),
  };
}

const lengthOf = (part: Part) => kindOf(part).length?.(part) ?? 0;

const isControlled = (job: Job) => partsOnRun(job).some((c) => c.kind === 'pump' && c.drive === 'pwm');

/** A return or an overflow comes into the tank, and neither a drop nor an old connection is there for it. */
function needsNewOpening(job: Job, laid: Job): boolean {
  const { tank } = circuitsOf(laid);
  const intoTank = tank !== undefined && circuitsOf(laid).into(tank.id).length > 0;
  const had = Object.values(job.parts).some((c) => c.kind === 'returnDrop' || c.kind === 'swirlPot');
  const old = (job.survey.oldConnections ?? []).some((c) => c.did === 'return' || c.fate === 'reuse');
  return intoTank && !had && !old;
}

/** What the engine wants where it measures: with a manifold reference the same at every point, without one what it gets. */
function wantedAtInjectors(job: Job, point: OperatingPoint): number | undefined {
  const base = job.brief.railPressure?.si;
  if (base === undefined) return undefined;
  // an engine mapped for a fixed rail pressure sees it less the manifold, whatever the layout
  return job.brief.induction === 'injection' && !job.brief.direct && job.brief.manifoldReference === false
    ? base - point.manifold
    : base;
}

/** What decides between schools, in this order, and how close two must come to count as equal. */
const criteria: readonly {
  readonly sentence: string;
  readonly value: (laid: LaidOut) => number | undefined;
  readonly sense: 1 | -1;
  readonly equal: number;
}[] = [
  {
    sentence: 'it has the fewest stop snags',
    value: (l) => l.assessment.snags.filter((s) => s.grade === 'stop').length,
    sense: 1,
    equal: 0,
  },
  { sentence: 'the injectors see the steadiest pressure', value: (l) => l.error, sense: 1, equal: 0.03 },
  {
    sentence: 'the pump has the most head in hand',
    value: (l) => l.suctionMargin,
    sense: -1,
    equal: 0.5,
  },
  { sentence: 'it warms the tank least', value: (l) => l.tankAfterDrive, sense: 1, equal: 3 },
  { sentence: 'it has the fewest joints', value: (l) => l.joints, sense: 1, equal: 1 },
  { sentence: 'it needs the fewest new parts', value: (l) => l.toBuy.length, sense: 1, equal: 0 },
  { sentence: 'it has the least line', value: (l) => l.line, sense: 1, equal: 0.2 },
];

export interface Recommendation {
  readonly key: LayoutKey;
  readonly reason: string;
}

/**
 * The school that Endrel would choose: the first reason that it can compute and that tells them apart. Common practice in
 * its order: pressure at the injectors, suction, heat, joints, cost, line.
 */
export function recommend(laid: readonly LaidOut[]): Recommendation | undefined {
  let left = laid.filter((l) => l.assessment.findings.solution !== undefined);
  let reason = '';
  for (const { value, sense, equal, sentence } of criteria) {
    if (left.length <= 1) break;
    const known = left.filter((l) => value(l) !== undefined);
    if (known.length === 0) continue;
    const best = Math.min(...known.map((l) => sense * value(l)!));
    const kept = known.filter((l) => sense * value(l)! <= best + equal);
    if (kept.length < left.length) reason = sentence;
    left = kept;
  }
  return left[0] && { key: left[0].key, reason: reason || 'nothing that can be computed tells it from the others' };
}
