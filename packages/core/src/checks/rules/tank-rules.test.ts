import { expect } from 'chai';
import { changed, cleanJob, expectSnag } from '../../../test/rule-cases.ts';
import { demoJobs } from '../../demo/index.ts';
import type { OldConnection } from '../../job/old-connection.ts';
import type { Vent } from '../../job/vent.ts';
import { simulatedSweep } from '../../senders/simulated-ohmmeter.ts';

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const degrees = (value: number) => ({ si: (value * Math.PI) / 180, unit: '°' });

describe('rule tank-shape', () => {
  it('names the sides of a section that crosses itself', () => {
    const corner = (across: number, up: number) => ({ across: mm(across), up: mm(up) });
    const bad = cleanJob((j) =>
      Object.assign(j.survey.tank, {
        shape: 'prism',
        section: [corner(0, 0), corner(200, 200), corner(200, 0), corner(0, 200)],
      }),
    );
    const snag = expectSnag('tank-shape', cleanJob(), bad, 'fix');
    expect(snag.what).to.include('point 1').and.include('point 3').and.include('(100, 100) mm');
  });
  it('suspects the unit of a tank of 60 000 L', () => {
    const bad = cleanJob((j) =>
      Object.assign(j.survey.tank, { length: mm(5000), width: mm(4900), depth: mm(2450), cornerRadius: mm(0) }),
    );
    const snag = expectSnag('tank-shape', cleanJob(), bad, 'fix');
    expect(snag.figure!.si).to.be.closeTo(60, 0.1);
  });
  it('notes a shape that does not hold what the plate says', () => {
    expectSnag(
      'tank-shape',
      cleanJob(),
      cleanJob((j) => (j.survey.tank.capacity = { si: 0.08, unit: 'L' })),
      'note',
    );
  });
});

describe('rule vent-line', () => {
  const vent = (change: Partial<Vent>) => cleanJob((j) => (j.survey.vent = { ...j.survey.vent, ...change }));
  for (const [name, change, grade] of [
    ['ends in the cabin', { outlet: 'cabin' }, 'stop'],
    ['ends near the exhaust', { outlet: 'exhaust' }, 'stop'],
    ['has no screen', { outlet: 'underBodyOpen' }, 'note'],
    ['leans past where its valve shuts', { valveTilt: degrees(60) }, 'stop'],
    ['has a low trap', { trap: true }, 'fix'],
    ['opens low in the tank', { tankEnd: mm(100) }, 'fix'],
    ['lets the pump draw a vacuum', { bore: mm(1), length: mm(5000) }, 'fix'],
  ] as const)
    it(`speaks for a vent that ${name}`, () => {
      expectSnag('vent-line', cleanJob(), vent(change), grade);
    });
});

describe('rule old-connection', () => {
  const old = (connection: Partial<OldConnection>, vent: 'rollOver' | 'none' = 'rollOver') =>
    cleanJob((j) => {
      j.survey.oldConnections = [{ id: 'a', ...connection }];
      j.survey.tank.vent = vent;
    });
  for (const [name, bad, grade] of [
    ['an opening left open', old({ did: 'drain', fate: 'open' }), 'stop'],
    ['the only breather capped', old({ did: 'breather', fate: 'cap' }, 'none'), 'stop'],
    ['a canister closed', old({ did: 'canister', fate: 'cap' }), 'note'],
    ['a return welded shut on a reversible job', old({ did: 'return', fate: 'weld' }), 'fix'],
  ] as const)
    it(`speaks for ${name}`, () => {
      expectSnag('old-connection', old({ did: 'return', fate: 'cap' }), bad, grade);
    });
});

describe('rule sender-worn', () => {
  const swept = (fault: Parameters<typeof simulatedSweep>[1]) =>
    cleanJob((j) => (j.gauge!.sweep = simulatedSweep({ empty: 240, full: 33 }, fault, 3)));
  for (const fault of ['open', 'sticky', 'dirty', 'reversed', 'wrongRange'] as const)
    it(`speaks for a sender that is ${fault}`, () => {
      expectSnag('sender-worn', swept('none'), swept(fault), 'fix');
    });
});

describe('rule float-arc-meets', () => {
  it('stops at a float that meets the left baffle, and swings it to a free side', () => {
    const clear = changed(demoJobs.flatBedTender, (j) => (j.gauge!.armSide = 'forward'));
    const snag = expectSnag('float-arc-meets', clear, demoJobs.flatBedTender, 'stop');
    expect(snag.what).to.include('left baffle');
    expect(snag.act).to.include({ act: 'set', value: 'forward' });
  });
  it('asks about an arc that passes a wall too closely', () => {
    // pivot 125 mm off the wall it swings to, less arm and float: 2 mm
    const close = cleanJob((j) => (j.gauge!.pivotForward = mm(-310 + 170 + 18 + 2)));
    expectSnag('float-arc-meets', cleanJob(), close, 'fix');
  });
});
