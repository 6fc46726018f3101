import { readdirSync } from 'node:fs';
import { expect } from 'chai';
import { solveInp } from '../../test/open-inp.ts';
import { referenceJson, referenceRows } from '../../test/read-reference.ts';
import { afterRailJob, carburettorJob, twoPumpJob } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Network } from '../hydraulics/network.ts';
import { solveNetwork } from '../hydraulics/solve-network.ts';
import type { Job } from '../job/job.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { fuelOf } from '../reckoning/brief-values.ts';
import { resultsOf } from '../run/solve-run.ts';
import { networkAt } from '../run/network-at.ts';
import { solvePlainNetwork } from './network-report.ts';
import { networkOf, plainNetworkSchema, type PlainNetwork } from './plain-network.ts';
import { readInp } from './read-inp.ts';
import { writeInp } from './write-inp.ts';

const folder = new URL('../../test/reference/C_networks/spec/', import.meta.url);
const specs = readdirSync(folder)
  .sort()
  .map((file) => plainNetworkSchema.parse(referenceJson(`C_networks/spec/${file}`)));
const nodeRows = referenceRows('C_networks/results_churchill_nodes.csv');
const linkRows = referenceRows('C_networks/results_churchill_links.csv');
const states: Record<string, string> = { regulating: 'active', 'wide open': 'open', closed: 'shut', open: 'open' };

// Reference: scipy 1.10.1 with Churchill friction, test/reference/README.md, section C.
describe('the report of a network', () => {
  for (const spec of specs)
    it(`${spec.id}: pressures and flows of every scenario within 0.1 %, valve states equal`, () => {
      const report = solvePlainNetwork(spec);
      if (!report.ok) throw new Error(JSON.stringify(report.fault));
      expect(report.value.scenarios.map((s) => s.id)).to.deep.equal(spec.scenarios.map((s) => s.id));
      for (const scenario of report.value.scenarios) {
        expect(scenario.residual).to.be.below(1e-6);
        const own = (row: Record<string, string>) => row.network === spec.id && row.scenario === scenario.id;
        for (const row of nodeRows.filter(own)) {
          const wanted = Number(row.gauge_pressure_kPa);
          const got = scenario.nodes.find((n) => n.id === row.node)!.gauge_kPa;
          expect(got, `${scenario.id} ${row.node}`).to.be.closeTo(wanted, Math.max(0.001 * Math.abs(wanted), 0.05));
        }
        for (const row of linkRows.filter(own)) {
          const got = scenario.links.find((l) => l.id === row.link)!;
          const wanted = Number(row.flow_L_h);
          expect(got.flow_L_h, `${scenario.id} ${row.link}`).to.be.closeTo(wanted, 0.001 * Math.abs(wanted) + 1e-4);
          expect(got.state).to.equal(states[row.state!]);
        }
      }
    });
  it('gives no pressure to a node that only closed links touch, and no flow to a closed link', () => {
    const spec: PlainNetwork = { ...specs[0]!, scenarios: [{ id: 'shut', closed: [specs[0]!.links.at(-1)!.id] }] };
    const report = solvePlainNetwork(spec);
    expect(report.ok && report.value.scenarios[0]!.nodes.at(-1)!.gauge_kPa).to.equal(null);
    expect(report.ok && report.value.scenarios[0]!.links.at(-1)).to.include({ flow_L_h: 0, state: 'shut' });
  });
  it('refuses a rising pump curve, a link to nowhere, two nodes of one name and a negative bore by the field', () => {
    const issue = (change: (copy: any) => void): string => {
      const copy = structuredClone(referenceJson('C_networks/spec/net02_bypass.json'));
      change(copy);
      const read = plainNetworkSchema.safeParse(copy);
      return read.success ? '' : `${read.error.issues[0]!.path.join('.')} ${read.error.issues[0]!.message}`;
    };
    expect(issue((n) => (n.curves[0].points_Lh_kPa[3][1] = 900))).to.include(
      'curves.0.points_Lh_kPa pressure must fall',
    );
    expect(issue((n) => (n.links[1].to = 'X'))).to.include('links.1.to “X” is no node');
    expect(issue((n) => (n.nodes[1].id = 'T'))).to.include('nodes has two nodes of one name');
    expect(issue((n) => (n.links[1].bore_mm = -8))).to.include('links.1.bore_mm');
    expect(issue((n) => (n.scenarios[0].closed = ['Q']))).to.include('“Q” is no link');
  });
});

describe('an EPANET input file', () => {
  for (const spec of specs)
    it(`${spec.id}: written and read back, every scenario solves to the same`, () => {
      for (const scenario of spec.scenarios) {
        const network = networkOf(spec, scenario);
        const back = readInp(writeInp(network, `${spec.id} ${scenario.id}`));
        if (!back.ok) throw new Error(JSON.stringify(back.fault));
        expect(back.value.id).to.equal(spec.id);
        expect(back.value.title).to.equal(`${spec.id} ${scenario.id}`);
        const [ours, theirs] = [
          solveNetwork(network),
          solveNetwork(networkOf(plainNetworkSchema.parse(back.value), back.value.scenarios[0]!)),
        ];
        if (!ours.ok || !theirs.ok) throw new Error('not solved');
        for (const node of network.nodes)
          if (node.fixedPressure === undefined)
            expect(theirs.value.pressures[node.id], node.id).to.be.closeTo(ours.value.pressures[node.id]!, 30);
        for (const link of network.links)
          expect(theirs.value.flows[link.id]! * 3.6e6, link.id).to.be.closeTo(ours.value.flows[link.id]! * 3.6e6, 0.02);
      }
    });
  it('outside the subset is refused by its line', () => {
    const message = (text: string) => {
      const read = readInp(text);
      return read.ok ? 'read' : `${read.fault.line ?? ''} ${read.fault.message}`;
    };
    expect(message('[PIPES]\nA B C 1 two')).to.include('names no UNITS');
    const head = '[OPTIONS]\nUNITS LPM\nHEADLOSS D-W\n';
    expect(message(`${head}[PIPES]\nA B C 1 two 0`)).to.equal('5 “two” is not a number');
    expect(message(`${head}[RULES]\nx`)).to.include('4 [RULES] is not of the subset');
    expect(message('[OPTIONS]\nUNITS GPM')).to.include('flow in GPM is not of the subset');
    expect(message('[OPTIONS]\nUNITS LPM\nHEADLOSS H-W')).to.include('only HEADLOSS D-W');
    expect(message(`${head}[VALVES]\nV A B 10 FCV 3`)).to.include('a FCV valve is not of the subset');
  });
});

// Oracle: the EPANET engine through epanet-js 0.9.0, given the very file that Endrel exports; ours with its friction law.
// At true size that engine leaks about 0.13 L/h through an active sustaining valve (reference README, section C).
describe('the exported run of each job, solved by EPANET', () => {
  const jobs: Record<string, () => Job> = {
    'mail van': () => demoJobs.mailVan,
    'swirl pot, two rails in parallel': () => demoJobs.rescuePickup,
    'electronic returnless': () => demoJobs.islandShuttle,
    'two pumps side by side': () => twoPumpJob(),
    'sprint car': () => demoJobs.sprintCar,
    tender: () => demoJobs.flatBedTender,
    'bypass after the rail': () => afterRailJob(),
    carburettor: () => carburettorJob(),
  };
  for (const [name, made] of Object.entries(jobs))
    it(`${name}: agrees within 0.5 kPa and 0.3 L/h at every operating point`, async function () {
      const job = made();
      for (const result of resultsOf(findingsOf(job).solution!)) {
        const { point } = result;
        const built = networkAt(job, fuelOf(job)!, result);
        const network: Network = { ...built, friction: 'epanet' };
        const ours = solveNetwork(network);
        if (!ours.ok) throw new Error(JSON.stringify(ours.fault));
        const links = network.links.filter((l) => ours.value.states[l.id] !== 'choked'); // those are written as what they draw
        const theirs = await solveInp(writeInp(network, `${name}, ${point.key}`, ours.value), { ...network, links });
        for (const node of network.nodes)
          expect(theirs.pressures[node.id]! / 1e3, `${point.key} ${node.id}`).to.be.closeTo(
            ours.value.pressures[node.id]! / 1e3,
            0.5,
          );
        for (const link of links)
          expect(theirs.flows[link.id]! * 3.6e6, `${point.key} ${link.id}`).to.be.closeTo(
            ours.value.flows[link.id]! * 3.6e6,
            0.3,
          );
      }
    });
});

// Reference: plain Python by bisection, test/reference/README.md, section M.
describe('a pump whose liquid boils at its inlet', () => {
  const folder = new URL('../../test/reference/M_cavitation/spec/', import.meta.url);
  const [nodes, links] = ['nodes', 'links'].map((of) => referenceRows(`M_cavitation/results_${of}.csv`));
  for (const file of readdirSync(folder).sort()) {
    const spec = plainNetworkSchema.parse(referenceJson(`M_cavitation/spec/${file}`));
    for (const scenario of spec.scenarios) {
      const own = (row: Record<string, string>) => row.network === spec.id && row.scenario === scenario.id;
      it(`${spec.id} ${scenario.id}: passes only what keeps its inlet there`, () => {
        const report = solvePlainNetwork(spec);
        if (!report.ok) throw new Error(JSON.stringify(report.fault));
        const solved = report.value.scenarios.find((s) => s.id === scenario.id)!;
        for (const row of nodes!.filter(own)) {
          const got = solved.nodes.find((n) => n.id === row.node)!.gauge_kPa!;
          expect(got, row.node).to.be.closeTo(Number(row.gauge_kPa), 1e-5 * Math.abs(Number(row.gauge_kPa)) + 1e-4);
        }
        for (const row of links!.filter(own)) {
          const got = solved.links.find((l) => l.id === row.link)!;
          expect(got.flow_L_h / Number(row.flow_L_h), row.link).to.be.closeTo(1, 1e-5);
          expect(got.state, row.link).to.equal(row.state);
        }
      });
      it(`${spec.id} ${scenario.id}: as an EPANET file brings the same pressures`, async () => {
        const network = networkOf(spec, scenario);
        const ours = solveNetwork({ ...network, friction: 'epanet' });
        if (!ours.ok) throw new Error('not solved');
        const others = { ...network, links: network.links.filter((l) => ours.value.states[l.id] !== 'choked') };
        const theirs = await solveInp(writeInp(network, 'choked', ours.value), others);
        for (const node of network.nodes)
          if (node.fixedPressure === undefined)
            expect(theirs.pressures[node.id], node.id).to.be.closeTo(ours.value.pressures[node.id]!, 100);
      });
    }
  }
  it('that stands too high to draw at all brings nothing and makes no pressure', () => {
    const spec = plainNetworkSchema.parse(referenceJson('M_cavitation/spec/cav01_series.json'));
    const high = {
      ...spec,
      scenarios: [{ id: 'high' }],
      nodes: spec.nodes.map((n) => (n.id === 'PI' ? { ...n, z_m: 9 } : n)),
    };
    const solved = solvePlainNetwork(high);
    if (!solved.ok) throw new Error('not solved');
    const pump = solved.value.scenarios[0]!.links.find((l) => l.id === 'PU')!;
    expect(pump.state).to.equal('choked');
    expect(pump.flow_L_h).to.be.lessThan(0); // the vessel presses back through it
  });
});
