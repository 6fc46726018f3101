import { expect } from 'chai';
import { filled, planOf } from '../../test/filled.ts';
import { carburettorJob, changed, cleanJob, fit, get } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import { genericAdapter, genericAdapters } from '../fittings/adapter-catalogue.ts';
import { ChainSearch } from '../fittings/chain-search.ts';
import { readPort } from '../fittings/read-port.ts';
import { sayPort, type Port } from '../fittings/port.ts';
import { sizeChangeLoss } from '../hydraulics/loss-coefficient.ts';
import { applyAct, tryAct } from '../acts/apply-act.ts';
import type { Job } from '../job/job.ts';
import { chainLaw } from '../run/chain-law.ts';
import { circuitsOf } from '../run/circuits.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { turned } from '../fittings/adapter.ts';
import { jointsOf, seals } from '../run/joints.ts';
import { mm } from '../units/quick.ts';
import { ChainPlanner, chooseChain, fillJoints, keptChain, wasteOf } from './chain-plan.ts';
import { commonSizes } from './common-sizes.ts';
import { jointPressure, jointWants } from './joint-wants.ts';
import { makeUp } from './make-up.ts';
import { neededParts } from './needed-parts.ts';
import { genericSearch, stockOf, type ShelfPart } from '../fittings/stock.ts';

const port = (text: string): Port => {
  const read = readPort(text);
  if (!read.ok) throw new Error(read.fault);
  return read.value;
};

describe('the joint list of a job', () => {
  it('is complete by construction: every joint of every demo job once, numbered in the order of the fuel', () => {
    for (const job of Object.values(demoJobs)) {
      const joints = jointsOf(job);
      expect(joints.map((j) => j.number)).to.deep.equal(joints.map((_, i) => i + 1));
      expect(joints.map((j) => j.id).sort()).to.deep.equal(Object.keys(job.joints).sort());
      const run = circuitsOf(job);
      for (const part of run.parts)
        for (const { state } of run.ports(part.id)) expect(['mated', 'capped', 'plugged', 'open']).to.include(state);
    }
  });
  it('goes with the fuel: pump, hose, filter of the mail van', () => {
    const ways = jointsOf(cleanJob()).map((j) => `${j.from} ${j.to}`);
    expect(ways.indexOf('pump-1 hose-1')).to.be.lessThan(ways.indexOf('hose-1 filter-1'));
    expect(ways.indexOf('hose-1 filter-1')).to.be.lessThan(ways.indexOf('hose-2 rail-1'));
  });
  it('proposes a usual port for every end that nobody has looked at, and says so', () => {
    for (const job of Object.values(demoJobs))
      for (const { outlet, inlet } of jointsOf(job))
        for (const end of [outlet, inlet]) {
          const looked = job.parts[end.part]!.ports?.[end.port]?.fitting;
          expect(end.isUsual).to.equal(looked === undefined);
          expect(end.opens || end.fitting !== undefined, `${job.name} ${end.part} ${end.port}`).to.equal(true);
          if (looked) expect(end.fitting).to.equal(looked);
        }
  });
  it('supposes a barb of the hose’s size where hose is clamped over, a strainer’s neck, tube by its outside diameter', () => {
    const say = (job: Job, from: string, to: string) => {
      const joint = jointsOf(job).find((j) => j.from === from && j.to === to)!;
      return [joint.outlet, joint.inlet].map((e) => (e.fitting ? sayPort(e.fitting) : e.opens ? 'fuel' : '?'));
    };
    expect(say(cleanJob(), 'pump-1', 'hose-1')).to.deep.equal(['barb 5/16', 'hose 5/16']);
    expect(say(cleanJob(), 'sock-1', 'pump-1')).to.deep.equal(['female neck 11 mm', 'male neck 11 mm']);
    expect(say(cleanJob(), 'tank-1', 'sock-1')).to.deep.equal(['fuel', 'fuel']);
    expect(say(demoJobs.rescuePickup, 'hard-line-2', 'swirl-pot-1')).to.deep.equal(['tube 3/8', 'male flare37 -6']);
    expect(say(demoJobs.sprintCar, 'hose-2', 'filter-1')[0]).to.equal('hose -6 PTFE');
    const wider = cleanJob((j) => (get(j, 'hose').bore = { si: 0.0095, unit: 'mm' }));
    expect(say(wider, 'pump-1', 'hose-1')).to.deep.equal(['barb 3/8', 'hose 3/8']);
  });
});

describe('chains in the joints of a job', () => {
  it('fill every joint of the demo jobs that can be joined, and then every one of those seals', () => {
    for (const [name, job] of Object.entries(demoJobs)) {
      const none = planOf(job).filter((p) => p.state === 'wants' && p.chains.length === 0);
      expect(none.length, name).to.equal(name === 'flatBedTender' ? 1 : 0); // a filter straight onto a pump’s barb
      const after = jointsOf(filled(job));
      for (const joint of after)
        if (!none.some((p) => p.joint === joint.id)) expect(seals(joint), `${name} ${joint.number}`).to.equal(true);
      expect(fillJoints(after, planOf(filled(job)))).to.equal(undefined);
    }
  });
  it('number their own joints 7.1, 7.2', () => {
    const joint = jointsOf(filled(cleanJob())).find((j) => j.chain.length === 2)!;
    expect(joint.meetings.map((m) => m.number)).to.deep.equal([1, 2, 3].map((i) => `${joint.number}.${i}`));
  });
  it('are kept from the joint’s own first end, whichever way the fuel goes', () => {
    const job = filled(cleanJob());
    const joint = jointsOf(job).find((j) => j.chain.length === 2)!;
    const { joint: own } = joint;
    const round: Job = changed(
      job,
      (j) => (j.joints[own.id] = { ...own, a: own.b, b: own.a, chain: turned(own.chain!) }),
    );
    const again = jointsOf(round).find((j) => j.id === joint.id)!;
    expect(again.chain).to.deep.equal(joint.chain);
    const best = planOf(round).find((p) => p.joint === joint.id)!.chains[0]!;
    expect(keptChain(again, best)![0]!.ports[0]).to.deep.equal(
      best.links.at(-1)!.adapter.ports[best.links.at(-1)!.out],
    );
  });
  it('are done again only where a changed line no longer fits, and what became waste is named', () => {
    const job = filled(demoJobs.rescuePickup);
    const thicker = applyAct(job, {
      act: 'setOnPart',
      id: 'hard-line-2',
      key: 'outsideDiameter',
      value: { si: 0.0127, unit: 'mm' },
    });
    const plans = planOf(thicker);
    const stale = plans.filter((p) => p.state === 'stale').map((p) => p.joint);
    expect(stale.sort()).to.deep.equal(['hard-line-2-in', 'swirl-pot-1-return']);
    const act = fillJoints(jointsOf(thicker), plans)!;
    expect(act.changes.map((c) => c.id).sort()).to.deep.equal(stale.sort());
    const waste = wasteOf(jointsOf(thicker), plans).map((w) => w.adapter.shape);
    expect(waste).to.deep.equal(['tubeEnd', 'tubeEnd']);
    expect(wasteOf(jointsOf(job), planOf(job))).to.deep.equal([]);
  });
  it('come out where a part was changed so that the ends mate by themselves', () => {
    const job = filled(cleanJob());
    const joint = jointsOf(job).find((j) => j.chain.length === 2)!;
    const mating = changed(job, (j) => {
      for (const [end, text] of [
        [joint.outlet, 'male flare37 -6'],
        [joint.inlet, 'swivel female flare37 -6'],
      ] as const)
        fit(j, end.part, end.port, port(text));
    });
    const after = filled(mating);
    expect(after.joints[joint.id]!.chain).to.equal(undefined);
    expect(
      wasteOf(jointsOf(mating), planOf(mating))
        .map((w) => w.adapter.code)
        .sort(),
    ).to.deep.equal(joint.chain.map((a) => a.code).sort());
  });
  it('use what lies on the shelf first', () => {
    const lucky = genericAdapters().find((a) => a.code === 'straight: male flare37 -6 + male orb -6, stainless')!;
    const shelf: ShelfPart[] = [{ adapter: lucky, count: 2 }];
    const plan = planOf(demoJobs.islandShuttle, new ChainPlanner(new ChainSearch(stockOf(shelf))));
    const links = plan.find((p) => p.joint === 'hard-line-1-in')!.chains[0]!.links;
    expect(links.map((l) => [l.adapter.code, l.onShelf])).to.deep.include([lucky.code, true]);
  });
  it('keep to the fuel, the pressure as solved in steps of 50 kPa, and a swivel where something has to be pointed', () => {
    const findings = findingsOf(demoJobs.sprintCar);
    const joint = findings.joints.find((j) => j.id === 'hard-line-1-in')!;
    const wants = jointWants(joint, findings);
    expect([...wants.materials!].sort()).to.deep.equal(['aluminium', 'plastic', 'stainless']);
    const pressure = jointPressure(joint.id, findings.solution)!;
    expect(wants.pressure! - pressure).to.be.within(0, 50e3);
    expect(wants.pressure! % 50e3).to.equal(0);
    expect(wants.swivel).to.equal(true);
    expect(
      jointWants(
        findings.joints.find((j) => j.id === 'hose-1-in')!,
        findings,
      ).swivel,
    ).to.equal(undefined);
  });
  it('are put in, swapped and taken out as acts that undo', () => {
    const [plan] = planOf(cleanJob()).filter((p) => p.state === 'wants');
    const joint = jointsOf(cleanJob()).find((j) => j.id === plan!.joint)!;
    const second = applyAct(cleanJob(), chooseChain(joint, plan!.chains[1]));
    expect(second.joints[joint.id]!.chain!.map((a) => a.code)).to.have.members(
      plan!.chains[1]!.links.map((l) => l.adapter.code),
    );
    const bare = applyAct(second, chooseChain(joint, undefined));
    expect(bare.joints[joint.id]).to.deep.equal(joint.joint);
  });
});

describe('adapters in the network', () => {
  const elbow = {
    ...genericAdapter('elbow90: swivel female flare37 -6 + male npt 3/8, aluminium')!,
    bore: mm(6),
    length: mm(40),
  };
  const union = { ...elbow, shape: 'straight' as const, angle: 0, bore: mm(5), length: mm(30) };
  const open = { bore: undefined, isVessel: false };
  it('are one line on the smallest bore: lengths add up, K by the fourth power of the bores', () => {
    const one = chainLaw([elbow], open, open);
    expect(one).to.include({ bore: mm(6), length: mm(40) });
    const both = chainLaw([elbow, union], open, open);
    expect(both).to.include({ bore: mm(5) });
    expect(both.length).to.be.closeTo(mm(70), 1e-12);
    const own = one.loss.kInfinity * (5 / 6) ** 4 + 0.1 + sizeChangeLoss(mm(6), mm(5));
    expect(both.loss.kInfinity).to.be.closeTo(own, 1e-12);
    expect(both.loss.k1).to.be.closeTo(one.loss.k1 * (5 / 6) ** 3, 1e-9);
  });
  it('answer for what is wider than they are, and for a vessel', () => {
    const wide = chainLaw([union], { bore: mm(10), isVessel: false }, open).loss.kInfinity - 0.1;
    expect(wide).to.be.closeTo(sizeChangeLoss(mm(10), mm(5)), 1e-12);
    expect(chainLaw([union], { bore: mm(4), isVessel: false }, open).loss.kInfinity).to.be.closeTo(0.1, 1e-12);
    expect(chainLaw([union], { bore: undefined, isVessel: true }, open).loss.kInfinity).to.be.closeTo(0.6, 1e-12);
    expect(chainLaw([union], open, { bore: undefined, isVessel: true }).loss.kInfinity).to.be.closeTo(1.1, 1e-12);
  });
  it('lose what a fitting of the same bore and shape loses where it stands in the same place', () => {
    const bore = mm(6);
    const asPart = cleanJob();
    const [at] = circuitsOf(asPart).into('rail-1');
    const inserted = applyAct(asPart, {
      act: 'insertPart',
      joint: at!.joint,
      part: { kind: 'fitting', id: 'fitting-9', shape: 'elbow90Tight', bore: { si: bore, unit: 'mm' } },
      in: 'in',
      out: 'out',
    });
    const asChain = cleanJob(
      (j) => (j.joints[at!.joint]!.chain = [{ ...elbow, bore, length: 0, angle: Math.PI / 2, shape: 'elbow' }]),
    );
    const [a, b] = [inserted, asChain].map((j) => findingsOf(j).solution!.points.fullLoad.railPressure);
    expect(a!).to.be.closeTo(b!, 0.5);
    expect(a!).to.be.lessThan(findingsOf(asPart).solution!.points.fullLoad.railPressure - 10);
    const { joints, parts } = findingsOf(asChain).solution!.points.fullLoad;
    const fitting = findingsOf(inserted).solution!.points.fullLoad.parts.find((p) => p.id === 'fitting-9')!;
    expect(joints[at!.joint]!.loss).to.be.closeTo(fitting.inletPressure - fitting.outletPressure - fitting.lift, 0.5);
    expect(parts.length).to.equal(circuitsOf(asChain).parts.length);
  });
  it('narrow a suction and so choke it like a part', () => {
    const narrow = changed(
      demoJobs.rescuePickup,
      (j) => (j.joints['pump-2-in']!.chain = [{ ...union, bore: mm(3.5), length: mm(20) }]),
    );
    const [before, after] = [demoJobs.rescuePickup, narrow].map(
      (j) => findingsOf(j).solution!.worstSuction!.result.suctionMargin,
    );
    expect(after!).to.be.lessThan(before! - 0.1);
  });
});

describe('how a joint is made up', () => {
  const meeting = (a: string, b: string) => {
    const job = cleanJob((j) => {
      fit(j, 'hose-2', 'out', port(a));
      fit(j, 'rail-1', 'in', port(b));
    });
    return jointsOf(job).find((j) => j.to === 'rail-1')!.meetings[0]!;
  };
  const made = (a: string, b: string, clamp?: 'band' | 'worm') => makeUp(meeting(a, b), { clamp })!;
  it('says what goes on it', () => {
    const on = (a: string, b: string) => made(a, b).goesOn;
    expect(on('male flare37 -6', 'female flare37 -6')).to.equal('nothing');
    expect(on('male orb -6', 'female orb -6')).to.equal('an oiled O-ring');
    expect(on('male npt 1/4', 'female npt 1/4')).to.equal('liquid sealant on the male thread only');
    expect(on('swivel male metric M12x1.5', 'female metric M12x1.5')).to.equal('two new washers');
    expect(on('hose 5/16', 'bead 5/16')).to.equal('a band clamp');
  });
  it('says the spanner, and torque or turns: −6 of steel 24 to 29 N·m or 1½ flats (SAE J514, from memory), alloy 0.6 of it', () => {
    const flare = made('male flare37 -6', 'swivel female flare37 -6');
    expect(flare.tightening).to.deep.equal({ by: 'torque', least: 24, most: 29, flats: 1.5 });
    expect(flare.spanners.map((s) => Math.round(s * 1e4) / 10)).to.deep.equal([17.5]);
    expect(flare.source).to.match(/from memory/);
    const alloy = makeUp(meeting('male flare37 -6', 'swivel female flare37 -6'), {}, ['aluminium'])!;
    expect(alloy.tightening).to.deep.include({ least: 14, most: 17 });
    const cone = meeting('male flare37 -6', 'swivel female flare37 -6');
    const [first, second] = cone.ends;
    const ends = [first, { ...second, material: 'aluminium' as const }] as const;
    expect(makeUp({ ...cone, ends }, {})!.tightening, 'by the end itself').to.deep.include({ least: 14, most: 17 });
    const flats = { si: 0.019, unit: 'mm' };
    const across = [
      { ...first, flats },
      { ...second, flats },
    ] as const;
    expect(makeUp({ ...cone, ends: across }, {})!.spanners, 'as measured').to.deep.equal([0.019]);
    expect(made('male npt 1/4', 'female flare37 -6'), 'what does not mate is not made up').to.equal(undefined);
    expect(made('male npt 1/4', 'female npt 1/4').tightening).to.deep.equal({ by: 'turns', least: 2, most: 3 });
    expect(made('male quick 5/16', 'female quick 5/16').tightening).to.deep.include({ by: 'hand' });
  });
  it('has something to say of every way to seal', () => {
    for (const job of Object.values(demoJobs))
      for (const joint of jointsOf(filled(job)))
        for (const m of joint.meetings) expect(makeUp(m, joint.joint) !== undefined).to.equal(m.mating.mates);
  });
});

describe('the missing list', () => {
  const list = (job: Job, shelf: ShelfPart[] = []) => neededParts(job, jointsOf(job), planOf(job), shelf);
  it('counts what every joint takes, proposed or chosen alike', () => {
    const [proposed, chosen] = [list(cleanJob()), list(filled(cleanJob()))];
    const codes = (rows: typeof proposed) => rows.filter((r) => r.adapter).map((r) => `${r.needed} ${r.code}`);
    expect(codes(proposed)).to.deep.equal(codes(chosen));
    const clamps = chosen.find((r) => r.name.startsWith('Band clamp'))!;
    expect(clamps.needed).to.equal(
      jointsOf(cleanJob())
        .flatMap((j) => j.meetings)
        .filter((m) => m.mating.mates && m.mating.seal === 'clampedHose').length,
    );
  });
  it('takes off what lies on the bench, then what lies on the shelf, and names what is over', () => {
    const job = filled(cleanJob());
    const end = list(job).find((r) => r.adapter?.shape === 'tubeEnd')!;
    expect(end).to.include({ needed: 1, spare: 1, missing: 1, toBuy: 2, over: 0 });
    const laid: Job = {
      ...job,
      bench: { [end.code]: { name: end.name, count: 4 }, odd: { name: 'Odd thing', count: 2 } },
    };
    expect(list(laid).find((r) => r.code === end.code)).to.include({ missing: 0, toBuy: 0, over: 2, onBench: 4 });
    expect(list(laid).find((r) => r.code === 'odd')).to.deep.include({ needed: 0, over: 2, joints: [] });
    // what is not there is not listed; of what no joint takes, nothing is spare
    const bench = { gone: { name: 'Gone thing', count: 0 }, ring: { name: 'O-ring of another job', count: 2 } };
    const rows = list({ ...job, bench });
    expect(rows.some((r) => r.code === 'gone')).to.equal(false);
    expect(rows.find((r) => r.code === 'ring')).to.include({ spare: 0, toBuy: 0, over: 2 });
    const onShelf = list(job, [{ adapter: end.adapter!, count: 1 }]).find((r) => r.code === end.code)!;
    expect(onShelf).to.include({ missing: 1, onShelf: 1, toBuy: 1 });
  });
  it('is laid out by an act of its own', () => {
    const done = tryAct(cleanJob(), { act: 'set', path: ['bench', 'x'], value: { name: 'X', count: 3 } });
    expect(done.ok && done.value.bench).to.deep.equal({ x: { name: 'X', count: 3 } });
    expect(tryAct(cleanJob(), { act: 'set', path: ['bench', 'x'], value: { name: 'X', count: -1 } }).ok).to.equal(
      false,
    );
  });
});

describe('common sizes', () => {
  it('are solved with their adapters: a bigger feed loses less, and the sizes are counted', () => {
    const rows = [...commonSizes(demoJobs.rescuePickup, genericSearch())];
    expect(rows.map((r) => `${r.feed}/${r.back}`))
      .to.have.length(9)
      .and.include('6/8');
    const at = (feed: number, back: number) => rows.find((r) => r.feed === feed && r.back === back)!;
    expect(at(8, 8).loss!).to.be.lessThan(at(6, 8).loss!);
    expect(at(10, 8).loss!).to.be.lessThan(at(8, 8).loss!);
    expect(at(6, 8).railIdle!).to.be.lessThan(at(6, 6).railIdle!);
    expect([at(6, 6).sizes, at(6, 8).sizes]).to.deep.equal([1, 2]);
    const done = applyAct(demoJobs.rescuePickup, at(6, 8).act);
    expect((done.parts['hard-line-1'] as { outsideDiameter?: { si: number } }).outsideDiameter!.si).to.be.closeTo(
      0.009525,
      1e-9,
    );
    expect((done.parts['hard-line-2'] as { outsideDiameter?: { si: number } }).outsideDiameter!.si).to.be.closeTo(
      0.0127,
      1e-9,
    );
  });
  it('count each place that can leak: every meeting of a chain, and once a joint of which nothing is known', () => {
    const [row] = [...commonSizes(demoJobs.rescuePickup, genericSearch())];
    const after = filled(applyAct(demoJobs.rescuePickup, row!.act));
    const joints = jointsOf(after);
    const unknown = joints.filter((j) => j.meetings.length === 0);
    expect(unknown.length).to.be.greaterThan(0);
    expect(row!.joints).to.equal(joints.reduce((sum, j) => sum + j.meetings.length, 0) + unknown.length);
  });
  it('say nothing of pressure while the run is not solved, and offer no return where there is none', () => {
    expect([...commonSizes(demoJobs.beachBuggy, genericSearch())].every((r) => r.loss === undefined)).to.equal(true);
    expect([...commonSizes(carburettorJob(), genericSearch())].map((r) => r.back)).to.deep.equal([6, 8, 10]);
  });
});

describe('what adapters of a joint have to keep to', () => {
  it('is asked at the joint: turn, least bore and room decide the chains, and what cannot be had is named', () => {
    const wished = (wishes: Partial<Job['joints'][string]>) =>
      changed(demoJobs.islandShuttle, (j) => Object.assign(j.joints['hard-line-1-in']!, wishes));
    const chain = (job: Job) => planOf(job).find((p) => p.joint === 'hard-line-1-in')!;
    const turned90 = chain(wished({ turn: { si: Math.PI / 2, unit: '°' } })).chains[0]!;
    expect(turned90.links.reduce((sum, l) => sum + l.adapter.angle, 0)).to.be.closeTo(Math.PI / 2, 1e-9);
    const wide = chain(wished({ leastBore: { si: 0.0077, unit: 'mm' } })).chains[0]!;
    expect(wide.bore).to.be.at.least(0.0077);
    const short = chain(wished({ room: { si: 0.001, unit: 'mm' } }));
    expect([short.chains.length, short.obstacles.map((o) => o.want)]).to.deep.equal([0, ['maximumLength']]);
  });
});
