import { compareAssessments, assess, type Assessment, type Preview } from '../assessment/assess.ts';
import type { Act } from '../acts/act.ts';
import { applyAct } from '../acts/apply-act.ts';
import type { PumpTable } from '../pumps/pump-table.ts';
import { measured } from '../fields/measured.ts';
import { settledValue } from '../parts/value.ts';
import { JET_MARGIN } from '../hangers/siphon.ts';
import { netDraw, potVolumeFor, secondsOf } from '../run/swirl-pot.ts';
import { LEAST_PUMP_MARGIN, LEAST_SUCTION_MARGIN, MOST_CREEP, velocityGuides } from '../run/limits.ts';
import { compileRun } from '../run/compile-run.ts';
import { PreparedRun } from '../run/prepared-run.ts';
import { HELD_SHARE, resultsOf, solveRun, type RunSolution } from '../run/solve-run.ts';
import { typicalHoseBore } from '../units/dash-size.ts';
import { figure, type Figure } from '../units/quantity.ts';
import { lineSizes, linesOf, resize, type LineGroup } from './line-sizes.ts';
import type { Job } from '../job/job.ts';
import { type PartOf, partName } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';

/** A pump to choose from: the generic ones, and the shop's own. */
export interface LibraryPump {
  readonly key: string;
  readonly name: string;
  readonly tables: readonly PumpTable[];
}

/** A figure held against what it has to keep to. */
export interface Check {
  readonly label: string;
  readonly figure: Figure;
  readonly limit: Figure;
  readonly sense: 'atMost' | 'atLeast';
  readonly ok: boolean;
}

/** The smallest size that meets every limit, or that none does. */
export interface Proposal {
  readonly key: LineGroup | 'pump' | 'liftPump' | 'jet' | 'pot';
  readonly title: string;
  /** "−6, 8.7 mm hose"; absent when none of the sizes does. */
  readonly proposed?: string;
  readonly tried: readonly string[];
  /** What it comes to as the run is, and with the proposal. */
  readonly now: readonly Check[];
  readonly then?: readonly Check[];
  readonly why: string;
  readonly act?: Act;
  /** What it changes elsewhere. */
  readonly preview?: Preview;
}

const guides = { ...velocityGuides, feed: velocityGuides.pressure };

const titles: Record<LineGroup, string> = { suction: 'Suction line', feed: 'Feed line', return: 'Return line' };
const reasons: Record<LineGroup, string> = {
  suction: 'Slow fuel keeps its head over vapour pressure at the pump.',
  feed: 'Holds the rail at full load, hot and with a dirty filter, and keeps the pump’s margin.',
  return:
    'Takes all that the pump spills at idle and on overrun without letting the rail creep, and does not foam the tank.',
};

/**
 * Every size that Endrel can work out for a job, smallest first: lines, pumps, the siphon's jet, the pot. Each is tried on
 * the whole run, so that all that it changes elsewhere is known.
 *
 */
export function* proposals(job: Job, library: readonly LibraryPump[]): Generator<Proposal, void, void> {
  const before = assess(job);
  if (!before.findings.solution) return;
  for (const group of ['suction', 'feed', 'return'] as const) {
    const found = lineProposal(job, before, group);
    if (found) yield found;
  }
  yield* pumpProposals(job, before, library);
  const jet = jetProposal(job, before);
  if (jet) yield jet;
  const pot = potProposal(job, before);
  if (pot) yield pot;
}

function lineProposal(job: Job, before: Assessment, group: LineGroup): Proposal | undefined {
  const lines = linesOf(job, group);
  if (lines.length === 0) return undefined;
  const ids = new Set(lines.map((c) => c.id));
  const sizes = lineSizes.map((dash) => ({
    name: `−${dash}, hose ${((typicalHoseBore(dash) ?? 0) * 1000).toFixed(1)} mm`,
    act: resize(lines, dash, `${titles[group].toLowerCase()} in −${dash}`),
  }));
  return smallest(job, before, { key: group, title: titles[group], why: reasons[group] }, sizes, (solution) =>
    lineChecks(solution, group, ids),
  );
}

function lineChecks(solution: RunSolution, group: LineGroup, ids: ReadonlySet<string>): Check[] {
  const velocity = Math.max(
    ...resultsOf(solution).flatMap((p) => p.parts.filter((c) => ids.has(c.id)).map((c) => c.velocity ?? 0)),
  );
  const fast = check('velocity, fastest', 'velocity', velocity, guides[group], 'atMost');
  const { fullLoadHot, idle, overrun } = solution.points;
  if (group === 'suction')
    return [check('suction margin, hot', 'head', fullLoadHot.suctionMargin, LEAST_SUCTION_MARGIN, 'atLeast'), fast];
  if (group === 'feed') {
    const { wanted } = fullLoadHot;
    return [
      ...(wanted === undefined
        ? []
        : [check('rail at full load, hot', 'pressure', fullLoadHot.railPressure, HELD_SHARE * wanted, 'atLeast')]),
      ...(solution.margin
        ? [check('pump margin', 'fraction', solution.margin.margin, LEAST_PUMP_MARGIN, 'atLeast')]
        : []),
      fast,
    ];
  }
  return [
    ...[idle, overrun].flatMap((p) => {
      const { wanted } = p;
      return wanted === undefined
        ? []
        : [check(`rail at ${p.point.name}`, 'pressure', p.railPressure, (1 + MOST_CREEP) * wanted, 'atMost')];
    }),
    fast,
  ];
}

function* pumpProposals(job: Job, before: Assessment, library: readonly LibraryPump[]): Generator<Proposal> {
  const run = circuitsOf(job);
  const electric = (ids: readonly string[]) =>
    ids.flatMap((id) => {
      const part = run.part(id);
      return part.kind === 'pump' ? [part] : [];
    });
  const main = electric(run.feedPumps);
  const lift = electric(run.liftPumps);
  const weakestFirst = [...library].sort((a, b) => powerOf(a) - powerOf(b));
  const swapFor = (which: PartOf<'pump'>[]): { name: string; act: Act }[] =>
    weakestFirst.map(({ name, tables }) => ({
      name,
      act: {
        act: 'setOnParts',
        title: `${name} for ${which.map(partName).join(', ')}`,
        changes: which.map(({ id }) => ({ id, key: 'tables', value: tables })),
      },
    }));
  if (main.length > 0)
    yield smallest(
      job,
      before,
      {
        key: 'pump',
        title: main.length > 1 ? `${main.length} pumps` : 'Pump',
        why: 'Feeds full load with hot fuel, low voltage and a dirty filter; a larger one only warms the tank and loads the return.',
      },
      swapFor(main),
      (solution) =>
        solution.margin ? [check('pump margin', 'fraction', solution.margin.margin, LEAST_PUMP_MARGIN, 'atLeast')] : [],
    );
  const potPart = run.parts.find((c) => c.kind === 'swirlPot');
  if (lift.length > 0 && potPart?.kind === 'swirlPot')
    yield smallest(
      job,
      before,
      { key: 'liftPump', title: 'Lift pump', why: 'Keeps the pot running over at every operating point.' },
      swapFor(lift),
      (solution) => {
        const worst = Math.min(...resultsOf(solution).map((p) => p.pot?.overflow ?? 0));
        return [check('runs over, worst', 'volumeFlow', worst, settledValue(potPart, 'liftMargin'), 'atLeast')];
      },
    );
}

/** What a pump draws at its strongest, W: the measure of small and large. */
function powerOf({ tables }: LibraryPump): number {
  const strongest = tables.reduce((a, b) => (b.voltage.si > a.voltage.si ? b : a), tables[0]!);
  return Math.max(...strongest.rows.map((r) => (r.current?.si ?? r.flow.si * 3.6e6 * 0.03) * strongest.voltage.si));
}

function jetProposal(job: Job, before: Assessment): Proposal | undefined {
  const { siphon } = before.findings.hanger;
  const drill = job.hanger?.jetDrill?.si;
  if (!siphon) return undefined;
  const moment = siphon.chosenFor === 'cruise' ? 'cruise' : 'fullLoad';
  const at = siphon[moment];
  const now = [
    check(
      `brings across at ${moment === 'cruise' ? 'cruise' : 'full load'}`,
      'volumeFlow',
      at.suction,
      at.demand * JET_MARGIN,
      'atLeast',
    ),
  ];
  const base = {
    key: 'jet',
    title: 'Siphon jet',
    tried: ['0.8 to 8 mm in steps of 0.1 mm'],
    now,
    why: 'The largest drill that still brings across what the engine burns: every smaller one only holds the regulator back.',
  } as const;
  if (siphon.drill === undefined) return base;
  const millimetres = Number((siphon.drill * 1000).toFixed(1));
  const act: Act = { act: 'set', path: ['hanger', 'jetDrill'], value: measured(siphon.drill, 'mm') };
  const after = assess(applyAct(job, act));
  const then = after.findings.hanger.siphon?.[moment];
  return {
    ...base,
    proposed: `${millimetres} mm drill`,
    then: then && [check(now[0]!.label, 'volumeFlow', then.suction, then.demand * JET_MARGIN, 'atLeast')],
    act: siphon.drill === drill ? undefined : act,
    preview: compareAssessments(before, after),
  };
}

function potProposal(job: Job, before: Assessment): Proposal | undefined {
  const pot = circuitsOf(job).parts.find((c) => c.kind === 'swirlPot');
  const flow = before.findings.solution?.points.fullLoad.pot;
  if (pot?.kind !== 'swirlPot' || !flow) return undefined;
  const net = netDraw(flow);
  const wanted = settledValue(pot, 'secondsWanted');
  const volume = potVolumeFor(wanted, net);
  const lasts = (v: number) => [check('lasts at full load', 'time', secondsOf(v, net), wanted, 'atLeast')];
  const act: Act = { act: 'setOnPart', id: pot.id, key: 'volume', value: measured(volume, 'L') };
  return {
    key: 'pot',
    title: 'Swirl pot',
    proposed: `${Number((volume * 1000).toFixed(2))} L`,
    tried: ['by the tenth of a litre'],
    now: pot.volume ? lasts(pot.volume.si) : [],
    then: lasts(volume),
    why: 'Feeds the engine at full load for as long as you want with the pickup dry.',
    act: pot.volume?.si === volume ? undefined : act,
    preview: compareAssessments(before, assess(applyAct(job, act))),
  };
}

/** Tries sizes from the smallest until one keeps every limit. */
function smallest(
  job: Job,
  before: Assessment,
  head: Pick<Proposal, 'key' | 'title' | 'why'>,
  sizes: readonly { name: string; act: Act }[],
  checks: (solution: RunSolution) => Check[],
): Proposal {
  const { solution, fuel, demand } = before.findings;
  const now = checks(solution!);
  const tried: string[] = [];
  const prepared = new PreparedRun(compileRun(job));
  for (const { name, act } of sizes) {
    tried.push(name);
    const changed = applyAct(job, act);
    prepared.become(changed);
    const trial = solveRun(changed, fuel!, demand!.volumeFlow, prepared);
    if (!trial.ok || !checks(trial.value).every((c) => c.ok)) continue;
    // on the whole job, for all that it changes elsewhere
    const after = assess(changed);
    const then = after.findings.solution && checks(after.findings.solution);
    if (then?.every((c) => c.ok))
      return { ...head, tried, now, then, proposed: name, act, preview: compareAssessments(before, after) };
  }
  return { ...head, tried, now };
}

function check(label: string, kind: Figure['kind'], si: number, limit: number, sense: Check['sense']): Check {
  return {
    label,
    figure: figure(kind, si),
    limit: figure(kind, limit),
    sense,
    ok: sense === 'atMost' ? si <= limit : si >= limit,
  };
}
