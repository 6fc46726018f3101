import type { Liquid } from '../hydraulics/network.ts';
import type { Result } from '../result.ts';
import type { TankOutcome } from '../tanks/surveyed-tank.ts';
import { type Demand } from '../engine/demand.ts';
import { type InjectorFindings } from '../engine/injectors.ts';
import type { Fuel } from '../fluids/fuel.ts';
import type { sweepOutcome } from '../gauge/gauge-findings.ts';
import { type GaugeOutcome } from '../gauge/gauge-findings.ts';
import { type BlockedOff } from '../hangers/blocking-off.ts';
import type { HangerFindings, HangerFlows, HangerInTank, returnDropOf } from '../hangers/hanger-findings.ts';
import type { Job } from '../job/job.ts';
import { type Need } from './needs.ts';
import type { Value } from '../parts/value.ts';
import type { CompiledRun } from '../run/compiled-run.ts';
import { type JointFinding } from '../run/joints.ts';
import { type RouteFindings } from '../routes/route-findings.ts';
import { type Priming } from '../run/priming.ts';
import { type RunFault } from '../run/run-fault.ts';
import { type RunSolution } from '../run/solve-run.ts';
import { type FloatFindings } from '../senders/float-findings.ts';
import { type TankFindings } from '../tanks/tank-findings.ts';
import { type HotSoak } from '../heat/hot-soak.ts';
import { type Drive } from '../heat/drive.ts';
import { type VentFindings } from '../vents/vent-findings.ts';
import { type LevelCircuit } from '../wiring/signals.ts';
import { type WiringFindings } from '../wiring/wiring-findings.ts';

/** Everything computed from a job. Rules, working, cards and drawings read from here and compute no physics of their own. */
export interface Findings {
  /** As its people left it. */
  readonly asLeft: Job;
  /** The same with what its routes tell where nobody measured it: what everything is reckoned and judged by. */
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

/** Results on the way to those that are shown. */
export interface Found extends Omit<Findings, 'asLeft' | 'job'> {
  /** The tank as surveyed. */
  readonly shell: TankOutcome;
  readonly liquid: Liquid | undefined;
  /** m3, brim-full. */
  readonly volume: number | undefined;
  /** What is wrong with the run as it is joined. */
  readonly gaps: readonly RunFault[];
  readonly compiled: () => CompiledRun;
  readonly solved: Result<RunSolution, RunFault> | undefined;
  readonly isSolved: boolean;
  readonly returnDrop: ReturnType<typeof returnDropOf>;
  readonly hangerInTank: HangerInTank;
  readonly hangerFlows: HangerFlows;
}
