import { expect } from 'chai';
import { wire } from '../../../test/simple-wiring.ts';
import { wireCovers } from '../../ratings/material-fuel.ts';
import { carburettorJob, cleanJob, expectSnag, fit, get, jointInto, snagsOfRule } from '../../../test/rule-cases.ts';
import { genericAdapter } from '../../fittings/adapter-catalogue.ts';
import { readPort } from '../../fittings/read-port.ts';
import type { Port } from '../../fittings/port.ts';
import { applyAct } from '../../acts/apply-act.ts';
import type { Job } from '../../job/job.ts';
import { jointsOf, seals } from '../../run/joints.ts';

const port = (text: string): Port => {
  const read = readPort(text);
  if (!read.ok) throw new Error(read.fault);
  return read.value;
};
const meeting = (a: string, b: string, more: (job: Job) => void = () => undefined) =>
  cleanJob((j) => {
    fit(j, 'hose-2', 'out', port(a));
    fit(j, 'rail-1', 'in', port(b));
    more(j);
  });

describe('rule joint-does-not-seal', () => {
  const pairs = [
    ['male flare45 1/2', 'female flare37 -8', /45° touch on a line only/],
    ['male flare37 -6', 'female orb -6', /no O-ring and its cone finds no seat/],
    ['male npt 1/2', 'female bspt 1/2', /start by hand and then ruin/],
    ['male metric M10x1', 'female npt 1/8', /start by hand/],
    ['male metric M14x1.5', 'female orb -6', /start by hand/],
    ['male flare45 3/8', 'female metric M16x1.5', /start by hand/],
    ['male metric M14x1.5', 'female iso6149 M14x1.5', /O-ring port has a chamfer/],
  ] as const;
  for (const [a, b, words] of pairs)
    it(`stops at ${a} on ${b}, names why, and its cure seals`, () => {
      const bad = meeting(a, b);
      const snag = expectSnag('joint-does-not-seal', cleanJob(), bad, 'stop', 'rail-1');
      expect(snag.what).to.match(words);
      if (!snag.act) throw new Error(`${a} on ${b} has no cure`);
      const cured = applyAct(bad, snag.act);
      expect(seals(jointsOf(cured).find((j) => j.to === 'rail-1')!)).to.equal(true);
      expect(snagsOfRule(cured, 'joint-does-not-seal')).to.deep.equal([]);
    });
  it('stops at hose over a bead of another size, which no adapter cures', () => {
    const snag = expectSnag('joint-does-not-seal', cleanJob(), meeting('hose 5/16', 'bead 3/8'), 'stop', 'rail-1');
    expect([snag.what, snag.cure].join(' ')).to.match(/sizes 5\/16 and 3\/8.*Take hose of the size/);
    expect(snag.act).to.equal(undefined);
  });
  it('lets hydraulic on aviation 37° pass, and what nobody has looked at', () => {
    expect(snagsOfRule(meeting('male flare37 -6', 'swivel female flare37 -6'), 'joint-does-not-seal')).to.deep.equal(
      [],
    );
    const half = cleanJob((j) => {
      fit(j, 'hose-2', 'out', port('male flare37 -6'));
      delete get(j, 'rail').ports;
    });
    expect(snagsOfRule(half, 'joint-does-not-seal')).to.deep.equal([]);
  });
  it('says that chosen adapters fit no more, and does them again', () => {
    const union = genericAdapter('straight: swivel female flare37 -6 + male orb -6, steel')!;
    const right = meeting('male flare37 -6', 'female orb -6', (j) => (jointInto(j, 'rail-1').chain = [union]));
    const wrong = meeting('male flare37 -8', 'female orb -6', (j) => (jointInto(j, 'rail-1').chain = [union]));
    const snag = expectSnag('joint-does-not-seal', right, wrong, 'stop', 'rail-1');
    expect(snag.what).to.match(/^The adapters between .* fit no more/);
    expect(snagsOfRule(applyAct(wrong, snag.act!), 'joint-does-not-seal')).to.deep.equal([]);
    const needless = meeting('male flare37 -6', 'female flare37 -6', (j) => (jointInto(j, 'rail-1').chain = [union]));
    const [taken] = snagsOfRule(needless, 'joint-does-not-seal');
    expect(taken?.actLabel).to.equal('Take the adapters out');
    expect(jointInto(applyAct(needless, taken!.act!), 'rail-1').chain).to.equal(undefined);
  });
});

describe('rule adapter-not-rated', () => {
  it('stops where an adapter is rated below the pressure there, just under and just over', () => {
    const union = genericAdapter('straight: swivel female flare37 -6 + male orb -6, steel')!;
    const rated = (pressure: number) =>
      meeting(
        'male flare37 -6',
        'female orb -6',
        (j) => (jointInto(j, 'rail-1').chain = [{ ...union, code: 'own', maximumPressure: pressure }]),
      );
    const [snag] = snagsOfRule(rated(100e3), 'adapter-not-rated');
    expect(snag).to.include({ grade: 'stop' });
    const seen = snag!.figure!.si;
    expect(snagsOfRule(rated(seen * 1.01), 'adapter-not-rated')).to.deep.equal([]);
    expect(snagsOfRule(rated(seen * 0.99), 'adapter-not-rated')).to.have.length(1);
    expect(snagsOfRule(applyAct(rated(100e3), snag!.act!), 'adapter-not-rated')).to.deep.equal([]);
  });
  it('wants an adapter that the fuel leaves alone', () => {
    const brass = genericAdapter('straight: swivel female flare37 -6 + male flare45 3/8, brass')!;
    const with_ = (ethanol: number) =>
      meeting('male flare37 -6', 'female flare45 3/8', (j) => {
        j.brief.ethanol = { si: ethanol, unit: '%' };
        jointInto(j, 'rail-1').chain = [brass];
      });
    expect(snagsOfRule(with_(0.1), 'adapter-not-rated')).to.deep.equal([]);
    expect(snagsOfRule(with_(0.85), 'adapter-not-rated').map((s) => s.grade)).to.deep.equal(['fix']);
  });
});

describe('rule adapter-not-rated, heat', () => {
  it('wants no quick connector beside the exhaust, and leaves it in the bay', () => {
    const lies = (rest: object) =>
      meeting('male quick 5/16', 'female quick 5/16', (j) => Object.assign(get(j, 'hose', 1), rest));
    expect(snagsOfRule(lies({ lies: 'bay' }), 'adapter-not-rated')).to.deep.equal([]);
    const near = lies({ lies: 'exhaust', exhaustGap: { si: 0.01, unit: 'mm' } });
    const [snag] = snagsOfRule(near, 'adapter-not-rated');
    expect(snag).to.include({ grade: 'fix' });
    expect(snag!.what).to.match(/gets hotter than it lasts/);
  });
});

describe('rule wire-in-tank', () => {
  const covered = (insulation: 'pvc105' | 'nylon' | 'fluoropolymer', ethanol = 0.1) =>
    cleanJob((j) => {
      wire(j, { inside: { insulation } });
      j.brief.ethanol = { si: ethanol, unit: '%' };
    });
  it('stops at general wire in the fuel, asks for nylon in ethanol, and lets PTFE pass', () => {
    expectSnag('wire-in-tank', covered('fluoropolymer'), covered('pvc105'), 'stop');
    expect(snagsOfRule(covered('nylon'), 'wire-in-tank')).to.deep.equal([]);
    expect(snagsOfRule(covered('nylon', 0.85), 'wire-in-tank').map((s) => s.grade)).to.deep.equal(['note']);
  });
  it('cites who says so', () => {
    const job = covered('nylon');
    job.materials = { [wireCovers.nylon.name]: { on: { e10: 'attacked' }, source: 'sheet of the maker' } };
    const sources = [covered('pvc105'), job].map((j) => snagsOfRule(j, 'wire-in-tank').map((s) => s.source));
    expect(sources).to.deep.equal([['common practice'], ['sheet of the maker']]);
  });
});

describe('rule hose-worn', () => {
  it('tells old hose just over what it lasts', () => {
    const aged = (years: number) => cleanJob((j) => (get(j, 'hose', 1).years = years));
    expect(snagsOfRule(aged(10), 'hose-worn')).to.deep.equal([]);
    expectSnag('hose-worn', aged(10), aged(11), 'fix', 'hose-2');
  });
  it('leaves ordinary hose in the bay alone', () => {
    expect(snagsOfRule(carburettorJob(), 'hose-worn')).to.deep.equal([]);
  });
});
