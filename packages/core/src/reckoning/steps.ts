import { fullLoadDemand } from '../engine/demand.ts';
import { injectorFindings } from '../engine/injectors.ts';
import { fuelLiquid } from '../fluids/fuel.ts';
import { gaugeOutcome, sweepOutcome } from '../gauge/gauge-findings.ts';
import { blockingOff } from '../hangers/blocking-off.ts';
import { hangerFlows, hangerInTank, returnDropOf } from '../hangers/hanger-findings.ts';
import { driveOf } from '../heat/drive.ts';
import { CARRIES_NO_CURRENT } from '../harness/electrical.ts';
import { hotSoak } from '../heat/hot-soak.ts';
import { assumed } from '../job/assumption.ts';
import type { Job } from '../job/job.ts';
import { routeFindings } from '../routes/route-findings.ts';
import { compileRun } from '../run/compile-run.ts';
import type { CompiledRun } from '../run/compiled-run.ts';
import { jointsOf } from '../run/joints.ts';
import { PreparedRun } from '../run/prepared-run.ts';
import { primingOf } from '../run/priming.ts';
import { runFaults } from '../run/run-fault.ts';
import { solveRun, type RunSolution } from '../run/solve-run.ts';
import { floatFindings } from '../senders/float-findings.ts';
import { surveyedTank } from '../tanks/surveyed-tank.ts';
import { tankFindings } from '../tanks/tank-findings.ts';
import { ventFindings } from '../vents/vent-findings.ts';
import { levelCircuits } from '../wiring/signals.ts';
import { wiringFindings } from '../wiring/wiring-findings.ts';
import { bsfcOf, fuelOf } from './brief-values.ts';
import { each, fields, only, without } from './cut.ts';
import { defineStep, type JobReads, type Step } from './define-step.ts';
import type { Found } from './found.ts';
import { needsOf } from './needs.ts';

// Names and notes are read by nobody: they are put to ids where results are shown.
const WORDS = ['label', 'note'];
const parts = each(without(WORDS));
/** What decides flow and heat: fittings, sealants, tags and what a hose may bend to move no fuel. */
const flowingParts = each(without([...WORDS, 'seals', 'tag', 'years', 'bend'], { ports: each(only('closed')) }));
const joined = each(only('id', 'a', 'b', 'height', 'chain'));
const brief = without(['wishes']);
const tank = fields({ tank: true });
const wordless = each(without([...WORDS, 'colour', 'marking']));
const bare = each(without(CARRIES_NO_CURRENT));
const circuit = fields({ devices: wordless, wires: wordless, mostDrop: true, firstFuse: true });

/** What of a vent holds air back. */
const airWay = only('bore', 'length', 'bends', 'valveFlow', 'valveDrop', 'valveCracking', 'airTemperature');

/** What decides how the run is solved. */
const run: JobReads = {
  parts: flowingParts,
  joints: joined,
  brief,
  survey: fields({
    tank: only('depth', 'outletHeight', 'vent', 'cap', 'capOpensAt'),
    vent: airWay,
    railHeight: true,
  }),
  hanger: only('jetDrill', 'jetEdge', 'reserveLevel'),
  assumptions: true,
  points: true,
  wiring: fields({ devices: bare, wires: bare }),
};
const graph: JobReads = { parts, joints: joined };

const routes = defineStep('routes', {
  reads: {
    job: {
      routes: true,
      parts: each(
        only(
          'id',
          'kind',
          'aside',
          'role',
          'reversed',
          'place',
          'action',
          'ways',
          'immersed',
          'ports',
          'length',
          'bore',
          'construction',
          'outsideDiameter',
          'wall',
          'material',
        ),
      ),
      joints: each(only('id', 'a', 'b', 'clamp', 'chain', 'height')),
      survey: fields({ vent: only('bore') }),
    },
  },
  isAsLeft: true,
  isSmall: ({ lines }) => lines.length === 0, // nothing lies anywhere before something has a place
  compute: ({ job }) => routeFindings(job),
});

const needs = defineStep('needs', {
  reads: {
    job: { ...graph, brief, survey: without(['notes']), layout: true, hanger: true, gauge: true, wiring: circuit },
  },
  isSmall: true,
  compute: ({ job }) => needsOf(job),
});
const joints = defineStep('joints', {
  reads: { job: { parts, joints: each(without(['note'])) } },
  isSmall: true,
  compute: ({ job }) => jointsOf(job),
});

const fuel = defineStep('fuel', { reads: { job: { brief } }, isSmall: true, compute: ({ job }) => fuelOf(job) });
const bsfc = defineStep('bsfc', { reads: { job: { brief } }, isSmall: true, compute: ({ job }) => bsfcOf(job) });
const demand = defineStep('demand', {
  reads: { job: { brief: only('power') }, steps: ['fuel', 'bsfc'] },
  isSmall: true,
  compute({ job, fuel, bsfc }) {
    const power = job.brief.power?.si;
    return power !== undefined && bsfc && fuel ? fullLoadDemand(power, bsfc.si, fuel) : undefined;
  },
});
const liquid = defineStep('liquid', {
  reads: { job: { assumptions: true }, steps: ['fuel'] },
  isSmall: true,
  compute: ({ job, fuel }) => fuel && fuelLiquid(fuel, assumed(job.assumptions, 'fuelTemperature')),
});

const shell = defineStep('shell', {
  reads: { job: { survey: tank } },
  compute: ({ job }) => surveyedTank(job.survey.tank),
});
const volume = defineStep('volume', {
  reads: { job: { survey: tank }, steps: ['shell'] },
  isSmall: true,
  compute: ({ job, shell }) => (shell.kind === 'known' ? shell.tank.full : job.survey.tank.capacity?.si),
});

const gaps = defineStep('gaps', { reads: { job: graph }, isSmall: true, compute: ({ job }) => runFaults(job) });
const compiled = defineStep('compiled', {
  reads: { job: run },
  compute({ job }) {
    let made: CompiledRun | undefined;
    return () => (made ??= compileRun(job)); // for whichever step needs it
  },
});
const solved = defineStep('solved', {
  reads: { job: run, steps: ['gaps', 'needs', 'fuel', 'demand', 'compiled'] },
  compute({ job, gaps, needs, fuel, demand, compiled }) {
    if (gaps.length > 0 || !demand || !fuel || needs.some((n) => n.blocksSolution)) return undefined;
    return solveRun(job, fuel, demand.volumeFlow, new PreparedRun(compiled()));
  },
});
const solution = defineStep('solution', {
  reads: { steps: ['solved'] },
  compute: ({ solved }) => (solved?.ok ? solved.value : undefined),
});
const isSolved = defineStep('isSolved', {
  reads: { steps: ['solution'] },
  isSmall: true,
  compute: ({ solution }) => solution !== undefined,
});
const faults = defineStep('faults', {
  reads: { steps: ['gaps', 'solved'] },
  isSmall: true,
  compute: ({ gaps, solved }) => (solved && !solved.ok ? [solved.fault] : gaps),
});
const injectors = defineStep('injectors', {
  reads: { job: { brief }, steps: ['fuel', 'demand', 'solution'] },
  isSmall: true,
  compute: ({ job, fuel, demand, solution }) =>
    demand && fuel && injectorFindings(job.brief, fuel, demand.massFlow, acrossInjectors(job, solution)),
});
/** Pressure across the injectors at full load: as solved, else as the brief wants it with the manifold as it helps or hinders. */
function acrossInjectors({ brief: asked }: Job, solution: RunSolution | undefined): number {
  if (solution) return solution.points.fullLoad.injectorPressure;
  const against = asked.manifoldReference ? 0 : (asked.boost?.si ?? 0);
  return (asked.railPressure?.si ?? 0) - against;
}
const priming = defineStep('priming', {
  reads: { job: { ...graph, survey: fields({ tank: only('depth') }), assumptions: true } },
  isSmall: true,
  compute: ({ job }) => primingOf(job),
});

const drive = defineStep('drive', {
  reads: { job: run, steps: ['isSolved', 'fuel', 'demand', 'volume', 'compiled'] },
  compute: ({ job, isSolved, fuel, demand, volume, compiled }) =>
    isSolved && fuel && demand ? driveOf(job, fuel, demand.volumeFlow, volume, compiled()) : undefined,
});
const soak = defineStep('soak', {
  reads: { job: run, steps: ['fuel', 'compiled', 'solution'] },
  compute: ({ job, fuel, compiled, solution }) =>
    solution && fuel ? hotSoak(job, fuel, compiled(), solution) : undefined,
});

const gauge = defineStep('gauge', {
  reads: { job: { gauge: true, survey: tank } },
  compute: ({ job }) => gaugeOutcome(job),
});
const sweep = defineStep('sweep', { reads: { job: { gauge: true } }, compute: ({ job }) => sweepOutcome(job) });
const tankFound = defineStep('tank', {
  reads: { job: { survey: tank }, steps: ['shell'] },
  compute: ({ job, shell }) => tankFindings(job, shell),
});
const inTank = defineStep('hangerInTank', {
  reads: { job: { hanger: true, survey: tank }, steps: ['shell'] },
  compute: ({ job, shell }) => hangerInTank(job, shell.kind === 'known' ? shell.tank : undefined),
});
const throughHanger = defineStep('hangerFlows', {
  reads: {
    job: { ...run, parts, hanger: true, survey: fields({ tank: true, vent: airWay, railHeight: true }) },
    steps: ['solution', 'demand', 'liquid', 'fuel'],
  },
  compute: ({ job, demand, ...known }) => hangerFlows(job, { ...known, demand: demand?.volumeFlow }),
});
const hanger = defineStep('hanger', {
  reads: { steps: ['hangerInTank', 'hangerFlows'] },
  compute: ({ hangerInTank: stands, hangerFlows: flows }) => ({ ...stands, ...flows }),
});
const returnDrop = defineStep('returnDrop', {
  reads: { job: graph },
  isSmall: true,
  compute: ({ job }) => returnDropOf(job),
});
const float = defineStep('float', {
  reads: { job: { gauge: true, hanger: true, survey: tank }, steps: ['shell', 'returnDrop'] },
  compute: ({ job, shell, returnDrop: drop }) =>
    floatFindings(job, shell.kind === 'known' ? shell.tank : undefined, drop),
});
const vent = defineStep('vent', {
  reads: {
    job: { survey: fields({ vent: true, tank: true }), assumptions: true },
    steps: ['demand', 'liquid', 'shell'],
  },
  compute({ job, demand, liquid, shell }) {
    const { full, top } = shell.kind === 'known' ? shell.tank : {};
    return ventFindings(job, { demand: demand?.volumeFlow, density: liquid?.density, full, top });
  },
});

const wiring = defineStep('wiring', {
  reads: { job: { ...graph, wiring: circuit }, steps: ['solution'] },
  compute: ({ job, solution }) => job.wiring && wiringFindings(job, solution),
});
const levels = defineStep('levels', {
  reads: { job: { gauge: true, wiring: circuit }, steps: ['solution'] },
  compute: ({ job, solution }) => job.wiring && levelCircuits(job, job.wiring, solution),
});
const blockedOff = defineStep('blockedOff', {
  reads: { job: { survey: fields({ oldConnections: each(without(['label'])) }) } },
  isSmall: true,
  compute: ({ job }) => blockingOff(job.survey.oldConnections ?? []),
});

/** Every result of a job, each after those that it reads. */
export const steps: readonly Step[] = [
  routes,
  needs,
  joints,
  fuel,
  bsfc,
  demand,
  liquid,
  shell,
  volume,
  gaps,
  compiled,
  solved,
  solution,
  isSolved,
  faults,
  injectors,
  priming,
  drive,
  soak,
  gauge,
  sweep,
  tankFound,
  inTank,
  throughHanger,
  hanger,
  returnDrop,
  float,
  vent,
  wiring,
  levels,
  blockedOff,
];

/** Results on the way to others, which nobody is shown. */
export const ON_THE_WAY = [
  'shell',
  'liquid',
  'volume',
  'gaps',
  'compiled',
  'solved',
  'isSolved',
  'hangerInTank',
  'hangerFlows',
  'returnDrop',
] as const satisfies readonly (keyof Found)[];
