import { assess, type Assessment } from '../assessment/assess.ts';
import { applyAct } from '../acts/apply-act.ts';
import type { LayoutKey } from '../job/layout.ts';
import { pointKeys, type PointKey } from '../run/operating-point.ts';
import type { OperatingPoint } from '../run/operating-point.ts';
import { withStandIns } from './stand-in-parts.ts';
import { partsAside, partsOnRun } from '../parts/graph.ts';
import type { Job } from '../job/job.ts';
import { type Part, isLine, isRegulator, kindOf, partName } from '../parts/kinds.ts';
import { figure, type Figure, type QuantityKind } from '../units/quantity.ts';
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
  /** Stop snags of what is there: what a part that is not measured would be short of is asked of it, not held against the school. */
  readonly stops: number;
  /** Why it cannot be what the brief asks for; absent where it can. */
  readonly cannot?: string;
  readonly suctionMargin?: number; // m of fuel, at the worst
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
  const standIns = new Set(stood.ids);
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
    stops: assessment.snags.filter((s) => s.grade === 'stop' && !(s.part !== undefined && standIns.has(s.part))).length,
    cannot: cannotBe(stood.job),
    suctionMargin: solution?.worstSuction?.result.suctionMargin,
    tankAfterDrive: drive?.steps.at(-1)!.tank,
    joints: joints.length,
    line: line.reduce((sum, c) => sum + lengthOf(c), 0),
    hose: line.reduce((sum, c) => sum + (c.kind === 'hose' ? lengthOf(c) : 0), 0),
    toBuy: [
      ...circuitsOf(laid)
        .parts.filter((c) => !(c.id in job.parts))
        .map(partName),
      ...(isControlled(laid) && !isControlled(job) ? [CONTROLLER] : []),
    ],
    setAside: partsAside(laid)
      .filter((c) => before.has(c.id))
      .map(partName),
    newOpening: needsNewOpening(job, laid),
  };
}

/** A manifold reference that the engine wants and the school cannot give: nothing leads the manifold to a regulator by the tank. */
function cannotBe(laid: Job): string | undefined {
  if (laid.brief.manifoldReference !== true || laid.brief.induction !== 'injection' || laid.brief.direct)
    return undefined;
  const follows = partsOnRun(laid).some(
    (p) => (isRegulator(p) && p.referenced) || (p.kind === 'pump' && p.drive === 'pwm' && p.targetReferenced),
  );
  return follows ? undefined : 'the engine wants a manifold reference, and it has none';
}

const lengthOf = (part: Part) => kindOf(part).length?.(part) ?? 0;

const CONTROLLER = 'Pump controller';

const isControlled = (job: Job) => circuitsOf(job).controlled !== undefined;

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
interface Criterion {
  readonly sentence: (job: Job) => string;
  /** Said of a school that fell by it. */
  readonly fell: string;
  readonly value: (laid: LaidOut) => number | undefined;
  readonly sense: 1 | -1;
  readonly equal: number;
  /** What its figures are, to be shown beside the reason. */
  readonly kind: QuantityKind;
}

const PROGRAMMED = 2; // a controller and its sensor are bought, mounted and programmed: as much work as two parts more

const criteria: readonly Criterion[] = [
  {
    sentence: () => 'it has the fewest stop snags',
    fell: 'more is to stop for',
    value: (l) => l.stops,
    sense: 1,
    equal: 0,
    kind: 'number',
  },
  {
    sentence: (job) =>
      job.brief.induction === 'carburettor'
        ? 'the carburettor gets the steadiest pressure'
        : job.brief.direct
          ? 'the engine’s own pump is fed the steadiest pressure'
          : 'the injectors see the steadiest pressure',
    fell: 'its pressure is less steady',
    value: (l) => l.error,
    sense: 1,
    equal: 0.03,
    kind: 'fraction',
  },
  {
    sentence: () => 'the pump has the most head in hand',
    fell: 'its pump has less in hand',
    value: (l) => l.suctionMargin,
    sense: -1,
    equal: 0.5,
    kind: 'head',
  },
  {
    sentence: () => 'the least has to be bought and programmed for it',
    fell: 'more has to be bought and programmed for it',
    value: effort,
    sense: 1,
    equal: 1,
    kind: 'number',
  },
  {
    sentence: () => 'it warms the tank least',
    fell: 'it warms the tank more',
    value: (l) => l.tankAfterDrive,
    sense: 1,
    equal: 3,
    kind: 'temperature',
  },
  {
    sentence: () => 'it has the fewest joints',
    fell: 'it has more joints',
    value: (l) => l.joints,
    sense: 1,
    equal: 1,
    kind: 'number',
  },
  {
    sentence: () => 'it has the least line',
    fell: 'it has more line',
    value: (l) => l.line,
    sense: 1,
    equal: 0.2,
    kind: 'length',
  },
];

/** Parts that are not at hand; what must be programmed counts for more. */
function effort({ toBuy }: LaidOut): number {
  return toBuy.length + (toBuy.includes(CONTROLLER) ? PROGRAMMED : 0);
}

export interface Recommendation {
  readonly key: LayoutKey;
  readonly reason: string;
  /** What the reason was decided by: its figure, and that of the school that came next. */
  readonly figure?: Figure;
  readonly next?: { readonly key: LayoutKey; readonly figure: Figure };
  /** Schools that would be better by that figure, and what they had fallen by before. */
  readonly despite: readonly { readonly key: LayoutKey; readonly figure: Figure; readonly fell: string }[];
}

/**
 * The school that Endrel would choose: the first reason that it can compute and that leaves one. Common practice in its order:
 * what cannot work, pressure at the injectors, suction, what is at hand, heat, joints, line.
 */
export function recommend(laid: readonly LaidOut[]): Recommendation | undefined {
  let left = laid.filter((l) => l.assessment.findings.solution !== undefined && l.cannot === undefined);
  let decided: { criterion: Criterion; fell: readonly LaidOut[] } | undefined;
  const fellBy = new Map<LaidOut, string>();
  for (const criterion of criteria) {
    if (left.length <= 1) break;
    const { value, sense, equal } = criterion;
    const known = left.filter((l) => value(l) !== undefined);
    if (known.length === 0) continue;
    const best = Math.min(...known.map((l) => sense * value(l)!));
    const kept = known.filter((l) => sense * value(l)! <= best + equal);
    for (const l of left) if (!kept.includes(l)) fellBy.set(l, criterion.fell);
    if (kept.length < left.length) decided = { criterion, fell: known.filter((l) => !kept.includes(l)) };
    left = kept;
  }
  const [chosen] = left;
  if (!chosen) return undefined;
  const { asLeft: job } = chosen.assessment.findings;
  if (!decided)
    return { key: chosen.key, reason: 'nothing that can be computed tells it from the others', despite: [] };
  const { criterion, fell } = decided;
  const { value, sense, kind } = criterion;
  const own = value(chosen);
  const next = [...fell].sort((a, b) => sense * (value(a)! - value(b)!))[0];
  return {
    key: chosen.key,
    reason: criterion.sentence(job),
    figure: own === undefined ? undefined : figure(kind, own),
    next: next && { key: next.key, figure: figure(kind, value(next)!) },
    despite: [...fellBy].flatMap(([l, why]) => {
      const theirs = value(l);
      const isBetter = theirs !== undefined && own !== undefined && sense * theirs < sense * own;
      return isBetter ? [{ key: l.key, figure: figure(kind, theirs), fell: why }] : [];
    }),
  };
}
