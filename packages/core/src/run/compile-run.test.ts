import { expect } from 'chai';
import { afterRailJob, carburettorJob, cleanJob, get, putBehind } from '../../test/rule-cases.ts';
import { frictionFactor } from '../hydraulics/friction-factor.ts';
import { linkLoss } from '../hydraulics/link-loss.ts';
import { orificeDrop } from '../hydraulics/orifice.ts';
import { fittingLoss, sizeChangeLoss } from '../hydraulics/loss-coefficient.ts';
import type { LinkLaw, Liquid, Network, NetworkLink } from '../hydraulics/network.ts';
import type { Job } from '../job/job.ts';
import { compileRun } from './compile-run.ts';
import type { CompiledRun } from './compiled-run.ts';
import { networkOfRun } from './network-of-run.ts';
import { operatingPoints } from './operating-point.ts';

const petrol: Liquid = { density: 745, viscosity: 0.53e-3 };
const flow = 200 / 3.6e6;

interface Built {
  run: CompiledRun;
  network: Network;
}
function build(job: Job, key = 'fullLoad', liquid = petrol): Built {
  const point = operatingPoints(job, { family: 'petrol', ethanol: 0 }, 1e-5).find((p) => p.key === key)!;
  const run = compileRun(job);
  const shares = new Map(run.draws.map((d) => [d.node, d.share * 1e-5]));
  const moment = { point, liquid, voltageAt: () => point.voltage };
  return { run, network: networkOfRun(run, moment, liquid, (node) => shares.get(node)) };
}
function link(built: Built, id: string): NetworkLink {
  const found = built.network.links.find((l) => l.id === id);
  if (!found) throw new Error(`no link ${id} among ${built.network.links.map((l) => l.id).join()}`);
  return found;
}
function law<K extends LinkLaw['kind']>(built: Built, id: string, kind: K): Extract<LinkLaw, { kind: K }> {
  const found = link(built, id).law;
  if (found.kind !== kind) throw new Error(`${id} is a ${found.kind}`);
  return found as Extract<LinkLaw, { kind: K }>;
}

describe('the network of a run', () => {
  it('takes a hose by Darcy-Weisbach with the friction of its liner', () => {
    const job = cleanJob((j) =>
      Object.assign(get(j, 'hose', 1), {
        length: { si: 2, unit: 'mm' },
        bore: { si: 0.008, unit: 'mm' },
        construction: 'r9',
      }),
    );
    const hose = law(build(job), 'hose-2', 'line');
    const velocity = flow / ((Math.PI * 0.008 ** 2) / 4);
    const f = frictionFactor((petrol.density * velocity * 0.008) / petrol.viscosity, 1e-5 / 0.008);
    const exact = ((f * 2) / 0.008 + hose.loss.kInfinity) * ((petrol.density * velocity ** 2) / 2);
    expect(linkLoss(hose, flow, petrol).loss / exact).to.be.closeTo(1, 1e-9);
    expect(law(build(cleanJob((j) => (get(j, 'hose', 1).construction = 'ptfe'))), 'hose-2', 'line').roughness).to.equal(
      2e-6,
    );
  });
  it('takes a hard line by its bore inside the wall, with a 3-K bend for each bend', () => {
    const line = law(build(cleanJob()), 'hard-line-1', 'line');
    expect(line.bore).to.be.closeTo(0.006, 1e-12);
    const bend = fittingLoss('elbow90Bend', 0.006);
    expect(line.loss.k1).to.be.closeTo(7 * bend.k1, 1e-9);
    expect(line.loss.kInfinity).to.be.closeTo(7 * bend.kInfinity + sizeChangeLoss(0.006, 0.008), 1e-9);
  });
  it('charges a change of bore once, to the smaller side', () => {
    const job = cleanJob((j) => (get(j, 'hose', 1).bore = { si: 0.005, unit: 'mm' }));
    const built = build(job);
    const expected = sizeChangeLoss(0.006, 0.005) + sizeChangeLoss(0.005, 0.012);
    expect(law(built, 'hose-2', 'line').loss.kInfinity).to.be.closeTo(expected, 1e-12);
  });
  it('charges a sharp entrance to the first line out of a tank, and an exit to the last one into it', () => {
    expect(law(build(carburettorJob()), 'hose-1', 'line').loss.kInfinity).to.be.closeTo(0.5, 1e-12);
    const straight = law(
      build(cleanJob((j) => (get(j, 'returnDrop').bore = { si: 0.008, unit: 'mm' }))),
      'return-drop-1',
      'line',
    );
    expect(straight.loss.kInfinity).to.be.closeTo(1, 1e-12);
  });
  it('scales a filter’s drop by dirt, by flow and by viscosity', () => {
    const drop = (dirt: number, liquid: Liquid, q: number) => {
      const job = cleanJob((j) =>
        Object.assign(get(j, 'filter'), {
          dirt: { si: dirt, unit: '' },
          ratedDrop: { si: 6e3, unit: 'kPa' },
          ratedFlow: { si: 200 / 3.6e6, unit: 'L/h' },
        }),
      );
      return linkLoss(link(build(job, 'keyOn', liquid), 'filter-1').law, q, liquid).loss;
    };
    expect(drop(1, petrol, flow)).to.be.closeTo(6e3, 1e-6);
    expect(drop(4, petrol, flow)).to.be.closeTo(24e3, 1e-6);
    // four fifths go with flow and viscosity, a fifth with flow squared
    expect(drop(1, petrol, flow / 2)).to.be.closeTo(2.4e3 + 0.3e3, 1e-6);
    expect(drop(1, { ...petrol, viscosity: 2 * petrol.viscosity }, flow)).to.be.closeTo(9.6e3 + 1.2e3, 1e-6);
  });
  it('gives fittings the loss of their shape, or the one their maker states', () => {
    const withFitting = (rest: object) =>
      cleanJob((j) =>
        putBehind(j, 'hose-2', { kind: 'fitting', id: 'fitting-1', bore: { si: 0.008, unit: 'mm' }, ...rest } as never),
      );
    const tight = law(build(withFitting({ shape: 'elbow90Tight' })), 'fitting-1', 'line').loss;
    expect(tight.k1).to.equal(800);
    expect(law(build(withFitting({ shape: 'elbow45Swept' })), 'fitting-1', 'line').loss.k1).to.equal(500);
    const stated = law(
      build(withFitting({ shape: 'banjo', lossCoefficient: { si: 7, unit: '' } })),
      'fitting-1',
      'line',
    ).loss;
    expect(stated.k1).to.equal(0);
    expect(stated.kInfinity).to.be.within(7, 7.8); // and the change to the rail's bore after it
    for (const shape of ['straight', 'bulkhead', 'quickConnector', 'banjo'])
      expect(law(build(withFitting({ shape })), 'fitting-1', 'line').loss.kInfinity).to.be.greaterThan(0);
  });
  it('sets a referenced regulator by the manifold and a fixed one not at all', () => {
    const set = (job: Job, key: string) => law(build(job, key), 'regulator-1', 'bypassRegulator').set;
    expect(set(afterRailJob(), 'idle')).to.be.closeTo(340e3, 1e-6);
    expect(set(afterRailJob(), 'fullLoad')).to.be.closeTo(400e3, 1e-6);
    expect(set(cleanJob(), 'idle')).to.be.closeTo(400e3, 1e-6);
  });
  it('taps the supply where the bypass regulator stands', () => {
    const after = build(afterRailJob());
    expect(link(after, 'regulator-1').from).to.equal(link(after, 'rail-1:4').to);
    const before = build(cleanJob());
    expect(link(before, 'regulator-1').from).to.equal(link(before, 'filter-1').to);
    expect(link(before, 'regulator-1').from).to.equal(link(before, 'hard-line-1').from);
  });
  it('puts a relief valve from the pump’s outlet back to the tank', () => {
    const relief = link(build(cleanJob()), 'pump-1:relief');
    expect(relief.to).to.equal('surface');
    expect(relief.from).to.equal(link(build(cleanJob()), 'pump-1').to);
    expect(build(cleanJob((j) => delete get(j, 'pump').reliefPressure)).network.links.map((l) => l.id)).to.not.include(
      'pump-1:relief',
    );
  });
  it('ends a return above the fuel in the air at its own height', () => {
    const end = (height: number) => {
      const built = build(cleanJob((j) => (get(j, 'returnDrop').endHeight = { si: height, unit: 'mm' })));
      return built.network.nodes.find((n) => n.id === link(built, 'return-drop-1').to)!;
    };
    expect(end(0.2).height).to.equal(0.2);
    expect(end(0.2).fixedPressure, 'what the vent costs the tank').to.be.within(-5, -0.1);
    expect(end(0.019).height, 'under the surface it is at the surface').to.be.closeTo(0.25 * 0.236, 1e-12);
  });
  it('shares the engine’s demand among the injectors, and nothing else draws', () => {
    const built = build(cleanJob());
    const drawing = built.network.nodes.filter((n) => n.demand);
    expect(drawing.map((n) => n.id)).to.deep.equal(['rail-1:1', 'rail-1:2', 'rail-1:3', 'rail-1:4']);
    expect(drawing.reduce((sum, n) => sum + n.demand!, 0)).to.be.closeTo(1e-5, 1e-15);
  });
  it('holds the first place of every rail when asked what can be delivered', () => {
    const { run } = build(cleanJob());
    expect(run.held.map((n) => run.nodes[n])).to.deep.equal(['rail-1:1']);
  });
  it('lets fuel through a check valve one way only, past its cracking pressure', () => {
    const job = cleanJob((j) =>
      putBehind(j, 'hose-1', { kind: 'checkValve', id: 'check-valve-1', bore: { si: 0.007, unit: 'mm' } }),
    );
    const built = build(job);
    expect(link(built, 'check-valve-1').checkValve).to.equal(true);
    expect(law(built, 'check-valve-1', 'line').cracking).to.equal(3e3); // the visible typical value
  });
  it('ends a return in its siphon jet, which holds back what the orifice equation says', () => {
    const built = build(
      cleanJob((j) => Object.assign(j.hanger!, { jetDrill: { si: 0.003, unit: 'mm' }, jetEdge: 'sharp' })),
    );
    const jet = link(built, 'siphonJet');
    expect(built.network.nodes.find((n) => n.id === jet.to)!.fixedPressure).to.be.closeTo(0, 5);
    // 200 L/h of petrol through 3 mm, Cd 0.62: 60 kPa
    expect(linkLoss(jet.law, flow, petrol).loss / orificeDrop(flow, 0.003, 'sharp', petrol.density)).to.be.closeTo(
      1,
      1e-9,
    );
    expect(link(built, 'return-drop-1').to === jet.from).to.equal(true);
  });
});
