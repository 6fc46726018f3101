import { setAt, valueAt } from '../acts/at-path.ts';
import { fullLoadDemand } from '../engine/demand.ts';
import type { FieldPath } from '../fields/field-path.ts';
import type { Measured } from '../fields/measured.ts';
import type { Fuel } from '../fluids/fuel.ts';
import { driveOf, type Drive } from '../heat/drive.ts';
import { hotSoak, type HotSoak } from '../heat/hot-soak.ts';
import type { Job } from '../job/job.ts';
import { bsfcOf, fuelOf } from '../reckoning/brief-values.ts';
import { failure, type Result } from '../result.ts';
import { compileRun } from '../run/compile-run.ts';
import { operatingPoints, type PointKey } from '../run/operating-point.ts';
import { pointResult, type PointResult } from '../run/point-result.ts';
import { PreparedRun } from '../run/prepared-run.ts';
import type { RunFault } from '../run/run-fault.ts';
import { solvePoint } from '../run/solve-point.ts';
import { solveRun, type RunSolution } from '../run/solve-run.ts';
import { surveyedTank, type TankOutcome } from '../tanks/surveyed-tank.ts';

/** Roots whose numbers change nothing of how a run is compiled: only at what it is solved. */
const SOLVED_AT: ReadonlySet<string | number> = new Set(['brief', 'assumptions', 'points', 'wiring']);

/**
 * The laws of one job over numbers that vary, for samples, streams and plans: run, circuit, tank and heat as functions of a vector of
 * values. Nothing is remembered by content and no finding is made; the run is compiled once, and set to each sample.
 */
export class JobLaws {
  readonly #base: Job;
  readonly #paths: readonly FieldPath[];
  readonly #units: readonly string[];
  /** Whether a number that varies is built into the compiled run otherwise than by its own part. */
  readonly #recompiles: boolean;
  #prepared: PreparedRun | undefined;

  /**
   * @param job - as routed: lengths that its routes tell are in it.
   * @param paths - of quantities that the job has. @throws RangeError for a path that holds none.
   */
  constructor(job: Job, paths: readonly FieldPath[]) {
    this.#base = job;
    this.#paths = paths;
    this.#units = paths.map((path) => {
      const held = valueAt(job, path) as Partial<Measured> | undefined;
      if (typeof held?.si !== 'number' || typeof held.unit !== 'string')
        throw new RangeError(`${path.join(' ')} holds no quantity`);
      return held.unit;
    });
    this.#recompiles = paths.some(([root]) => root !== 'parts' && !SOLVED_AT.has(root!));
  }

  /** The job's own values, SI, in the order of the paths. */
  get values(): Float64Array {
    return Float64Array.from(this.#paths, (path) => (valueAt(this.#base, path) as Measured).si);
  }

  /** @param values - SI, in the order of the paths. The sample is good until the next is taken. */
  at(values: ArrayLike<number>): Sample {
    const job = this.#paths.reduce<Job>(
      (done, path, i) => setAt(done, path, { si: values[i]!, unit: this.#units[i]! }) as Job,
      this.#base,
    );
    return new Sample(job, () => this.#preparedFor(job));
  }

  #preparedFor(job: Job): PreparedRun {
    if (this.#prepared && !this.#recompiles)
      try {
        this.#prepared.become(job);
        return this.#prepared;
      } catch (fault) {
        if (!(fault instanceof RangeError)) throw fault; // it is another run with these values: compiled anew
      }
    return (this.#prepared = new PreparedRun(compileRun(job)));
  }
}

/** What the laws say of one vector of values; each is reckoned when it is asked for. Undefined where the job does not know enough. */
export class Sample {
  readonly job: Job;
  readonly fuel: Fuel | undefined;
  /** At full load, m3/s. */
  readonly demand: number | undefined;
  readonly #prepare: () => PreparedRun;
  #prepared: PreparedRun | undefined;
  #solution: Result<RunSolution, RunFault> | undefined;

  constructor(job: Job, prepare: () => PreparedRun) {
    this.job = job;
    this.#prepare = prepare;
    this.fuel = fuelOf(job);
    const [power, bsfc] = [job.brief.power?.si, bsfcOf(job)];
    this.demand =
      this.fuel && bsfc && power !== undefined ? fullLoadDemand(power, bsfc.si, this.fuel).volumeFlow : undefined;
  }

  get #run(): PreparedRun {
    return (this.#prepared ??= this.#prepare());
  }

  /** One operating point: pressures, flows, volts at the pumps and what they draw. */
  point(key: PointKey): Result<PointResult, RunFault> | undefined {
    const { job, fuel, demand } = this;
    if (!fuel || demand === undefined) return undefined;
    const point = operatingPoints(job, fuel, demand).find((p) => p.key === key);
    if (!point) return undefined;
    const solved = solvePoint(this.#run, job, fuel, point);
    return solved.ok ? { ok: true, value: pointResult(job, fuel, point, solved.value) } : failure(solved.fault);
  }

  /** Every usual point, margin, suction and dead head. */
  solution(): Result<RunSolution, RunFault> | undefined {
    const { job, fuel, demand } = this;
    if (!fuel || demand === undefined) return undefined;
    return (this.#solution ??= solveRun(job, fuel, demand, this.#run));
  }

  tank(): TankOutcome {
    return surveyedTank(this.job.survey.tank);
  }

  /** A drive at cruise. */
  drive(): Drive | undefined {
    const { job, fuel, demand } = this;
    const tank = this.tank();
    const volume = tank.kind === 'known' ? tank.tank.full : job.survey.tank.capacity?.si;
    return fuel && demand !== undefined ? driveOf(job, fuel, demand, volume, this.#run.run) : undefined;
  }

  /** After stopping hot. */
  soak(): HotSoak | undefined {
    const solved = this.solution();
    return this.fuel && solved?.ok ? hotSoak(this.job, this.fuel, this.#run.run, solved.value) : undefined;
  }
}
