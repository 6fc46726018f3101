import { expect } from 'chai';
import type { LinkLaw, Network } from '../hydraulics/network.ts';
import { piecewiseCurve } from '../numerics/curve.ts';
import { readInp } from './read-inp.ts';
import { writeInp } from './write-inp.ts';

const line = (change: Partial<LinkLaw & { kind: 'line' }> = {}): LinkLaw => ({
  kind: 'line',
  length: 2,
  bore: 0.008,
  roughness: 2e-6,
  loss: { k1: 0, kInfinity: 1.5 },
  ...change,
});
const network = (law: LinkLaw, checkValve = false): Network => ({
  liquid: { density: 745, viscosity: 0.00053 },
  nodes: [
    { id: 'tank', height: 0.3, fixedPressure: 2e4 },
    { id: 'end', height: 0.5, demand: 30 / 3.6e6 },
  ],
  links: [{ id: 'part', from: 'tank', to: 'end', law, checkValve }],
});
const section = (text: string, name: string) => text.split(`[${name}]\n`)[1]!.split('\n[')[0]!.trim().split('\n');

describe('an EPANET file as written', () => {
  it('says heads with that engine’s gravity and flows in L/min', () => {
    const text = writeInp(network(line()), 'a\nb');
    // z 9.80665 / 9.81456 and p / (rho 9.81456)
    expect(Number(section(text, 'RESERVOIRS')[0]!.split(' ')[1])).to.be.closeTo(
      0.299758 + 20_000 / (745 * 9.81456),
      1e-6,
    );
    expect(Number(section(text, 'JUNCTIONS')[0]!.split(' ')[2])).to.be.closeTo(0.5, 1e-5);
    expect(text.startsWith('[TITLE]\na b\n')).to.equal(true);
  });
  it('takes a fitting’s loss at its Reynolds number from the solved flow, and says so', () => {
    const law = line({ loss: { k1: 800, kInfinity: 0.5 } });
    const solution = { pressures: {}, flows: { part: 30 / 3.6e6 }, states: {}, iterations: 1, residual: 0 };
    const text = writeInp(network(law), 'x', solution);
    const reynolds = (4 * 745 * (30 / 3.6e6)) / (Math.PI * 0.008 * 0.00053);
    expect(Number(section(text, 'PIPES')[0]!.split(' ')[6])).to.be.closeTo(0.5 + 800 / reynolds, 1e-3);
    expect(text).to.include('; fitting losses at the solved Reynolds number');
  });
  it('draws a regulator’s slope as a loss curve beside a valve that holds exactly', () => {
    for (const [kind, valve] of [
      ['bypassRegulator', 'PSV'],
      ['deadHeadRegulator', 'PRV'],
    ] as const) {
      const text = writeInp(network({ kind, set: 3e5, slope: 1e8, bore: 0.006, k: 6 }), 'x');
      const valves = section(text, 'VALVES');
      expect(valves.some((row) => row.includes(' GPV '))).to.equal(true);
      expect(valves.some((row) => row.includes(` ${valve} `))).to.equal(true);
      expect(text).to.include('; regulator slope as a loss curve beside the valve');
    }
  });
  it('keeps a check valve, and its cracking pressure as a curve', () => {
    const text = writeInp(network(line({ cracking: 3000 }), true), 'x');
    expect(section(text, 'PIPES')[0]).to.match(/CV$/);
    expect(text).to.include('; cracking pressure as a loss curve');
  });
  it('hands a piecewise pump over by its own corners', () => {
    const rise = piecewiseCurve([
      [0, 6e5],
      [5e-5, 3e5],
      [9e-5, 0],
    ]);
    const rows = section(writeInp(network({ kind: 'pump', rise }), 'x'), 'CURVES');
    expect(rows).to.have.length(3);
    expect(Number(rows[1]!.split(' ')[1])).to.be.closeTo(3, 1e-3);
  });
  it('has no pipe without length, which the engine would refuse', () => {
    expect(Number(section(writeInp(network(line({ length: 0 })), 'x'), 'PIPES')[0]!.split(' ')[3])).to.equal(0.001);
  });
});

describe('an EPANET file as read', () => {
  const head = '[OPTIONS]\nUNITS LPM\nHEADLOSS D-W\nSPECIFIC GRAVITY 0.745\nVISCOSITY 1.0\n';
  const base = `${head}[JUNCTIONS]\nB 0 2 ; two litres a minute\n[RESERVOIRS]\nA 10\n[PIPES]\nP A B 5 8 0.01 1 OPEN\n`;
  const read = (text: string) => {
    const result = readInp(text);
    if (!result.ok) throw new Error(result.fault.message);
    return result.value;
  };
  it('takes a viscosity over 0.001 as times that of water', () => {
    expect(read(base).fluid.mu_Pa_s / 745).to.be.closeTo(1.0219e-6, 1e-9);
    expect(read(base.replace('VISCOSITY 1.0', 'VISCOSITY 7e-7')).fluid.mu_Pa_s / 745).to.be.closeTo(7e-7, 1e-12);
  });
  it('takes remarks, closed pipes, status lines and demands', () => {
    const plain = read(`${base.replace('OPEN', 'CLOSED')}[STATUS]\nP OPEN\n[DEMANDS]\nB 3\n`);
    expect(plain.scenarios[0]!.closed).to.equal(undefined);
    expect(plain.nodes[0]).to.have.property('demand_L_h').closeTo(180, 1e-2);
    expect(read(base.replace('OPEN', 'CLOSED')).scenarios[0]!.closed).to.deep.equal(['P']);
  });
  it('makes the engine’s pump curves of one point and of three', () => {
    const pump = (points: string) => read(`${base}[PUMPS]\nU A B HEAD C SPEED 0.9\n[CURVES]\n${points}`);
    const one = pump('C 2 40').curves[0]!;
    expect(one.fit).to.equal('power3');
    expect(one.points_Lh_kPa[0]![1] / one.points_Lh_kPa[1]![1]).to.be.closeTo(4 / 3, 1e-12);
    expect(pump('C 0 50\nC 2 40\nC 4 0').curves[0]!.fit).to.equal('power3');
    const four = pump('C 0 50\nC 1 46\nC 2 40\nC 4 0');
    expect(four.curves[0]!.fit).to.equal('piecewise');
    expect(four.links.at(-1)).to.include({ type: 'pump', speed: 0.9 });
  });
  it('refuses what is too short, a status of its own, and text before a section', () => {
    const message = (text: string) => {
      const result = readInp(text);
      return result.ok ? '' : result.fault.message;
    };
    expect(message(`${base}[VALVES]\nV A B 8`)).to.include('is too short');
    expect(message(`${base}[STATUS]\nP 0.5`)).to.include('OPEN or CLOSED');
    expect(message('P A B')).to.equal('text before the first section');
    expect(message(`${base}[PUMPS]\nU A B POWER 3`)).to.include('has no HEAD curve');
  });
});
