import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect } from 'chai';
import { demoJobs } from '@endrel/core/demo/index';
import { referenceJson } from '../../core/test/read-reference.ts';
import { run } from '../src/main.ts';

const folder = mkdtempSync(path.join(os.tmpdir(), 'endrel-network-'));
after(() => rmSync(folder, { recursive: true, force: true }));

function file(name: string, content: string): string {
  const place = path.join(folder, name);
  writeFileSync(place, content);
  return place;
}
async function endrel(...args: string[]) {
  const [out, err]: [string[], string[]] = [[], []];
  const code = await run(args, { out: (t) => out.push(t), err: (t) => err.push(t) });
  return { code, out: out.join('\n'), err };
}
interface Report {
  network: string;
  scenarios: {
    id: string;
    nodes: { id: string; gauge_kPa: number }[];
    links: { id: string; state: string }[];
    residual: number;
  }[];
}

describe('endrel network', () => {
  it('prints every scenario of a plain network', async () => {
    const { code, out } = await endrel(
      'network',
      file('net.json', JSON.stringify(referenceJson('C_networks/spec/net02_bypass.json'))),
      '--json',
    );
    const report = JSON.parse(out) as Report;
    expect(code).to.equal(0);
    expect(report.network).to.equal('net02_bypass');
    expect(report.scenarios.map((s) => s.id)).to.deep.equal(['d4', 'd60', 'd120', 'd180', 'd220', 'd250']);
    // the regulator holds its inlet at its setting
    expect(report.scenarios[2]!.nodes.find((n) => n.id === 'RO')!.gauge_kPa).to.be.closeTo(300, 1e-5);
    expect(report.scenarios[2]!.links.find((l) => l.id === 'RG')!.state).to.equal('active');
  });
  it('solves what inp writes of a job to the job’s own pressures', async () => {
    const job = file('job.endrel.json', JSON.stringify(demoJobs.mailVan));
    const written = await endrel('inp', job, '--point', 'idle');
    expect(written.code).to.equal(0);
    const solved = JSON.parse((await endrel('solve', job, '--json')).out) as {
      operatingPoints: { point: string; rail_kPa: number }[];
    };
    const report = JSON.parse((await endrel('network', file('run.inp', written.out), '--json')).out) as Report;
    const rail = Math.min(
      ...report.scenarios[0]!.nodes.filter((n) => n.id.startsWith('rail-1:')).map((n) => n.gauge_kPa),
    );
    expect(rail).to.be.closeTo(solved.operatingPoints.find((p) => p.point === 'idle')!.rail_kPa, 0.05);
  });
  it('exits 2 with one clear line on bad input', async () => {
    for (const [args, words] of [
      [['network'], 'takes one file'],
      [['network', file('a.txt', '')], 'neither .json nor .inp'],
      [['network', file('a.json', '{')], 'is not JSON'],
      [['network', file('b.json', '{"id":"x"}')], 'fluid'],
      [['network', file('a.inp', '[OPTIONS]\nUNITS GPM')], 'line 2: flow in GPM'],
      [['inp', file('b.endrel.json', JSON.stringify(demoJobs.beachBuggy))], 'still needs tank depth'],
      [['inp', file('c.endrel.json', JSON.stringify(demoJobs.mailVan)), '--point', 'noon'], 'there is no “noon”'],
    ] as const) {
      const { code, err } = await endrel(...args);
      expect(code, words).to.equal(2);
      expect(err).to.have.length(1);
      expect(err[0]).to.include(words);
    }
  });
});

describe('endrel circuit', () => {
  const circuit = referenceJson('D_electrical/circuits/c01_one_pump_awg12_cold.json') as { elements: { id: string }[] };
  const changed = (id: string, change: object) =>
    JSON.stringify({ elements: circuit.elements.map((e) => (e.id === id ? { ...e, ...change } : e)) });
  // Reference: ngspice, test/reference/README.md, section D
  it('prints volts and amperes of a circuit', async () => {
    const { code, out } = await endrel('circuit', file('circuit.json', JSON.stringify(circuit)), '--json');
    const { nodes, currents } = JSON.parse(out) as Record<'nodes' | 'currents', Record<string, number>>;
    expect(code).to.equal(0);
    expect(nodes.p).to.be.closeTo(13.4695, 5e-5);
    expect(currents.PUMP).to.be.closeTo(8.07093, 5e-6);
    expect(currents.ALT).to.equal(-currents.PUMP!);
    expect((await endrel('circuit', file('circuit.json', JSON.stringify(circuit)))).out).to.include('g: 0.1075 V');
  });
  for (const [what, text, complaint] of [
    ['a negative length', changed('FEED', { length_m: -4.5 }), 'elements.4.length_m cannot be negative'],
    ['AWG 99', changed('FEED', { awg: 99 }), 'elements.4.awg is no gauge: 40 is the thinnest'],
    ['a kind that there is not', changed('FEED', { type: 'hose' }), 'elements.4.type'],
    ['a floating place', changed('LUG', { a: 'x' }), '“g”, at “PUMP”, “CONN3”, has no way to the battery’s negative'],
    ['a short', changed('PUMP', { type: 'resistor', ohm: 0 }), 'short “ALT” to its other terminal'],
  ] as const)
    it(`names ${what} in one line`, async () => {
      const { code, err } = await endrel('circuit', file('bad-circuit.json', text), '--json');
      expect(code).to.equal(2);
      expect(err).to.have.length(1);
      expect(err[0]).to.include(complaint);
    });
});
