import { assess, previewAct } from '../packages/core/src/assessment/assess.ts';
import { demoJobs } from '../packages/core/src/demo/index.ts';
import { frictionFactor } from '../packages/core/src/hydraulics/friction-factor.ts';
import { solveNetwork } from '../packages/core/src/hydraulics/solve-network.ts';
import { readJobFile } from '../packages/core/src/job/read-job-file.ts';
import { fuelLiquid } from '../packages/core/src/fluids/fuel.ts';
import { findingsOf } from '../packages/core/src/reckoning/findings.ts';
import { fuelOf } from '../packages/core/src/reckoning/brief-values.ts';
import { resultAt } from '../packages/core/src/run/solve-run.ts';
import { networkAt } from '../packages/core/src/run/network-at.ts';
import { Worker } from 'node:worker_threads';
import type { Act } from '../packages/core/src/acts/act.ts';
import type { Job } from '../packages/core/src/job/job.ts';
import { tryAct } from '../packages/core/src/acts/apply-act.ts';
import { compileRun } from '../packages/core/src/run/compile-run.ts';
import { PreparedRun } from '../packages/core/src/run/prepared-run.ts';
import { forgetAll } from '../packages/core/src/memory/remembered.ts';
import { AnalysisStatistic, InitHydOption, LinkProperty, NodeProperty, Project, Workspace } from 'epanet-js';
import type { LinkLaw, Network, NetworkLink } from '../packages/core/src/hydraulics/network.ts';
import { NetworkSolver } from '../packages/core/src/hydraulics/network-solver.ts';
import { readInp } from '../packages/core/src/networks/read-inp.ts';
import { writeInp } from '../packages/core/src/networks/write-inp.ts';
import { bestEndPairs } from '../packages/core/src/routes/hose-ends.ts';
import { routeFindings } from '../packages/core/src/routes/route-findings.ts';
import { ChainSearch } from '../packages/core/src/fittings/chain-search.ts';
import { readPort } from '../packages/core/src/fittings/read-port.ts';
import type { Port } from '../packages/core/src/fittings/port.ts';
import { ChainPlanner } from '../packages/core/src/joints/chain-plan.ts';
import { stockOf } from '../packages/core/src/fittings/stock.ts';
import { referenceJson } from '../packages/core/test/read-reference.ts';
import { networkOf, plainNetworkSchema } from '../packages/core/src/networks/plain-network.ts';
import { attitudeTables } from '../packages/core/src/tanks/attitude-tables.ts';
import { resampled, ruledMesh } from '../packages/core/src/tanks/extrude.ts';
import { roundedRectangle } from '../packages/core/src/tanks/section-polygon.ts';
import type { Tank } from '../packages/core/src/tanks/surveyed-tank.ts';
import { JobLaws } from '../packages/core/src/laws/job-laws.ts';
import { BenchLimits } from './lib/bench-limits.ts';
import { operatingPoints } from '../packages/core/src/run/operating-point.ts';

interface Row {
  readonly what: string;
  readonly microseconds: number;
  readonly against?: string;
  readonly ratio?: number;
}
const limits = new BenchLimits();
/** A row that must not take longer than so many µs, at the machine's normal speed. */
function within(limit: number, row: { readonly what: string; readonly microseconds: number }): Row {
  limits.look();
  limits.time(row.what, row.microseconds, limit, 'µs');
  const said = limit < 1000 ? `${limit} µs` : limit < 1e6 ? `${limit / 1000} ms` : `${limit / 1e6} s`;
  return { ...row, against: `limit ${said}`, ratio: row.microseconds / limit };
}

/** Median microseconds of one call, over batches long enough to be timed. */
function time(call: () => void, batch: number): number {
  for (let i = 0; i < batch; i++) call();
  const times = Array.from({ length: 15 }, () => {
    const start = performance.now();
    for (let i = 0; i < batch; i++) call();
    return ((performance.now() - start) * 1000) / batch;
  });
  return times.sort((a, b) => a - b)[7]!;
}

const rows: Row[] = [];
let sum = 0; // used below, so that the loop cannot be optimised away
let reynolds = 4000;
rows.push({
  what: 'friction factor, Churchill',
  microseconds: time(() => {
    reynolds = reynolds > 20_000 ? 4000 : reynolds + 1;
    sum += frictionFactor(reynolds, 1e-4);
  }, 20_000),
});
if (!(sum > 0)) throw new Error('no friction');

const job = demoJobs.mailVan;
const findings = findingsOf(job);
const fuel = fuelOf(job)!;
const point = operatingPoints(job, fuel, findings.demand!.volumeFlow)[2]!;
const network = networkAt(job, fuel, resultAt(findings.solution!, point.key));
const ours = time(() => void solveNetwork(network), 200);
rows.push({ what: `mail van network, ${network.nodes.length} nodes, cold`, microseconds: ours });

// the same networks in ours and in EPANET's engine, in this process; each with its own friction law
const workspace = new Workspace();
await workspace.loadModule();
/** m, L/min, L/min and 1. */
const looser = { HTOL: '0.0001', QTOL: '0.00001', FLOWCHANGE: '0.00001', ACCURACY: '0.0001' };
type Looser = keyof typeof looser;
for (const [file, scenarioId] of [
  ['net02_bypass', 'd120'],
  ['net03_dual_parallel', 'd160'],
] as const) {
  const spec = plainNetworkSchema.parse(referenceJson(`C_networks/spec/${file}.json`));
  const net = networkOf(spec, spec.scenarios.find((s) => s.id === scenarioId) ?? spec.scenarios[0]!);
  // the engine is let off as early as ours lets itself off, so that both leave about the same over
  const loosened = writeInp(net, file).replace(
    /^(HTOL|QTOL|FLOWCHANGE|ACCURACY) .*$/gm,
    (_, key) => `${key} ${looser[key as Looser]}`,
  );
  workspace.writeFile('net.inp', loosened);
  const injectors = net.nodes.filter((n) => (n.demand ?? 0) > 0).map((n) => ({ id: n.id, demand: n.demand! }));
  const theirsWhole = time(() => {
    const project = new Project(workspace);
    project.open('net.inp', 'net.rpt', 'net.bin');
    project.openH();
    project.initH(InitHydOption.InitFlow);
    project.runH();
    for (const n of net.nodes) sum += project.getNodeValue(project.getNodeIndex(n.id), NodeProperty.Head);
    for (const l of net.links) sum += project.getLinkValue(project.getLinkIndex(l.id), LinkProperty.Flow);
    project.closeH();
    project.close();
  }, 40);
  const whole = time(() => void solveNetwork(net), 300);
  rows.push({
    what: `${file}: build, solve, read all`,
    microseconds: whole,
    against: 'epanet-js',
    ratio: whole / theirsWhole,
  });
  const project = new Project(workspace);
  project.open('net.inp', 'net.rpt', 'net.bin');
  project.openH();
  project.initH(InitHydOption.NoSave);
  const places = injectors.map((n) => project.getNodeIndex(n.id));
  let turn = 0;
  const share = () => 0.8 + 0.02 * (turn++ % 20); // the same walk of demands for both
  const theirs = time(() => {
    const k = share();
    places.forEach((place, i) =>
      project.setNodeValue(place, NodeProperty.BaseDemand, injectors[i]!.demand * 60_000 * k),
    );
    project.initH(InitHydOption.NoSave);
    project.runH();
  }, 300);
  // what that engine leaves over: head error in m, flow change in L/min
  const left = Math.max(
    project.getStatistic(AnalysisStatistic.MaxHeadError) * net.liquid.density * 9.80665e-3,
    project.getStatistic(AnalysisStatistic.MaxFlowChange) * 60,
  );
  project.closeH();
  project.close();
  const solver = new NetworkSolver(net);
  turn = 0;
  let worst = 0;
  const resolve = time(() => {
    const k = share();
    for (const n of injectors) solver.setDemand(n.id, n.demand * k);
    const solved = solver.solve();
    if (!solved.ok) throw new Error('not solved');
    worst = Math.max(worst, solved.value.residual);
  }, 300);
  rows.push({
    what: `${file}: other demands, residual ${worst.toExponential(0)}, theirs ${left.toExponential(0)}`,
    microseconds: resolve,
    against: 'epanet-js, warm',
    ratio: resolve / theirs,
  });
  limits.size(`${file}: warm, against the reference engine`, resolve / theirs, 0.7, '×');
}

// growth: a ladder of two lines with rungs, ever longer
for (const count of [10, 100, 1000, 2000]) {
  const ladder = ladderNetwork(count);
  const microseconds = time(() => void solveNetwork(ladder), count > 500 ? 3 : 30);
  rows.push({
    what: `ladder of ${ladder.links.length} links: build, solve, read`,
    microseconds,
    against: 'µs a link',
    ratio: microseconds / ladder.links.length,
  });
}

/** About `count` pipes: two lines side by side with rungs between, fed at one end, drawn at the other. */
function ladderNetwork(count: number): Network {
  const rungs = Math.max(2, Math.round(count / 3));
  const line: LinkLaw = { kind: 'line', length: 0.5, bore: 0.008, roughness: 1e-5, loss: { k1: 0, kInfinity: 0.5 } };
  const nodes = [{ id: 'source', height: 0, fixedPressure: 4e5 }];
  const links: NetworkLink[] = [{ id: 'feed', from: 'source', to: 'a0', law: line }];
  const junctions = Array.from({ length: rungs }, (_, i) => [
    { id: `a${i}`, height: 0 },
    { id: `b${i}`, height: 0, demand: i === rungs - 1 ? 3e-5 : 0 },
  ]).flat();
  for (let i = 0; i < rungs; i++) {
    links.push({ id: `r${i}`, from: `a${i}`, to: `b${i}`, law: line });
    if (i + 1 < rungs)
      links.push(
        { id: `a${i}-`, from: `a${i}`, to: `a${i + 1}`, law: line },
        { id: `b${i}-`, from: `b${i}`, to: `b${i + 1}`, law: line },
      );
  }
  return { liquid: { density: 745, viscosity: 0.00053 }, nodes: [...nodes, ...junctions], links };
}

for (const [name, demo] of Object.entries(demoJobs)) {
  const microseconds = time(() => {
    forgetAll();
    assess(demo);
  }, 8);
  rows.push(within(20_000, { what: `assess ${name}: all points, rules, margin`, microseconds }));
}
// what is far too long is refused at once
{
  const curve = Array.from({ length: 300_000 }, (_, i) => ` c ${i} ${i}`).join('\n');
  const long = `[JUNCTIONS]\n b 0 1\n[RESERVOIRS]\n a 0\n[CURVES]\n${curve}\n`;
  const microseconds = time(() => {
    if (readInp(long).ok) throw new Error('300 000 points were taken');
  }, 1);
  rows.push(within(2_000_000, { what: 'input file of 300 000 points: refused', microseconds }));
}
// a run compiled once, at other demands and voltages each time
{
  const prepared = new PreparedRun(compileRun(job));
  const liquid = fuelLiquid(fuel, point.temperature);
  let turn = 0;
  const microseconds = time(() => {
    const k = 0.8 + 0.02 * (turn++ % 20);
    const solved = prepared.solve({ ...point, voltage: 13 + 0.02 * (turn % 20) }, liquid, new Map(), {
      demand: point.demand * k,
    });
    if (!solved.ok) throw new Error('not solved');
  }, 300);
  rows.push(within(25, { what: 'mail van prepared: other demand and voltage', microseconds }));
}
// a sample of numbers that vary, at one point: what uncertainty and plans ask by the thousand
{
  const laws = new JobLaws(job, [
    ['parts', 'hose-2', 'length'],
    ['parts', 'hose-2', 'bore'],
    ['brief', 'power'],
    ['parts', 'regulator-1', 'setPressure'],
  ]);
  const own = laws.values;
  let turn = 0;
  const microseconds = time(() => {
    const k = 0.95 + 0.005 * (turn++ % 20);
    const solved = laws.at(own.map((v) => v * k)).point('fullLoad');
    if (!solved?.ok) throw new Error('not solved');
  }, 300);
  rows.push(within(500, { what: 'mail van: a sample of four numbers, one point', microseconds }));
}
const DESIGNS = 100_000;
{
  const start = performance.now();
  const halves = [0, 1].map(
    (half) =>
      new Promise<number>((resolve, reject) => {
        const worker = new Worker(new URL('./bench-designs-thread.mjs', import.meta.url), {
          workerData: { first: (half * DESIGNS) / 2, last: ((half + 1) * DESIGNS) / 2 },
        });
        worker.on('message', resolve);
        worker.on('error', reject);
      }),
  );
  const solved = (await Promise.all(halves)).reduce((a, b) => a + b);
  const microseconds = (performance.now() - start) * 1000;
  rows.push(within(25_000_000, { what: `${DESIGNS} designs, ${solved} points, two workers`, microseconds }));
}
// an edit's findings, as the page's worker reckons them: the job arrives as a copy
const edits: [string, (n: number) => Act, Job?][] = [
  [
    'a wire',
    (n) => ({
      act: 'set',
      path: ['wiring', 'wires', 'wire-20', 'length'],
      value: { si: 2 + (n % 997) / 1000, unit: 'm' },
    }),
    demoJobs.rescuePickup,
  ],
  [
    'a wire’s colour',
    (n) => ({ act: 'set', path: ['wiring', 'wires', 'wire-20', 'colour'], value: `red ${n}` }),
    demoJobs.rescuePickup,
  ],
  ['a note', (n) => ({ act: 'setOnPart', id: 'hose-1', key: 'note', value: `note ${n}` })],
  ['a gauge field', (n) => ({ act: 'set', path: ['gauge', 'gaugeFull'], value: { si: 140 + (n % 30), unit: 'Ω' } })],
  [
    'a hose',
    (n) => ({ act: 'setOnPart', id: 'hose-1', key: 'length', value: { si: 0.1 + (n % 997) / 5000, unit: 'mm' } }),
  ],
];
for (const [what, edit, job = demoJobs.flatBedTender] of edits) {
  let n = 0;
  const microseconds = time(() => {
    const done = tryAct(job, edit(n++));
    if (!done.ok) throw new Error(done.fault.message);
    assess(structuredClone(done.value));
  }, 10);
  rows.push(within(50_000, { what: `${job.name.split(':')[0]!}: ${what}, all its consequences`, microseconds }));
}
const cure = assess(demoJobs.flatBedTender).snags.find((s) => s.act)!.act!;
rows.push({
  what: 'preview of a cure, flatBedTender',
  microseconds: time(() => void previewAct(demoJobs.flatBedTender, cure), 4),
});
// a mesh of 50 000 triangles at 200 levels and 25 attitudes
const fine = ruledMesh(
  Array.from({ length: 261 }, (_, i) => ({
    x: i * 0.002,
    points: resampled(roundedRectangle(0.4 + 0.05 * Math.sin(i / 40), 0.25, 0.05)),
  })),
);
const shell: Tank = {
  table: { rows: [] },
  full: 0.05,
  bottom: 0,
  top: 0.25,
  porosity: 1,
  solids: [{ kind: 'mesh', name: 'tank', mesh: fine }],
};
const started = performance.now();
await attitudeTables(shell, 200, () => true);
const sweep = (performance.now() - started) * 1000;
rows.push(
  within(2_000_000, {
    what: `mesh of ${fine.corners.length / 9} triangles, 200 levels, 25 tilts`,
    microseconds: sweep,
  }),
);
const stock = stockOf([]).slice(0, 5000);
const search = new ChainSearch(stock);
const end = (text: string): Port => {
  const read = readPort(text);
  if (!read.ok) throw new Error(read.fault);
  return read.value;
};
const [one, other] = [end('male flare37 -6'), end('female npt 3/8')];
const hoseForms = [0, 30, 45, 60, 90, 120, 150, 180].map((a) => ({
  angle: (a * Math.PI) / 180,
  leg1: 0.024,
  radius: 0.028,
  leg2: 0.03,
  inserted: 0,
}));
const [seatA, seatB] = [
  { at: [0, 0, 0], out: [1, 0, 0], zero: [0, 0, 1] },
  { at: [0.04, 0.26, 0.03], out: [1, 0, 0], zero: [0, 0, 1] },
] as const;
const ends = time(() => void bestEndPairs(seatA, seatB, { forms: hoseForms, slacks: [1.2], leastChord: 0.1 }), 6);
rows.push(within(300_000, { what: '64 pairs of hose ends × clocking', microseconds: ends }));
const laidOut = time(() => {
  forgetAll();
  routeFindings(demoJobs.islandShuttle);
}, 6);
rows.push(within(100_000, { what: 'routes and clearances of a job, nothing remembered', microseconds: laidOut }));
const chains = time(() => void search.find(one, other, { swivel: true, angle: Math.PI / 2 }), 4);
rows.push(within(50_000, { what: `best five chains, ${stock.length} adapters`, microseconds: chains }));
const planning = findingsOf(demoJobs.rescuePickup);
rows.push({
  what: `chains of ${planning.joints.length} joints, none remembered`,
  microseconds: time(() => void new ChainPlanner(search).plan(planning), 1),
});
const text = JSON.stringify(job);
rows.push({
  what: `read a job file, ${(text.length / 1024).toFixed(0)} kB`,
  microseconds: time(() => void readJobFile(text), 40),
});

console.log(`${'what'.padEnd(48)}${'µs'.padStart(11)}   ${'against'.padEnd(18)}ratio`);
for (const row of rows)
  console.log(
    `${row.what.padEnd(48)}${row.microseconds.toFixed(row.microseconds < 10 ? 2 : 0).padStart(11)}   ${(row.against ?? '').padEnd(18)}${row.ratio === undefined ? '' : row.ratio.toPrecision(2)}`,
  );
limits.tell();
