import { expect } from 'chai';
import {
  act,
  changed,
  cleanJob,
  expectSnag,
  get,
  returnIntoSupply,
  snagsOfRule,
  twoPumpJob,
} from '../../../test/rule-cases.ts';
import { simpleWiring } from '../../../test/simple-wiring.ts';
import { demoJobs } from '../../demo/index.ts';
import type { Job } from '../../job/job.ts';
import type { PartOf } from '../../parts/kinds.ts';
import { pumpClasses } from '../../pumps/library.ts';
import { psi } from '../../units/quick.ts';

const si = (value: number, unit: string) => ({ si: value, unit });
const pickup = (change: (job: Job) => void = () => undefined) => changed(demoJobs.rescuePickup, change);
const shuttle = (change: (job: Job) => void = () => undefined) => changed(demoJobs.islandShuttle, change);

describe('the pressure sensor of an electronic returnless run', () => {
  const without = (expected: 'rail' | 'tank') =>
    shuttle((j) => {
      act(j, { act: 'takeOut', id: 'pressure-sensor-1' });
      get(j, 'pump').sensorExpected = expected;
    });
  it('stops the job when it is missing, and is screwed into the rail', () => {
    for (const expected of ['rail', 'tank'] as const) {
      const snag = expectSnag('sensor-missing', shuttle(), without(expected), 'stop', 'pump-1');
      expect(snag.act).to.deep.include({ act: 'attachPart', to: { part: 'rail-1', port: 'side-1' } });
    }
  });
  it('is told where it is not where the controller expects it, with what that costs', () => {
    const snag = expectSnag(
      'sensor-misplaced',
      shuttle(),
      shuttle((j) => {
        get(j, 'pump').sensorExpected = 'tank';
      }),
      'fix',
      'pressure-sensor-1',
    );
    expect(snag.limit!.si).to.equal(500e3);
  });
  it('on unshielded wire is a note', () => {
    const with_ = (shield: 'oneEnd' | 'bothEnds' | 'none') =>
      shuttle((j) => j.wiring!.wires!.forEach((w) => w.shield && (w.shield = shield)));
    expectSnag('signal-off', with_('oneEnd'), with_('none'), 'note');
    expectSnag('signal-off', with_('oneEnd'), with_('bothEnds'), 'note');
  });
});

describe('feed and return crossed', () => {
  it('stops the job where a tag contradicts the line', () => {
    const snag = expectSnag(
      'lines-swapped',
      pickup(),
      pickup((j) => (get(j, 'hardLine').tag = 'return')),
      'stop',
      'hard-line-1',
    );
    expect(snag.what).to.include('tagged return but lies in the feed');
    expectSnag(
      'lines-swapped',
      pickup(),
      pickup((j) => (get(j, 'hardLine', 1).tag = 'feed')),
      'stop',
      'hard-line-2',
    );
  });
  it('asks for tags where the fitter says there are none', () => {
    expect(
      snagsOfRule(
        pickup((j) => (get(j, 'hose').tag = 'none')),
        'lines-swapped',
      )[0]!.grade,
    ).to.equal('note');
    expect(
      snagsOfRule(
        shuttle((j) => (get(j, 'hose').tag = 'none')),
        'lines-swapped',
      ),
      'one line cannot be crossed',
    ).to.deep.equal([]);
  });
});

describe('a swirl pot', () => {
  it('that its lift pump does not keep full stops the job, and says for how long it lasts', () => {
    const snag = expectSnag(
      'pot-runs-dry',
      pickup(),
      pickup((j) => {
        get(j, 'pump').tables = pumpClasses.carburettor120;
        j.brief.power!.si *= 1.4;
      }),
      'stop',
      'swirl-pot-1',
    );
    expect(snag.why).to.match(/runs down in \d+ s/);
    expect(snag.figure!.si).to.be.lessThan(snag.limit!.si);
  });
  it('that is small gets the volume for the seconds wanted', () => {
    const small = pickup((j) => Object.assign(get(j, 'swirlPot'), { secondsWanted: si(90, 's') }));
    const snag = expectSnag('pot-runs-dry', pickup(), small, 'note', 'swirl-pot-1');
    expect(snag.actLabel).to.match(/^Make it 2\.5 L$/); // 97.8 L/h for 90 s is 2.45 L
  });
});

describe('staged pumps', () => {
  const staged: Parameters<typeof twoPumpJob>[0] = { runs: 'onBoost', startsAtBoost: si(150e3, 'kPa') };
  it('need a check valve in the one that stands', () => {
    const snag = expectSnag(
      'staged-pumps',
      twoPumpJob(staged),
      twoPumpJob({ ...staged, checkValve: false }),
      'fix',
      'pump-2',
    );
    expect(snag.figure!.si * 3.6e6).to.be.greaterThan(50);
  });
  it('need a relay each', () => {
    const wiring = (isShared: boolean) => {
      const job = twoPumpJob();
      const first = simpleWiring({ part: 'pump-1' });
      job.wiring = simpleWiring(
        { part: 'pump-2', ...(isShared ? { behind: { fuse: 'fuse-1', relay: 'relay-1' } } : {}) },
        first,
      );
      return job;
    };
    expectSnag('staged-pumps', wiring(false), wiring(true), 'fix', 'pump-2');
  });
});

describe('heat and set pressures', () => {
  it('a pump that spills through its relief valve in running is told', () => {
    const throttled = pickup((j) => ((j.parts['hose-4'] as PartOf<'hose'>).bore = si(1.2e-3, 'mm')));
    const snag = expectSnag('relief-open', pickup(), throttled, 'fix', 'pump-2');
    expect(snag.limit!.si).to.equal(650e3);
  });
  it('fuel that boils in the rail after a soak is told', () => {
    const hot = (celsius: number) => cleanJob((j) => (j.assumptions.soakTemperature = si(273.15 + celsius, '°C')));
    expectSnag('vapour-at-restart', cleanJob(), hot(150), 'fix', 'rail-1');
  });
  it('a regulator set above what the pump makes never opens', () => {
    const snag = expectSnag(
      'regulator-above-dead-head',
      cleanJob(),
      cleanJob((j) => (get(j, 'pump').tables = pumpClasses.carburettor120)),
      'stop',
      'regulator-1',
    );
    expect(snag.limit!.si).to.be.lessThan(psi(9.1));
  });
  it('so does a controller', () => {
    expectSnag(
      'regulator-above-dead-head',
      shuttle(),
      shuttle((j) => (get(j, 'pump').targetPressure = si(700e3, 'kPa'))),
      'stop',
      'pump-1',
    );
  });
});

describe('parts that work against each other', () => {
  it('are named, and cured where one act does it', () => {
    const bad: [Job, string][] = [
      [cleanJob((j) => (get(j, 'pump').reversed = true)), 'pump-1'],
      [returnIntoSupply(), 'return-drop-1'],
    ];
    for (const [job, part] of bad) expectSnag('run-does-not-solve', cleanJob(), job, 'stop', part);
  });
  it('a loop without a tank has nothing to tie its pressure to', () => {
    const loop = cleanJob((j) => {
      Object.assign(j, returnIntoSupply());
      act(j, { act: 'takeOut', id: 'tank-1' });
    });
    expect(
      snagsOfRule(loop, 'run-does-not-solve')
        .map((s) => s.what)
        .join(' '),
    ).to.include('closed loop without a tank');
  });
});
