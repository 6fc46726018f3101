import { assess, previewAct } from '../packages/core/src/assess.ts';
import { demoJobs } from '../packages/core/src/demo/index.ts';
import { frictionFactor } from '../packages/core/src/hydraulics/friction-factor.ts';
import { solveNetwork } from '../packages/core/src/hydraulics/solve-network.ts';
import { readJobFile } from '../packages/core/src/job/read-job-file.ts';
import { fuelLiquid } from '../packages/core/src/fluids/fuel.ts';
import { fuelOf, findingsOf } from '../packages/core/src/run/findings.ts';
import { buildNetwork } from '../packages/core/src/run/build-network.ts';
import { openInEpanet } from '../packages/core/test/epanet.ts';
import { referenceJson } from '../packages/core/test/read-reference.ts';
import { referenceNetwork, type ReferenceSpec } from '../packages/core/test/reference-network.ts';
import { attitudeTables } from '../packages/core/src/tanks/attitude-tables.ts';
import { resampled, ruledMesh } from '../packages/core/src/tanks/extrude.ts';
import { roundedRectangle } from '../packages/core/src/tanks/section-polygon.ts';
import type { Tank } from '../packages/core/src/tanks/surveyed-tank.ts';
import { operatingPoints } from '../packages/core/src/run/operating-point.ts';

interface Row {
  readonly what: string;
  readonly microseconds: number;
  readonly against?: string;
  readonly ratio?: number;
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
const point = operatingPoints(job, findings.demand!.volumeFlow)[2]!;
const { network } = buildNetwork(job, fuelLiquid(fuelOf(job)!, point.temperature), point);
const ours = time(() => void solveNetwork(network), 200);
rows.push({ what: `mail van network, ${network.nodes.length} nodes, cold`, microseconds: ours });

// the same network in ours and in EPANET's engine, which has its own friction law
const reference = referenceJson('C_networks/spec/net02_bypass.json') as ReferenceSpec;
const bypass = referenceNetwork(
  reference,
  reference.scenarios.find((s) => s.id === 'd120')!,
);
const cold = time(() => void solveNetwork(bypass), 300);
const warmStart = solveNetwork(bypass);
const warm = time(() => void solveNetwork(bypass, warmStart.ok ? warmStart.value : undefined), 300);
const engine = await openInEpanet(bypass);
const epanet = time(() => engine.solve(), 300);
rows.push({
  what: 'reference net02, 11 nodes, cold',
  microseconds: cold,
  against: 'epanet-js, cold',
  ratio: cold / epanet,
});
rows.push({
  what: 'reference net02, 11 nodes, warm',
  microseconds: warm,
  against: 'epanet-js, cold',
  ratio: warm / epanet,
});

for (const [name, demo] of Object.entries(demoJobs)) {
  const microseconds = time(() => void assess(demo), 8);
  rows.push({
    what: `assess ${name}: all points, rules, margin`,
    microseconds,
    against: 'aim 50 ms',
    ratio: microseconds / 50_000,
  });
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
rows.push({
  what: `mesh of ${fine.corners.length / 9} triangles, 200 levels, 25 tilts`,
  microseconds: sweep,
  against: 'aim 2 s',
  ratio: sweep / 2e6,
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
