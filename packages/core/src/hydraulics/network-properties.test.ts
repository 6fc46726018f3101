import { expect } from 'chai';
import fc from 'fast-check';
import { monotoneCurve, piecewiseCurve, type Point } from '../numerics/curve.ts';
import { compileLoss } from './compiled-loss.ts';
import type { LinkLaw, Network, NetworkLink, NetworkSolution } from './network.ts';
import { STANDARD_GRAVITY } from './network.ts';
import { linkLoss } from './link-loss.ts';
import { NetworkSolver } from './network-solver.ts';
import { solveNetwork } from './solve-network.ts';

const petrol = { density: 745, viscosity: 0.53e-3 };
const LPH = 1 / 3.6e6;
const pumpPoints: Point[] = [
  [0, 740e3],
  [136 * LPH, 600e3],
  [224 * LPH, 400e3],
  [281 * LPH, 200e3],
  [320 * LPH, 0],
];

const line = fc.record({
  length: fc.double({ min: 0, max: 5, noNaN: true }),
  bore: fc.double({ min: 0.004, max: 0.014, noNaN: true }),
  k: fc.double({ min: 0, max: 20, noNaN: true }),
  k1: fc.double({ min: 0, max: 800, noNaN: true }),
});
type Line = { length: number; bore: number; k: number; k1: number };
const lawOf = ({ length, bore, k, k1 }: Line): LinkLaw => ({
  kind: 'line',
  length,
  bore,
  roughness: 2e-6,
  loss: { k1, kInfinity: k },
});

const runs = fc.record({
  feed: fc.array(line, { minLength: 1, maxLength: 8 }),
  back: fc.array(line, { minLength: 1, maxLength: 5 }),
  branch: fc.array(line, { minLength: 1, maxLength: 4 }),
  set: fc.double({ min: 20e3, max: 600e3, noNaN: true }),
  slope: fc.constantFrom(0, 1e8, 1e9),
  demand: fc.double({ min: 0, max: 120, noNaN: true }),
  dirt: fc.double({ min: 1, max: 6, noNaN: true }),
  deadHead: fc.boolean(),
  checkValve: fc.boolean(),
  height: fc.double({ min: -0.5, max: 1.2, noNaN: true }),
});
type Run = {
  feed: Line[];
  back: Line[];
  branch: Line[];
  set: number;
  slope: number;
  demand: number;
  dirt: number;
  deadHead: boolean;
  checkValve: boolean;
  height: number;
};

/** A tank, a pump, a filter and a feed to a regulator; two branches side by side to the rail; a return to the tank. */
function networkOf(run: Run): Network {
  const nodes: { id: string; height: number; fixedPressure?: number; demand?: number }[] = [
    { id: 'tank', height: 0.1, fixedPressure: 0 },
    { id: 'pump', height: 0 },
    { id: 'f0', height: 0 },
  ];
  const links: NetworkLink[] = [
    { id: 'pump', from: 'tank', to: 'pump', law: { kind: 'pump', rise: monotoneCurve(pumpPoints) } },
    {
      id: 'filter',
      from: 'pump',
      to: 'f0',
      law: { kind: 'porous', linear: (run.dirt * 8e3) / (255 * LPH), quadratic: 0 },
    },
  ];
  let at = 'f0';
  const chain = (name: string, lines: readonly Line[], end?: string) => {
    lines.forEach((l, i) => {
      const to = end !== undefined && i === lines.length - 1 ? end : `${name}${i + 1}`;
      if (to !== end) nodes.push({ id: to, height: run.height * ((i + 1) / lines.length) });
      links.push({
        id: `${name}-${i}`,
        from: at,
        to,
        law: lawOf(l),
        checkValve: name === 'f' && i === 0 && run.checkValve,
      });
      at = to;
    });
  };
  chain('f', run.feed);
  const tap = at;
  nodes.push({ id: 'rail', height: run.height, demand: run.demand * LPH });
  const regulator = { set: run.set, slope: run.slope, bore: 0.0055, k: 6 };
  if (run.deadHead) {
    nodes.push({ id: 'low', height: run.height });
    links.push({ id: 'regulator', from: tap, to: 'low', law: { kind: 'deadHeadRegulator', ...regulator } });
    at = 'low';
    chain('u', run.branch, 'rail');
    at = 'low';
    chain('v', run.branch, 'rail');
  } else {
    chain('u', run.branch, 'rail');
    at = tap;
    chain('v', run.branch.toReversed(), 'rail');
    nodes.push({ id: 'spill', height: run.height });
    links.push({ id: 'regulator', from: 'rail', to: 'spill', law: { kind: 'bypassRegulator', ...regulator } });
    at = 'spill';
    chain('b', run.back, 'tank');
  }
  return { liquid: petrol, nodes, links };
}

/** Worst imbalance at a node, L/h, and in a link whose loss counts, Pa: worked out apart from the solver. */
function imbalance(network: Network, { flows, pressures, states }: NetworkSolution) {
  let [atNode, inLink] = [0, 0];
  for (const node of network.nodes) {
    if (node.fixedPressure !== undefined) continue;
    let sum = -(node.demand ?? 0);
    for (const l of network.links)
      sum += (l.to === node.id ? flows[l.id]! : 0) - (l.from === node.id ? flows[l.id]! : 0);
    atNode = Math.max(atNode, Math.abs(sum) / LPH);
  }
  const height = (id: string) => network.nodes.find((n) => n.id === id)!.height;
  for (const l of network.links) {
    if (states[l.id] === 'shut' || states[l.id] === 'regulating') continue;
    const drop =
      pressures[l.from]! - pressures[l.to]! + petrol.density * STANDARD_GRAVITY * (height(l.from) - height(l.to));
    inLink = Math.max(inLink, Math.abs(drop - linkLoss(l.law, flows[l.id]!, petrol).loss));
  }
  return { atNode, inLink };
}

describe('the network solver on random runs', () => {
  it('always converges with mass and energy in balance, and no number that is none', () => {
    fc.assert(
      fc.property(runs, (run) => {
        const network = networkOf(run);
        const solved = solveNetwork(network);
        if (!solved.ok) throw new Error(JSON.stringify(solved.fault));
        for (const value of [...Object.values(solved.value.pressures), ...Object.values(solved.value.flows)])
          expect(Number.isFinite(value)).to.equal(true);
        const { atNode, inLink } = imbalance(network, solved.value);
        expect(atNode, 'L/h at a node').to.be.below(1e-5);
        expect(inLink, 'Pa in a link').to.be.below(0.5);
      }),
      { seed: 202, numRuns: 250 },
    );
  });
  it('leaves every regulator in a state that its own pressures agree with', () => {
    fc.assert(
      fc.property(runs, (run) => {
        const network = networkOf(run);
        const solved = solveNetwork(network);
        if (!solved.ok) throw new Error(JSON.stringify(solved.fault));
        const { flows, pressures, states } = solved.value;
        const { from, to } = network.links.find((l) => l.id === 'regulator')!;
        const follow = run.slope * flows.regulator!;
        expect(flows.regulator!).to.be.at.least(-1e-12);
        if (run.deadHead) {
          if (states.regulator === 'regulating') expect(pressures[to]!).to.be.closeTo(run.set - follow, 0.5);
          else expect(pressures[to]!, 'never above its setting').to.be.at.most(run.set - follow + 0.5);
        } else if (states.regulator === 'regulating') expect(pressures[from]!).to.be.closeTo(run.set + follow, 0.5);
        else if (states.regulator === 'shut')
          expect(pressures[from]!, 'shut below its setting').to.be.at.most(run.set + 0.5);
        else expect(pressures[from]!, 'wide open above its setting').to.be.at.least(run.set + follow - 0.5);
      }),
      { seed: 203, numRuns: 150 },
    );
  });
  it('more dirt never raises the rail, a smaller return never lowers it, more demand never raises it', () => {
    const rail = (run: Run) => {
      const solved = solveNetwork(networkOf(run));
      if (!solved.ok) throw new Error(JSON.stringify(solved.fault));
      return solved.value.pressures.rail!;
    };
    fc.assert(
      fc.property(runs, (run) => {
        const before = rail(run);
        expect(rail({ ...run, dirt: run.dirt * 1.5 })).to.be.at.most(before + 0.5);
        expect(rail({ ...run, demand: run.demand + 20 })).to.be.at.most(before + 0.5);
        if (!run.deadHead)
          expect(rail({ ...run, back: run.back.map((l) => ({ ...l, bore: l.bore * 0.8 })) })).to.be.at.least(
            before - 0.5,
          );
      }),
      { seed: 204, numRuns: 120 },
    );
  });
  it('solved again with other demands gives what a fresh solver gives', () => {
    fc.assert(
      fc.property(
        runs,
        fc.array(fc.double({ min: 0, max: 120, noNaN: true }), { minLength: 3, maxLength: 3 }),
        (run, demands) => {
          const solver = new NetworkSolver(networkOf(run));
          for (const demand of demands) {
            solver.setDemand('rail', demand * LPH);
            const again = solver.solve();
            const network = networkOf({ ...run, demand });
            const fresh = solveNetwork(network);
            if (!again.ok || !fresh.ok) throw new Error('not solved');
            network.nodes.forEach((n, i) =>
              expect(solver.pressure(i)).to.be.closeTo(fresh.value.pressures[n.id]!, 0.5),
            );
          }
        },
      ),
      { seed: 205, numRuns: 60 },
    );
  });
});

describe('the network solver on networks that are none', () => {
  const simple = (change: Partial<Network>): Network => ({
    liquid: petrol,
    nodes: [
      { id: 'a', height: 0, fixedPressure: 1e5 },
      { id: 'b', height: 0 },
    ],
    links: [{ id: 'l', from: 'a', to: 'b', law: lawOf({ length: 1, bore: 0.008, k: 1, k1: 0 }) }],
    ...change,
  });
  const code = (network: Network) => {
    const solved = solveNetwork(network);
    return solved.ok ? 'solved' : solved.fault.code;
  };
  it('names the reason', () => {
    expect(code(simple({}))).to.equal('solved');
    expect(
      code(
        simple({
          nodes: [
            { id: 'a', height: 0 },
            { id: 'b', height: 0 },
          ],
        }),
      ),
    ).to.equal('noSource');
    expect(
      code(simple({ links: [{ id: 'l', from: 'a', to: 'x', law: lawOf({ length: 1, bore: 0.008, k: 1, k1: 0 }) }] })),
    ).to.equal('danglingLink');
    expect(code(simple({ nodes: [...simple({}).nodes, { id: 'c', height: 0 }] }))).to.equal('noSingleAnswer');
  });
  it('does not start from what a failed attempt left behind', () => {
    const solver = new NetworkSolver(simple({ nodes: [...simple({}).nodes, { id: 'c', height: 0 }] }));
    expect(solver.solve().ok).to.equal(false);
    expect(solver.solve().ok).to.equal(false);
    expect(() => solver.setDemand('nowhere', 1)).to.throw(RangeError);
  });
});

describe('a link’s slope', () => {
  const laws: Record<string, LinkLaw> = {
    line: lawOf({ length: 2, bore: 0.0077, k: 3, k1: 500 }),
    fitting: lawOf({ length: 0, bore: 0.006, k: 1.5, k1: 800 }),
    porous: { kind: 'porous', linear: 2e8, quadratic: 1e12 },
    pump: { kind: 'pump', rise: monotoneCurve(pumpPoints) },
    curve: {
      kind: 'curve',
      loss: piecewiseCurve([
        [0, 0],
        [1e-4, 2e4],
        [2e-4, 9e4],
      ]),
    },
    seat: { kind: 'bypassRegulator', set: 3e5, slope: 0, bore: 0.0055, k: 6 },
  };
  for (const [name, law] of Object.entries(laws))
    for (const friction of ['churchill', 'epanet'] as const)
      it(`of ${name}, ${friction}, is what a central difference finds, forwards and backwards`, () => {
        const loss = compileLoss(law, petrol, friction);
        const at = (flow: number) => {
          const into = { loss: 0, slope: 0 };
          loss(flow, into);
          return into;
        };
        for (const flow of [5, 23, 61, 104, 180, 260]) {
          const h = flow * 1e-5;
          const difference = (at(flow + h).loss - at(flow - h).loss) / (2 * h);
          // the solver adds 0.3 Pa per L/h, so that nothing is without slope
          expect(at(flow).slope - 1e3 / 3.6e6).to.be.closeTo(difference, 1e-3 * Math.abs(difference) + 1e-9);
          if (law.kind !== 'pump') expect(at(-flow).loss).to.be.closeTo(-at(flow).loss, 1e-12);
        }
      });
});
