import { expect } from 'chai';
import { keptOf } from './kept.ts';
import { depthOf, SessionBench, set } from './session-bench.ts';

/** Two pages of one job: the other’s depth is saved, this one’s meets it. */
async function inConflict() {
  const bench = new SessionBench();
  const [session, other] = [bench.open('a'), bench.open('b')];
  other.act(set('depth', 111));
  await bench.tick();
  session.act(set('depth', 240));
  await bench.tick();
  expect(session.getSnapshot().save.status).to.equal('conflict');
  return { bench, session, other };
}

describe('a job being edited, in trouble', () => {
  it('says whose act met another’s, and sends nothing and asks nothing until it is decided', async () => {
    const { bench, session } = await inConflict();
    expect(session.getSnapshot().save).to.deep.equal({
      status: 'conflict',
      fields: ['tank depth'],
      label: 'set tank depth',
    });
    const { requests, asked } = bench;
    session.hear(bench.revision + 5);
    session.retry();
    await bench.tick();
    expect([bench.requests, bench.asked]).to.deep.equal([requests, asked]);
    // what is done meanwhile is kept, and goes with it
    session.keepMine();
    await bench.tick();
    expect(depthOf(bench.job)).to.equal(0.24);
  });

  it('a decision about nothing changes nothing', async () => {
    const bench = new SessionBench();
    const session = bench.open();
    for (const decide of [() => session.keepMine(), () => session.takeTheirs()]) {
      session.act(set('depth', 240));
      decide();
      expect(session.hasUnsaved, 'what waits still waits').to.equal(true);
      await bench.tick();
      expect(depthOf(bench.job)).to.equal(0.24);
      session.undo();
      await bench.tick();
      expect(session.getSnapshot().undo, 'no step of undo came of it').to.equal(undefined);
    }
  });

  it('undo says which fields it put back, and what cannot be undone says none', async () => {
    const bench = new SessionBench();
    const session = bench.open();
    expect(session.undo()).to.deep.equal([]);
    session.act(set('depth', 240));
    session.act(set('outletHeight', 33));
    expect(session.undo()).to.deep.equal([['survey', 'tank', 'outletHeight']]);
    expect(session.redo()).to.deep.equal([['survey', 'tank', 'outletHeight']]);
    await bench.tick();
    const other = bench.open('b');
    other.act(set('outletHeight', 44));
    await bench.tick();
    session.hear(bench.revision);
    await bench.tick();
    expect(session.undo(), 'somebody else changed it since').to.deep.equal([]);
    expect(session.getSnapshot().notice).to.contain('cannot be undone');
  });

  it('what can be done again is kept through a reload', () => {
    const bench = new SessionBench();
    const session = bench.open();
    session.act(set('depth', 240));
    session.undo();
    const again = bench.open('a', bench.stored.a);
    expect(again.getSnapshot().redo).to.equal('set tank depth');
    again.redo();
    expect(depthOf(again.getSnapshot().job)).to.equal(0.24);
  });

  it('what is refused again is listed once, and what is dropped by its own name', async () => {
    const bench = new SessionBench();
    bench.forbids = () => true;
    const session = bench.open();
    session.act(set('depth', 240));
    session.act(set('outletHeight', 33));
    for (let i = 0; i < 4; i++) await bench.tick();
    const { refused, notice } = session.getSnapshot();
    expect(refused.map((r) => r.label)).to.deep.equal(['set tank depth', 'set outlet height']);
    expect(notice).to.contain('Not saved: set outlet height. survey.tank.depth is too deep for this server.');
    session.tryAgain('nobody');
    session.tryAgain(refused[0]!.id);
    for (let i = 0; i < 4; i++) await bench.tick();
    expect(session.getSnapshot().refused.map((r) => r.label)).to.have.members(['set tank depth', 'set outlet height']);
    session.drop(refused[1]!.id);
    expect(session.getSnapshot().refused.map((r) => r.label)).to.deep.equal(['set tank depth']);
  });

  it('says in words what could not be done any more on what others left', async () => {
    const bench = new SessionBench();
    const [mine, theirs] = [bench.open('a'), bench.open('b')];
    theirs.act({ act: 'takeOut', id: 'filter-1' });
    await bench.tick();
    bench.online = false;
    mine.act({ act: 'setOnPart', id: 'filter-1', key: 'note', value: 'a long thought' });
    mine.act(set('depth', 240));
    bench.timers = [];
    bench.online = true;
    mine.hear(bench.revision); // what others did comes in first
    await bench.tick();
    const { refused, job } = mine.getSnapshot();
    expect(refused).to.have.length(1);
    expect(refused[0]).to.have.keys('id', 'act', 'label', 'why');
    expect(refused[0]!.act).to.deep.include({ act: 'setOnPart', id: 'filter-1' });
    expect(refused[0]!.why).to.have.length.above(3);
    expect(depthOf(job), 'the rest stands').to.equal(0.24);
  });

  it('others’ changes that are told of while it saves are asked for once, after it has saved', async () => {
    const bench = new SessionBench();
    const [mine, theirs] = [bench.open('a'), bench.open('b')];
    mine.act(set('depth', 240));
    theirs.act(set('outletHeight', 33));
    const [saveMine, saveTheirs] = bench.timers;
    bench.timers = [];
    saveMine!();
    saveTheirs!(); // after the answer to the first was made
    mine.hear(bench.revision);
    expect(bench.asked, 'not while it saves').to.equal(0);
    await bench.tick();
    expect(bench.asked).to.equal(1);
    expect(mine.getSnapshot().job).to.deep.equal(bench.job);
    expect(mine.getSnapshot().job.survey.tank.outletHeight!.si).to.equal(0.033);
  });

  it('a server that has less than was told of, such as one put back, is asked once', async () => {
    const bench = new SessionBench();
    const session = bench.open();
    session.act(set('depth', 240));
    bench.timers.shift()!();
    session.hear(99);
    await bench.tick();
    expect(bench.asked).to.equal(1);
  });

  it('a notice of others’ changes names them, and goes when it is acknowledged', async () => {
    const bench = new SessionBench();
    const [mine, theirs] = [bench.open('a'), bench.open('b')];
    theirs.act(set('outletHeight', 33));
    await bench.tick();
    mine.hear(bench.revision);
    await bench.tick();
    expect(mine.getSnapshot().notice).to.equal('Others’ changes came in: set outlet height.');
    mine.acknowledge();
    expect(mine.getSnapshot().notice).to.equal(undefined);
  });

  it('what an older page did not know how to keep is taken as none', () => {
    const bench = new SessionBench();
    expect(keptOf({})).to.deep.equal({ pending: [], refused: [], past: [], future: [] });
    const session = bench.open('a', keptOf({}));
    const { refused, undo, redo } = session.getSnapshot();
    expect([refused, undo, redo, session.hasUnsaved]).to.deep.equal([[], undefined, undefined, false]);
  });
});
