import { readdirSync } from 'node:fs';
import { expect } from 'chai';
import { piecewiseCurve } from '../numerics/curve.ts';
import { referenceJson, referenceRows } from '../../test/read-reference.ts';
import type { LinkLaw, Network } from './network.ts';
import { networkOf, plainNetworkSchema } from '../networks/plain-network.ts';
import { solveNetwork } from './solve-network.ts';

// Reference: scipy 1.10.1 in plain SI with Churchill friction, checked against EPANET 2.3.5; test/reference/README.md, C.
const nodeRows = referenceRows('C_networks/results_churchill_nodes.csv');
const linkRows = referenceRows('C_networks/results_churchill_links.csv');
const folder = new URL('../../test/reference/C_networks/spec/', import.meta.url);

describe('the network solver against the reference networks', () => {
  for (const file of readdirSync(folder).sort()) {
    const spec = plainNetworkSchema.parse(referenceJson(`C_networks/spec/${file}`));
    for (const scenario of spec.scenarios)
      it(`${spec.id} ${scenario.id}: every pressure, flow and valve state`, () => {
        const solved = solveNetwork(networkOf(spec, scenario));
        if (!solved.ok) throw new Error(JSON.stringify(solved.fault));
        const own = (row: Record<string, string>) => row.network === spec.id && row.scenario === scenario.id;
        const nodes = nodeRows.filter(own);
        expect(nodes.length).to.be.greaterThan(3);
        for (const row of nodes) {
          const wanted = Number(row.gauge_pressure_kPa);
          // the tables hold six significant digits
          expect(solved.value.pressures[row.node!]! / 1000, row.node).to.be.closeTo(
            wanted,
            2e-6 * Math.abs(wanted) + 2e-3,
          );
        }
        for (const row of linkRows.filter(own)) {
          expect(solved.value.flows[row.link!]! * 3.6e6, row.link).to.be.closeTo(Number(row.flow_L_h), 2e-3);
          const state = { regulating: 'regulating', 'wide open': 'wideOpen', closed: 'shut', open: 'open' }[row.state!];
          expect(solved.value.states[row.link!], row.link).to.equal(state);
        }
      });
  }
});

const petrol = { density: 745, viscosity: 0.00053 };
const noLoss = { k1: 0, kInfinity: 0 };

describe('the network solver against closed forms', () => {
  it('gives Poiseuille flow between two tanks', () => {
    // thin tube: Q = pi D^4 dp / (128 mu L)
    const [bore, length, dp] = [0.002, 2, 100];
    const solved = solveNetwork({
      liquid: petrol,
      nodes: [
        { id: 'a', height: 0, fixedPressure: dp },
        { id: 'm', height: 0 },
        { id: 'b', height: 0, fixedPressure: 0 },
      ],
      links: [
        ['a', 'm'],
        ['m', 'b'],
      ].map(([from, to], i) => ({
        id: `l${i}`,
        from: from!,
        to: to!,
        law: { kind: 'line', length: length / 2, bore, roughness: 0, loss: noLoss },
      })),
    });
    const exact = (Math.PI * bore ** 4 * dp) / (128 * petrol.viscosity * length);
    expect(solved.ok && solved.value.flows.l0! / exact).to.be.closeTo(1, 1e-4);
    expect(solved.ok && solved.value.pressures.m).to.be.closeTo(dp / 2, 1e-6);
  });
  it('is hydrostatic at no flow', () => {
    const solved = solveNetwork({
      liquid: petrol,
      nodes: [
        { id: 'a', height: 0.3, fixedPressure: 0 },
        { id: 'b', height: -0.7 },
      ],
      links: [
        { id: 'l', from: 'a', to: 'b', law: { kind: 'line', length: 1, bore: 0.008, roughness: 0, loss: noLoss } },
      ],
    });
    expect(solved.ok && solved.value.pressures.b).to.be.closeTo(745 * 9.80665, 1e-3);
  });
  it('holds a dead-head regulator at its setting, or at inlet less loss when the inlet is too low', () => {
    for (const [inlet, expected, state] of [
      [60_000, 25_000, 'regulating'],
      [20_000, 20_000 - 500, 'wideOpen'],
    ] as const) {
      const area = (Math.PI * 0.004 ** 2) / 4;
      const demand = area * Math.sqrt((2 * 500) / (745 * 5)); // loses 500 Pa through K = 5
      const solved = solveNetwork({
        liquid: petrol,
        nodes: [
          { id: 'in', height: 0, fixedPressure: inlet },
          { id: 'out', height: 0, demand },
        ],
        links: [
          {
            id: 'r',
            from: 'in',
            to: 'out',
            law: { kind: 'deadHeadRegulator', set: 25_000, slope: 0, bore: 0.004, k: 5 },
          },
        ],
      });
      expect(solved.ok && solved.value.pressures.out).to.be.closeTo(expected, 1e-2);
      expect(solved.ok && solved.value.states.r).to.equal(state);
    }
  });
  it('lets a bypass regulator rise by its slope with the flow it passes', () => {
    const slope = 1e8; // Pa s/m3
    const solved = solveNetwork({
      liquid: petrol,
      nodes: [
        { id: 't', height: 0, fixedPressure: 0 },
        { id: 'p', height: 0 },
      ],
      links: [
        {
          id: 'pump',
          from: 't',
          to: 'p',
          law: {
            kind: 'pump',
            rise: piecewiseCurve([
              [0, 6e5],
              [1e-4, 0],
            ]),
          },
        },
        { id: 'r', from: 'p', to: 't', law: { kind: 'bypassRegulator', set: 3e5, slope, bore: 0.006, k: 6 } },
      ],
    });
    // 6e5 - 6e9 q = 3e5 + 1e8 q
    const q = 3e5 / (6e9 + slope);
    expect(solved.ok && solved.value.flows.r! / q).to.be.closeTo(1, 1e-5);
  });
  it('shuts a check valve against reverse flow and opens it past its cracking pressure', () => {
    for (const [source, state] of [
      [-5000, 'shut'],
      [3000, 'shut'],
      [9000, 'open'],
    ] as const) {
      const solved = solveNetwork({
        liquid: petrol,
        nodes: [
          { id: 'a', height: 0, fixedPressure: source },
          { id: 'b', height: 0, fixedPressure: 0 },
        ],
        links: [
          {
            id: 'v',
            from: 'a',
            to: 'b',
            checkValve: true,
            law: { kind: 'line', length: 0, bore: 0.006, roughness: 0, loss: { k1: 0, kInfinity: 2 }, cracking: 4000 },
          },
        ],
      });
      expect(solved.ok && solved.value.states.v).to.equal(state);
      if (solved.ok) expect(solved.value.flows.v! > 1e-9).to.equal(state === 'open');
    }
  });
  it('says so when nothing fixes a pressure, a link dangles or a part is cut off', () => {
    const line: LinkLaw = { kind: 'line', length: 1, bore: 0.008, roughness: 0, loss: noLoss };
    const fault = (n: Pick<Network, 'nodes' | 'links'>) => {
      const solved = solveNetwork({ liquid: petrol, ...n });
      return solved.ok ? 'solved' : solved.fault.code;
    };
    expect(fault({ nodes: [{ id: 'a', height: 0 }], links: [] })).to.equal('noSource');
    expect(
      fault({ nodes: [{ id: 'a', height: 0, fixedPressure: 0 }], links: [{ id: 'l', from: 'a', to: 'x', law: line }] }),
    ).to.equal('danglingLink');
    expect(
      fault({
        nodes: [
          { id: 'a', height: 0, fixedPressure: 0 },
          { id: 'b', height: 0 },
          { id: 'c', height: 0 },
        ],
        links: [{ id: 'l', from: 'b', to: 'c', law: line }],
      }),
    ).to.equal('noSingleAnswer');
  });
});
