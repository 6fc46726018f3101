import { readFileSync } from 'node:fs';
import { InitHydOption, NodeProperty, Project, Workspace } from 'epanet-js';
import { assess, previewAct } from '../packages/core/src/assess.ts';
import { demoJobs } from '../packages/core/src/demo/index.ts';
import { frictionFactor } from '../packages/core/src/hydraulics/friction-factor.ts';
import type { Network } from '../packages/core/src/hydraulics/network.ts';
import { solveNetwork } from '../packages/core/src/hydraulics/solve-network.ts';
import { piecewiseCurve } from '../packages/core/src/numerics/curve.ts';
import { readJobFile } from '../packages/core/src/job/read-job-file.ts';
import { fuelLiquid } from '../packages/core/src/fluids/fuel.ts';
import { fuelOf, findingsOf } from '../packages/core/src/run/findings.ts';
import { buildNetwork } from '../packages/core/src/run/build-network.ts';
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

// the same job's network, cold, in ours and in EPANET's engine (its own friction law, its own default accuracy)
const job = demoJobs.mailVan;
const findings = findingsOf(job);
const point = operatingPoints(job, findings.demand!.volumeFlow)[2]!;
const { network } = buildNetwork(job, fuelLiquid(fuelOf(job)!, point.temperature), point);
const ours = time(() => void solveNetwork(network), 200);
rows.push({ what: `mail van network, ${network.nodes.length} nodes, cold`, microseconds: ours });

const reference = JSON.parse(
  readFileSync(new URL('../packages/core/test/reference/C_networks/spec/net02_bypass.json', import.meta.url), 'utf8'),
) as ReferenceSpec;
const bypass = referenceNetwork(reference);
const cold = time(() => void solveNetwork(bypass), 300);
const warmStart = solveNetwork(bypass);
const warm = time(() => void solveNetwork(bypass, warmStart.ok ? warmStart.value : undefined), 300);
const epanet = await epanetTime(reference);
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

interface ReferenceSpec {
  fluid: { rho_kg_m3: number; mu_Pa_s: number };
  nodes: { id: string; type: string; z_m: number }[];
  links: {
    id: string;
    type: string;
    from: string;
    to: string;
    length_m: number;
    bore_mm: number;
    roughness_m: number;
    minor_K: number;
    set_kPa: number;
  }[];
  curves: { points_Lh_kPa: [number, number][] }[];
}

function referenceNetwork(spec: ReferenceSpec): Network {
  const demand = 30 / 3.6e6;
  return {
    liquid: { density: spec.fluid.rho_kg_m3, viscosity: spec.fluid.mu_Pa_s },
    nodes: spec.nodes.map((n) => ({
      id: n.id,
      height: n.z_m,
      fixedPressure: n.type === 'reservoir' ? 0 : undefined,
      demand: /^R[1-4]$/.test(n.id) ? demand : 0,
    })),
    links: spec.links.map((l) => ({
      id: l.id,
      from: l.from,
      to: l.to,
      law:
        l.type === 'pump'
          ? {
              kind: 'pump',
              rise: piecewiseCurve(spec.curves[0]!.points_Lh_kPa.map(([q, p]) => [q / 3.6e6, p * 1e3] as const)),
            }
          : l.type === 'psv'
            ? { kind: 'bypassRegulator', set: l.set_kPa * 1e3, slope: 0, bore: l.bore_mm / 1e3, k: l.minor_K }
            : {
                kind: 'line',
                length: l.length_m,
                bore: l.bore_mm / 1e3,
                roughness: l.roughness_m,
                loss: { k1: 0, kInfinity: l.minor_K },
              },
    })),
  };
}

/** EPANET's engine on the same network as an input file, reset and solved again at each call. */
async function epanetTime(spec: ReferenceSpec): Promise<number> {
  const weight = spec.fluid.rho_kg_m3 * 9.80665;
  const head = (kPa: number) => (kPa * 1e3) / weight;
  const section = (name: string, lines: string[]) => `[${name}]\n${lines.join('\n')}\n`;
  const pipes = spec.links.filter((l) => l.type === 'pipe');
  const input = [
    section(
      'JUNCTIONS',
      spec.nodes
        .filter((n) => n.type !== 'reservoir')
        .map((n) => ` ${n.id} ${n.z_m} ${/^R[1-4]$/.test(n.id) ? 0.5 : 0}`),
    ),
    section(
      'RESERVOIRS',
      spec.nodes.filter((n) => n.type === 'reservoir').map((n) => ` ${n.id} ${n.z_m}`),
    ),
    section(
      'PIPES',
      pipes.map((l) => ` ${l.id} ${l.from} ${l.to} ${l.length_m} ${l.bore_mm} ${l.roughness_m * 1e3} ${l.minor_K}`),
    ),
    section(
      'PUMPS',
      spec.links.filter((l) => l.type === 'pump').map((l) => ` ${l.id} ${l.from} ${l.to} HEAD C`),
    ),
    section(
      'VALVES',
      spec.links
        .filter((l) => l.type === 'psv')
        .map((l) => ` ${l.id} ${l.from} ${l.to} ${l.bore_mm} PSV ${head(l.set_kPa)} ${l.minor_K}`),
    ),
    section(
      'CURVES',
      spec.curves[0]!.points_Lh_kPa.map(([q, p]) => ` C ${q / 60} ${head(p)}`),
    ),
    section('OPTIONS', [
      ' UNITS LPM',
      ' HEADLOSS D-W',
      ` VISCOSITY ${spec.fluid.mu_Pa_s / spec.fluid.rho_kg_m3 / 1.004e-6}`,
      ' ACCURACY 0.00001',
      ' QUALITY NONE',
    ]),
    '[END]\n',
  ].join('\n');
  const workspace = new Workspace();
  await workspace.loadModule();
  const project = new Project(workspace);
  workspace.writeFile('net.inp', input);
  project.open('net.inp', 'report.rpt', 'out.bin');
  project.openH();
  const solve = () => {
    project.initH(InitHydOption.InitFlow);
    project.runH();
  };
  const result = time(solve, 300);
  if (!Number.isFinite(project.getNodeValue(project.getNodeIndex('R4'), NodeProperty.Pressure)))
    throw new Error('EPANET gave no pressure');
  return result;
}
