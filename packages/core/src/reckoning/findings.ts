import { fullLoadDemand, usualBsfc, usualDieselBsfc, type Demand } from '../engine/demand.ts';
import { injectorFindings, type InjectorFindings } from '../engine/injectors.ts';
import type { Fuel } from '../fluids/fuel.ts';
import { waterTest } from '../fluids/water-test.ts';
import { fuelLiquid } from '../fluids/fuel.ts';
import { gaugeOutcome, sweepOutcome, type GaugeOutcome } from '../gauge/gauge-findings.ts';
import { blockingOff, type BlockedOff } from '../hangers/blocking-off.ts';
import { hangerFlows, hangerInTank, type HangerFindings } from '../hangers/hanger-findings.ts';
import { assumed } from '../job/assumption.ts';
import type { Job } from '../job/job.ts';
import { needsOf, type Need } from './needs.ts';
import type { Value } from '../parts/value.ts';
import { compileRun } from '../run/compile-run.ts';
import type { CompiledRun } from '../run/compiled-run.ts';
import { jointsOf, type JointFinding } from '../run/joints.ts';
import { routedJob } from '../routes/routed-job.ts';
import { routeFindings, routeReads, type RouteFindings } from '../routes/route-findings.ts';
import { runReads } from './reads.ts';
import { remembered } from '../memory/remembered.ts';
import { primingOf, type Priming } from '../run/priming.ts';
import { PreparedRun } from '../run/prepared-run.ts';
import { runFaults, type RunFault } from '../run/run-fault.ts';
import { solveRun, type RunSolution } from '../run/solve-run.ts';
import { floatFindings, type FloatFindings } from '../senders/float-findings.ts';
import { tankFindings, type TankFindings } from '../tanks/tank-findings.ts';
import { surveyedTank, tankReads } from '../tanks/surveyed-tank.ts';
import { hotSoak, type HotSoak } from '../heat/hot-soak.ts';
import { driveOf, type Drive } from '../heat/drive.ts';
import { ventFindings, type VentFindings } from '../vents/vent-findings.ts';
import { levelCircuits, type LevelCircuit } from '../wiring/signals.ts';
import { wiringFindings, type WiringFindings } from '../wiring/wiring-findings.ts';

/** Everything computed from a job. Rules, working, cards and drawings read from here and compute no physics of their own. */
export interface Findings {
  /** As its people left it. */
  readonly job: Job;
  readonly routes: RouteFindings;
  readonly needs: readonly Need[];
  readonly faults: readonly RunFault[];
  readonly joints: readonly JointFinding[];
  readonly fuel?: Fuel;
  readonly bsfc?: Value;
  readonly demand?: Demand;
  readonly injectors?: InjectorFindings;
  readonly solution?: RunSolution;
  /** Whether pumps outside the tank fill by themselves. */
  readonly priming: readonly Priming[];
  /** A drive at cruise; absent while a pump's current, the tank's volume or the flow is not known. */
  readonly drive?: Drive;
  /** What stands in the line after stopping hot; absent for what does not boil in use. */
  readonly soak?: HotSoak;
  readonly gauge: GaugeOutcome;
  readonly sweep?: ReturnType<typeof sweepOutcome>;
  readonly tank: TankFindings;
  readonly hanger: HangerFindings;
  readonly float?: FloatFindings;
  readonly vent?: VentFindings;
  /** The pump circuit; absent until one is drawn. */
  readonly wiring?: WiringFindings | undefined;
  /** What gauges see of their senders over that circuit. */
  readonly levels?: readonly LevelCircuit[] | undefined;
  readonly blockedOff: readonly BlockedOff[];
}

/** The job with what its routes tell where nobody measured it: what everything is reckoned and judged by. */
export const reckonedJob = ({ job, routes }: Pick<Findings, 'job' | 'routes'>): Job => routedJob(job, routes);
/** The findings with that job: for what judges, works out or lists rather than edits. */
export const reckoned = (findings: Findings): Findings => ({ ...findings, job: reckonedJob(findings) });

/** The fuel, once family and ethanol share are known. */
export function fuelOf(job: Job): Fuel | undefined {
  if (job.brief.fuel === 'diesel') return { family: 'diesel' };
  if (job.brief.fuel !== 'petrol' || job.brief.ethanol === undefined) return undefined;
  return { family: 'petrol', ethanol: job.brief.ethanol.si };
}

/** The ethanol that the water test found, once all three readings are there. */
export function waterTestOf({
  brief: { testWater, testFuel, testBoundary },
}: Job): ReturnType<typeof waterTest> | undefined {
  return testWater && testFuel && testBoundary ? waterTest(testWater.si, testFuel.si, testBoundary.si) : undefined;
}

/** BSFC as given, or the top of the usual band for a diesel or for the aspiration. */
export function bsfcOf(job: Job): Value | undefined {
  if (job.brief.bsfc) return { si: job.brief.bsfc.si, source: 'chosen' };
  if (job.brief.fuel === 'diesel') return { si: usualDieselBsfc, source: 'common practice' };
  return job.brief.aspiration ? { si: usualBsfc[job.brief.aspiration], source: 'common practice' } : undefined;
}

/** Each step is reckoned again only when what it reads has changed: a note solves nothing, a gauge no network, a hose no tank. */
export function findingsOf(asLeft: Job): Findings {
  const routes = remembered('routes', [routeReads(asLeft)], () => routeFindings(asLeft));
  const job = routedJob(asLeft, routes);
  const needs = needsOf(job);
  const fuel = fuelOf(job);
  const bsfc = bsfcOf(job);
  const power = job.brief.power?.si;
  const demand = power !== undefined && bsfc && fuel ? fullLoadDemand(power, bsfc.si, fuel) : undefined;
  const tankRead = tankReads(job.survey.tank);
  const tank = surveyedTank(job.survey.tank);
  const shell = tank.kind === 'known' ? tank.tank : undefined;
  const runRead = JSON.stringify([runReads(job), fuel, demand?.volumeFlow]);
  let made: CompiledRun | undefined;
  const compiled = () => (made ??= compileRun(job)); // for whichever step needs it
  const run = solvedRun(job, fuel, demand, needs, { runRead, compiled });
  const liquid = fuel && fuelLiquid(fuel, assumed(job.assumptions, 'fuelTemperature'));
  const volume = shell?.full ?? job.survey.tank.capacity?.si;
  const known = { demand: demand?.volumeFlow, density: liquid?.density, full: shell?.full, top: shell?.top };
  const { gauge, hanger, assumptions, survey } = job;
  const isSolved = run.solution !== undefined;
  return {
    job: asLeft,
    routes,
    needs,
    joints: jointsOf(job),
    fuel,
    bsfc,
    demand,
    injectors: demand && fuel && injectorFindings(job.brief, fuel, demand.massFlow, acrossInjectors(job, run.solution)),
    ...run,
    priming: primingOf(job),
    drive:
      isSolved && fuel && demand
        ? remembered('drive', [runRead, volume], () => driveOf(job, fuel, demand.volumeFlow, volume, compiled()))
        : undefined,
    soak:
      run.solution && fuel
        ? remembered('soak', [runRead], () => hotSoak(job, fuel, compiled(), run.solution!))
        : undefined,
    gauge: remembered('gauge', [gauge, tankRead], () => gaugeOutcome(job)),
    sweep: remembered('sweep', [gauge], () => sweepOutcome(job)),
    tank: remembered('tankFindings', [tankRead], () => tankFindings(job, tank)),
    hanger: {
      ...remembered('hanger', [hanger, tankRead], () => hangerInTank(job, shell)),
      ...remembered('hangerFlows', [hanger, tankRead, runRead, isSolved], () =>
        hangerFlows(job, { solution: run.solution, demand: demand?.volumeFlow, liquid, fuel }),
      ),
    },
    float: remembered('float', [gauge, hanger, tankRead], () => floatFindings(job, shell)),
    vent: remembered('vent', [survey.vent, tankRead, assumptions, known], () => ventFindings(job, known)),
    wiring:
      job.wiring && remembered('wiring', [job.wiring, runRead, isSolved], () => wiringFindings(job, run.solution)),
    levels: job.wiring && remembered('levels', [job.wiring, gauge, runRead, isSolved], () => levelCircuits(job, job.wiring!, run.solution)), // prettier-ignore
    blockedOff: blockingOff(survey.oldConnections ?? []),
  };
}

/** Pressure across the injectors at full load: as solved, else as the brief wants it with the manifold as it helps or hinders. */
function acrossInjectors({ brief }: Job, solution: RunSolution | undefined): number {
  if (solution) return solution.points.fullLoad.injectorPressure;
  const against = brief.manifoldReference ? 0 : (brief.boost?.si ?? 0);
  return (brief.railPressure?.si ?? 0) - against;
}

function solvedRun(
  job: Job,
  fuel: Fuel | undefined,
  demand: Demand | undefined,
  needs: readonly Need[],
  { runRead, compiled }: { runRead: string; compiled: () => CompiledRun },
): Pick<Findings, 'faults' | 'solution'> {
  const faults = runFaults(job);
  if (faults.length > 0 || !demand || !fuel || needs.some((n) => n.blocksSolution)) return { faults };
  const solved = remembered('solution', [runRead], () =>
    solveRun(job, fuel, demand.volumeFlow, new PreparedRun(compiled())),
  );
  return solved.ok ? { faults, solution: solved.value } : { faults: [solved.fault] };
}
