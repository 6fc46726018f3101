import { expect } from 'chai';
import fc from 'fast-check';
import { demoJobs } from '@endrel/core/demo/index';
import type { Act } from '@endrel/core/acts/act';
import { tryAct } from '@endrel/core/acts/apply-act';
import type { JobSession } from './job-session.ts';
import { depthOf, SessionBench, set } from './session-bench.ts';
import { casesOf, seedOf, PATIENCE } from '../../../core/test/search.ts';

const { mailVan } = demoJobs;

describe('a job being edited', () => {
  it('opened as this browser kept it, catches up once the server answers, and sends what was done meanwhile', async () => {
    const bench = new SessionBench();
    const session = bench.open();
    bench.online = false;
    session.openedWithoutServer();
    expect(session.getSnapshot().save.status).to.equal('offline');
    await bench.tick();
    expect(session.getSnapshot().save.status).to.equal('offline'); // and it goes on asking
    // somebody else worked on it meanwhile
    const asking = bench.timers;
    bench.timers = [];
    bench.online = true;
    bench.open('b').act(set('outletHeight', 30));
    await bench.tick();
    expect(session.getSnapshot().save.status).to.equal('offline');
    bench.timers.push(...asking);
    await bench.tick();
    expect(session.getSnapshot().save.status).to.equal('saved');
    expect(session.getSnapshot().job.survey.tank.outletHeight?.si).to.equal(0.03);
    expect(session.stored.revision).to.equal(bench.revision);
    bench.online = false;
    session.act(set('depth', 240));
    await bench.tick();
    expect(session.getSnapshot().save.status).to.equal('offline');
    expect(depthOf(session.stored.job)).to.equal(depthOf(mailVan)); // what is kept is what the server has
    bench.online = true;
    await bench.tick();
    expect(depthOf(bench.job)).to.equal(0.24);
    expect(depthOf(session.stored.job)).to.equal(0.24);
  });
  it('saves by itself, as acts', async () => {
    const bench = new SessionBench();
    const session = bench.open();
    session.act(set('depth', 240));
    expect(session.getSnapshot().save.status).to.equal('unsaved');
    await bench.tick();
    expect(session.getSnapshot()).to.deep.include({ revision: 2, save: { status: 'saved' } });
    expect(bench.kept.map((k) => k.act)).to.deep.equal([set('depth', 240)]);
  });
  it('keeps the very job that is shown when only it was saved, so that nothing is reckoned again', async () => {
    const bench = new SessionBench();
    const session = bench.open();
    session.act(set('depth', 240));
    const shown = session.getSnapshot().job;
    await bench.tick();
    expect(session.getSnapshot().job).to.equal(shown);
  });
  it('undoes and redoes across the whole job by acts; one visit to a field is one step and one act', async () => {
    const bench = new SessionBench();
    const session = bench.open();
    for (const mm of [21, 24, 240]) session.act(set('depth', mm), 'visit-1');
    session.act({ act: 'closePorts', id: 'rail-1', with: 'capped' });
    await bench.tick();
    expect(bench.kept.map((k) => k.act.act))
      .to.include('set')
      .and.have.length(bench.kept.length);
    expect(bench.kept.filter((k) => k.act.act === 'set')).to.have.length(1);
    while (session.getSnapshot().undo !== undefined) session.undo();
    expect(session.getSnapshot().job).to.deep.equal(mailVan);
    await bench.tick();
    expect(bench.job).to.deep.equal(mailVan);
    expect(bench.kept.at(-1)!.act.act).to.equal('restore');
    session.redo();
    expect(depthOf(session.getSnapshot().job)).to.equal(0.24);
  });
  it('undoes a visit as one step even when its first letters were saved on the way', async () => {
    const bench = new SessionBench();
    const session = bench.open();
    session.act(set('depth', 22), 'visit-1');
    await bench.tick();
    session.act(set('depth', 24), 'visit-1');
    await bench.tick();
    expect(bench.kept).to.have.length(2);
    session.undo();
    expect(session.getSnapshot().job).to.deep.equal(mailVan);
    expect(session.getSnapshot().undo).to.equal(undefined);
  });
  it('keeps the last 200 steps of undo, and no more', () => {
    const bench = new SessionBench();
    bench.online = false;
    const session = bench.open();
    for (let mm = 101; mm <= 305; mm++) session.act(set('depth', mm));
    let undone = 0;
    for (; session.getSnapshot().undo !== undefined; undone++) session.undo();
    expect(undone).to.equal(200);
    expect(depthOf(session.getSnapshot().job)).to.equal(0.105); // as the first five left it
  });
  it('asks what it missed when a later revision is told of, or that the job is gone; not for what it has', async () => {
    const bench = new SessionBench();
    bench.revision = 5;
    const session = bench.open();
    for (const known of [5, 4, 1]) session.hear(known);
    await bench.tick();
    expect(bench.asked).to.equal(0);
    bench.revision = 6;
    session.hear(6);
    await bench.tick();
    expect([bench.asked, session.getSnapshot().revision]).to.deep.equal([1, 6]);
    bench.isGone = true;
    session.hear(0);
    await bench.tick();
    expect(bench.asked).to.equal(2);
    expect(session.getSnapshot().save).to.deep.equal({ status: 'refused', message: 'There is no such job.' });
  });
  it('refuses an act that cannot be done, in words, and changes nothing', () => {
    const session = new SessionBench().open();
    expect(session.act({ act: 'setOnPart', id: 'hose-1', key: 'length', value: 'long' })).to.equal(false);
    expect(session.getSnapshot().notice).to.match(/^Not done: /);
    expect(session.getSnapshot().job).to.equal(mailVan);
  });
  it('keeps acts and steps of undo through a lost connection and a reload, and sends them in order', async () => {
    const bench = new SessionBench();
    bench.online = false;
    const session = bench.open();
    session.act(set('depth', 240));
    session.act(set('depth', 250));
    await bench.tick();
    expect(session.getSnapshot().save.status).to.equal('offline');
    const reloaded = bench.open('a', bench.stored.a);
    bench.timers = []; // the page before is gone
    expect(depthOf(reloaded.getSnapshot().job)).to.equal(0.25);
    bench.online = true;
    reloaded.retry();
    await bench.tick();
    expect(bench.kept.map((k) => (k.act as { value: { si: number } }).value.si)).to.deep.equal([0.24, 0.25]);
    expect(bench.stored.a!.pending).to.deep.equal([]);
    reloaded.undo();
    expect(depthOf(reloaded.getSnapshot().job)).to.equal(0.24);
  });
  it('does once what it sends again because the answer was lost, and shows it once', async () => {
    const bench = new SessionBench();
    const session = bench.open();
    const turned = tryAct(mailVan, { act: 'turnRound', id: 'filter-1' });
    session.act({ act: 'turnRound', id: 'filter-1' });
    bench.losesAnswers = true;
    await bench.tick();
    const reloaded = bench.open('a', bench.stored.a);
    bench.timers = [];
    bench.losesAnswers = false;
    reloaded.retry();
    await bench.tick();
    expect(bench.revision).to.equal(2);
    expect(reloaded.getSnapshot().job).to.deep.equal(turned.ok && turned.value);
  });
  it('joins what others did to other fields, at once and beneath what is still to be sent', async () => {
    const bench = new SessionBench();
    const [mine, theirs] = [bench.open('a'), bench.open('b')];
    theirs.act(set('outletHeight', 111));
    await bench.tick();
    mine.act(set('depth', 240));
    mine.hear(bench.revision);
    await bench.tick();
    for (const { job } of [mine.getSnapshot(), { job: bench.job }])
      expect([depthOf(job), job.survey.tank.outletHeight!.si]).to.deep.equal([0.24, 0.111]);
    expect(mine.getSnapshot().notice).to.match(/Others’ changes came in/);
    theirs.hear(bench.revision);
    await bench.tick();
    expect(theirs.getSnapshot().job).to.deep.equal(mine.getSnapshot().job);
  });
  it('does not undo what somebody else changed since', async () => {
    const bench = new SessionBench();
    const [mine, theirs] = [bench.open('a'), bench.open('b')];
    mine.act(set('depth', 240));
    await bench.tick();
    theirs.hear(bench.revision);
    await bench.tick();
    theirs.act(set('depth', 260));
    await bench.tick();
    mine.hear(bench.revision);
    await bench.tick();
    mine.undo();
    await bench.tick();
    expect(depthOf(mine.getSnapshot().job)).to.equal(0.26);
    expect(mine.getSnapshot().notice).to.match(/cannot be undone.*changed since/);
  });
  for (const choice of ['mine', 'theirs'] as const)
    it(`asks when both changed one field, overwrites nothing meanwhile, and keeps ${choice} on request`, async () => {
      const bench = new SessionBench();
      const [session, other] = [bench.open('a'), bench.open('b')];
      other.act(set('depth', 111));
      await bench.tick();
      session.act(set('depth', 240));
      session.act(set('outletHeight', 33));
      await bench.tick();
      const { save } = session.getSnapshot();
      expect(save.status === 'conflict' && save.fields).to.deep.equal(['tank depth']);
      expect(depthOf(bench.job)).to.equal(0.111);
      if (choice === 'mine') session.keepMine();
      else session.takeTheirs();
      await bench.tick();
      expect(depthOf(bench.job)).to.equal(choice === 'mine' ? 0.24 : 0.111);
      expect(bench.job.survey.tank.outletHeight!.si, 'what came behind it').to.equal(0.033);
      expect(session.getSnapshot().save.status).to.equal('saved');
      expect(session.getSnapshot().job).to.deep.equal(bench.job);
      if (choice === 'theirs') session.undo();
      expect(depthOf(session.getSnapshot().job), 'nothing typed is lost').to.equal(0.24);
    });
  const isDepth = (act: Act) => act.act === 'set' && act.path.at(-1) === 'depth';
  for (const [how, deny] of [
    ['refuses', (bench: SessionBench) => (bench.forbids = isDepth)],
    ['cannot read', (bench: SessionBench) => (bench.chokesOn = isDepth)],
  ] as const)
    it(`saves all the rest when the server ${how} one act, and keeps that one with why, through a reload`, async () => {
      const bench = new SessionBench();
      deny(bench);
      const session = bench.open();
      for (let i = 0; i < 20; i++) session.act(set('outletHeight', 20 + i));
      session.act(set('depth', 240));
      session.act(set('ventHeight', 33));
      for (let i = 0; i < 6; i++) await bench.tick();
      expect([bench.job.survey.tank.outletHeight!.si, bench.job.survey.tank.ventHeight!.si]).to.deep.equal([
        0.039, 0.033,
      ]);
      expect(session.hasUnsaved).to.equal(false);
      expect(session.getSnapshot().job, 'shown is what is saved').to.deep.equal(bench.job);
      const reloaded = bench.open('a', bench.stored.a);
      bench.timers = [];
      const [refused] = reloaded.getSnapshot().refused;
      expect(refused).to.deep.include({ act: set('depth', 240), label: 'set tank depth' });
      expect(refused!.why).to.match(/too deep|not understood/);
      // it can be tried again, or another value takes its place
      bench.forbids = bench.chokesOn = () => false;
      reloaded.tryAgain(refused!.id);
      await bench.tick();
      expect(depthOf(bench.job)).to.equal(0.24);
      expect(reloaded.getSnapshot().refused).to.deep.equal([]);
    });
  it('drops what was refused of a field once the field gets another value, or on request', async () => {
    const bench = new SessionBench();
    bench.forbids = (act) => isDepth(act) && (act as { value: { si: number } }).value.si > 0.2395;
    const session = bench.open();
    const refuse = async () => {
      session.act(set('depth', 240));
      for (let i = 0; i < 3; i++) await bench.tick();
      expect(session.getSnapshot().refused).to.have.length(1);
    };
    await refuse();
    session.act(set('depth', 230));
    expect(session.getSnapshot().refused).to.deep.equal([]);
    await bench.tick();
    await refuse();
    session.act(set('depth', 230)); // what the job holds anyway
    expect(session.getSnapshot().refused).to.deep.equal([]);
    await refuse();
    session.drop(session.getSnapshot().refused[0]!.id);
    expect(bench.stored.a!.refused).to.deep.equal([]);
  });
  it('keeps as refused what cannot be done any more on what others left', async () => {
    const bench = new SessionBench();
    const [mine, theirs] = [bench.open('a'), bench.open('b')];
    theirs.act({ act: 'takeOut', id: 'filter-1' });
    await bench.tick();
    mine.act({ act: 'setOnPart', id: 'filter-1', key: 'note', value: 'a long thought' });
    for (let i = 0; i < 3; i++) await bench.tick();
    expect(mine.getSnapshot().job).to.deep.equal(bench.job);
    expect(mine.getSnapshot().refused.map((r) => (r.act as { value: string }).value)).to.deep.equal(['a long thought']);
  });
  it('takes over what a page beside it had not saved when it was closed, once', async () => {
    const bench = new SessionBench();
    bench.online = false;
    const [mine, theirs] = [bench.open('a'), bench.open('b')];
    mine.act(set('depth', 240));
    theirs.act(set('outletHeight', 33));
    bench.timers = [];
    mine.adopt(bench.stored.b!);
    mine.adopt(bench.stored.b!); // it was not forgotten yet
    expect(mine.getSnapshot().job.survey.tank).to.deep.include({
      depth: { si: 0.24, unit: 'mm' },
      outletHeight: { si: 0.033, unit: 'mm' },
    });
    bench.online = true;
    mine.retry();
    await bench.tick();
    expect(bench.kept.map((k) => k.id)).to.have.members(['act-1', 'act-2']);
  });
  it('of two pages with the same acts in any interleaving, both end with one job', async () => {
    const deeds: ((s: JobSession, n: number) => void)[] = [
      (s, n) => s.act(set(['depth', 'outletHeight', 'ventHeight'][n % 3]!, 100 + n)),
      (s, n) =>
        s.act({
          act: 'setOnPart',
          id: ['hose-1', 'hose-2'][n % 2]!,
          key: 'length',
          value: { si: 0.2 + n / 1000, unit: 'mm' },
        }),
      (s, n) => s.act({ act: 'addPart', part: { kind: 'gauge', id: `gauge-${s.client}-${n}` } }),
      (s) => s.undo(),
      (s) => s.act({ act: 'takeOut', id: 'filter-1' }),
    ];
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.boolean(), fc.nat(), fc.nat(500), fc.boolean()), { maxLength: 24 }),
        async (moves) => {
          const bench = new SessionBench();
          const pages = [bench.open('a'), bench.open('b')];
          const settle = async () => {
            for (let i = 0; i < 12; i++) {
              for (const page of pages) {
                page.hear(bench.revision);
                if (page.getSnapshot().save.status === 'conflict') page.keepMine();
              }
              await bench.tick();
            }
          };
          for (const [first, deed, n, waits] of moves) {
            deeds[deed % deeds.length]!(pages[first ? 0 : 1]!, n);
            if (waits) await bench.tick();
          }
          await settle();
          for (const page of pages) {
            expect(page.hasUnsaved).to.equal(false);
            expect(page.getSnapshot().job).to.deep.equal(bench.job);
          }
        },
      ),
      { seed: seedOf(41), numRuns: casesOf(600) },
    );
  }).timeout(PATIENCE);
});
