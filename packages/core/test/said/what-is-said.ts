import { assess } from '../../src/assessment/assess.ts';
import { cardsOf } from '../../src/cards/cards.ts';
import { genericSearch } from '../../src/fittings/stock.ts';
import { describeRunFault } from '../../src/run/run-fault.ts';
import { ChainPlanner } from '../../src/joints/chain-plan.ts';
import { hoseEnds } from '../../src/joints/hose-end-steps.ts';
import { placeOf } from '../../src/joints/joint-place.ts';
import { lineMatrix } from '../../src/joints/line-matrix.ts';
import { makeUp } from '../../src/joints/make-up.ts';
import { neededParts } from '../../src/joints/needed-parts.ts';
import type { Job } from '../../src/job/job.ts';
import type { Snag } from '../../src/checks/snag.ts';
import type { Findings } from '../../src/reckoning/findings.ts';
import { needTitle } from '../../src/reckoning/need-title.ts';
import { pressureProfile } from '../../src/run/profile.ts';
import { circuitsOf } from '../../src/run/circuits.ts';
import { resultsOf, type RunSolution } from '../../src/run/solve-run.ts';
import { systemCurve } from '../../src/run/system-curve.ts';
import type { Figure } from '../../src/units/quantity.ts';
import { findThread, type Candidate } from '../../src/threads/find-thread.ts';
import type { ThreadReading } from '../../src/threads/thread-reading.ts';
import { sayIn, type Say } from '../../src/units/unit-system.ts';
import { sayWords } from '../../src/units/words.ts';
import { diagramGraph, diagramOf, type DiagramGraph, type LaidGraph } from '../../src/wiring/diagram.ts';
import { proofsOf } from '../../src/wiring/proofs.ts';
import { connectorFaces, rollPlans, wireCells } from '../../src/wiring/wire-list.ts';
import { workingsOf } from '../../src/working/workings.ts';

const metric = sayIn('metric');

/** Which threads readings can be, how likely, and what to measure to know. */
export const saidOfReading = (reading: ThreadReading): string[] => {
  const { candidates, bySize, nearMisses, next } = findThread(reading);
  const told = (list: readonly Candidate[]) =>
    list.map(({ thread, fit, probability }) => ({ code: thread.code, probability, ...fit }));
  return under(
    linesOf(reading).join(''),
    linesOf({ is: told(candidates), near: told(nearMisses), bySize: bySize.map((t) => t.code), next }),
  );
};

/** Everything that Endrel says and reckons of a job, as lines of text under headings: what a change of the program moves is seen in them. */
export function saidOf(job: Job, only?: readonly SaidOf[]): string[] {
  const { findings, snags } = assess(job);
  const stops = snags.filter((s) => s.grade === 'stop').length;
  const sections: Record<SaidOf, () => string[]> = {
    asks: () => [
      ...findings.needs.map((n) => `${n.stage}: ${needTitle(findings.job, n)}`),
      ...findings.faults.map((f) => describeRunFault(f, findings.job)),
    ],
    snags: () => snags.flatMap((s) => snagLines(s, metric)),
    workings: () => linesOf(workingsOf(findings).filter(({ key }) => !key.includes(':') || TOLD.test(key))),
    sheets: () =>
      linesOf(cardsOf({ job: findings.job, joints: findings.joints, say: metric, asOf: ['revision 1'], stops })),
    joints: () => linesOf(ofJoints(findings)),
    lists: () => linesOf(ofWiring(findings)),
    run: () => linesOf(ofRun(findings)),
    circuit: () => linesOf(findings.wiring),
    findings: () => linesOf({ ...findings, ...LEFT_OUT, solution: findings.solution && solutionOf(findings.solution) }),
  };
  return Object.entries(sections).flatMap(([key, lines]) =>
    !only || only.includes(key as SaidOf) ? under(key, lines()) : [],
  );
}
type SaidOf = 'asks' | 'snags' | 'workings' | 'sheets' | 'joints' | 'lists' | 'run' | 'circuit' | 'findings';

/** Of the workings by operating point. */
const TOLD = /:(fullLoad|worst)$|^voltage:/;
/** What is told under a heading of its own. */
const LEFT_OUT = { asLeft: undefined, job: undefined, needs: undefined, faults: undefined, wiring: undefined };
const solutionOf = ({ worstSuction, wired: _, ...rest }: RunSolution) => ({
  ...rest,
  worstSuction: worstSuction && { ...worstSuction, result: undefined },
});

const under = (heading: string, lines: readonly string[]): string[] =>
  lines.length === 0 ? [] : [`== ${heading}`, ...lines, ''];

/** A snag as it is read, with what its button does. */
export const snagLines = (s: Snag, say: Say): string[] => [
  `${s.grade} ${s.id} at ${s.stage} ${(s.path ?? []).join('/')}`,
  `  ${s.what}${s.overruled === undefined ? '' : ` (lived with: ${s.overruled})`}`,
  ...(s.figure
    ? [`  ${s.figure.label} ${say.figure(s.figure)}${s.limit ? `, ${s.limit.label} ${say.figure(s.limit)}` : ''}`]
    : []),
  `  ${sayWords(s.why, say)}`,
  `  ${sayWords(s.cure, say)}`,
  ...(s.hides === undefined ? [] : [`  hides: ${s.hides}`]),
  ...(s.act ? linesOf(s.act, `  [${sayWords(s.actLabel ?? '', say)}]`) : []),
  `  ${s.source}`,
];

function ofJoints(findings: Findings) {
  const { job, joints } = findings;
  const plans = new ChainPlanner(genericSearch()).plan(findings);
  return {
    matrix: lineMatrix(findings),
    places: joints.map((j) => placeOf(findings, j)),
    made: joints.flatMap((j) => j.meetings.map((m) => ({ number: m.number, ...makeUp(m, j.joint) }))),
    needed: neededParts(job, joints, plans, []),
    ends: hoseEnds(job, joints),
  };
}

const ofWiring = ({ job, wiring }: Findings) =>
  job.wiring && {
    wires: wireCells(job.wiring),
    rolls: rollPlans(job.wiring),
    faces: connectorFaces(job.wiring),
    proofs: proofsOf(job, wiring?.pumps ?? []),
    graph: diagramGraph(job.wiring),
    diagram: diagramOf(job.wiring, inOneRow(diagramGraph(job.wiring))),
  };

/** Boxes side by side and wires in steps under them: where a layout engine would put them does not matter here. */
const inOneRow = ({ children, edges }: DiagramGraph): LaidGraph => ({
  width: 200 * children.length,
  height: 900,
  children: children.map(({ id, width, height }, i) => ({ id, width, height, x: 200 * i, y: 10 })),
  edges: edges.map(({ id }, i) => ({
    id,
    sections: [
      {
        startPoint: { x: 40 * i, y: 300 },
        bendPoints: [
          { x: 40 * i, y: 400 + 10 * i },
          { x: 40 * i + 300, y: 400 + 10 * i },
        ],
        endPoint: { x: 40 * i + 300, y: 300 },
      },
    ],
  })),
});

const ofRun = ({ job, solution, fuel, demand }: Findings) =>
  solution &&
  fuel &&
  demand && {
    profiles: resultsOf(solution).map((r) => pressureProfile(solution.spans, r)),
    curves: circuitsOf(job)
      .parts.filter((p) => p.kind === 'pump')
      .map((p) =>
        systemCurve(
          job,
          fuel,
          solution.points.fullLoad.point,
          p.id,
          [0, 1, 2].map((n) => n * demand.volumeFlow),
        ),
      ),
  };

const DIGITS = 4; // that stand still from machine to machine
const LONGEST = 8; // numbers in a row that are each told
const MANY = 6; // rows of one shape that are told by their columns

type Told = Readonly<Record<string, unknown>>;
const NOTHING = 1e-12; // m3/s, A, m …: what is left over where nothing is

const number = (value: number): string => {
  if (!Number.isFinite(value)) return `${value}`;
  return Math.abs(value) < NOTHING ? '0' : String(Number(value.toPrecision(DIGITS)));
};
const plain = (value: unknown): string => (typeof value === 'number' ? number(value) : String(value));
const isObject = (value: unknown): value is Told => typeof value === 'object' && value !== null;
const isFigure = (value: unknown): value is Figure =>
  isObject(value) && 'kind' in value && typeof value.si === 'number';
const isTold = (value: unknown): boolean => value !== undefined && typeof value !== 'function';

/** Numbers by their ends, their sum, and their sum with each weighed by its place. */
function row(numbers: readonly number[]): string {
  if (numbers.length <= LONGEST) return numbers.map(number).join(' ');
  const sum = numbers.reduce((all, n) => all + n, 0);
  const weighed = numbers.reduce((all, n, i) => all + n * (i + 1), 0) / numbers.length;
  const ends = `${number(numbers[0]!)} to ${number(numbers.at(-1)!)}`;
  return `${numbers.length} from ${ends}, sum ${number(sum)}, weighed ${number(weighed)}`;
}

const numbersIn = (value: readonly unknown[]): number[] | undefined => {
  const all = value.flat(2);
  return all.length > 0 && all.every((v) => typeof v === 'number') ? all : undefined;
};
/** Many rows that hold nothing but plain values, by their columns. */
const columnsOf = (value: readonly unknown[]): Told | undefined => {
  const isFlat = (one: unknown): one is Told =>
    isObject(one) && !Array.isArray(one) && !isFigure(one) && Object.values(one).every((v) => !isObject(v));
  if (value.length < MANY || !value.every(isFlat)) return undefined;
  const keys = [...new Set(value.flatMap((one) => Object.keys(one)))];
  return Object.fromEntries(keys.map((key) => [key, value.map((one) => one[key]).filter(isTold)]));
};

/** A value as lines, one for what holds nothing but plain values. Functions are left out. */
export function linesOf(value: unknown, name = ''): string[] {
  if (!isTold(value)) return [];
  if (!isObject(value)) return [`${name} ${plain(value)}`];
  if (isFigure(value)) return [`${name} ${metric.figure(value)}`];
  const list = value instanceof Set ? [...value] : Array.isArray(value) ? (value as unknown[]) : undefined;
  const numbers = list && numbersIn(list);
  if (numbers) return [`${name} ${row(numbers)}`];
  const held = value instanceof Map ? Object.fromEntries(value) : ((list && columnsOf(list)) ?? value);
  const entries = Object.entries(held as Told).filter(([, v]) => isTold(v));
  const isOwn = (v: unknown) => !isObject(v) || isFigure(v);
  const own = entries
    .filter(([, v]) => isOwn(v))
    .map(([key, v]) => `${list ? '' : `${key} `}${isFigure(v) ? metric.figure(v) : plain(v)}`);
  return [
    ...(own.length > 0 ? [`${name} ${own.join(list ? ' | ' : ', ')}`] : []),
    ...entries.filter(([, v]) => !isOwn(v)).flatMap(([key, v]) => linesOf(v, `${name}.${key}`)),
  ];
}
