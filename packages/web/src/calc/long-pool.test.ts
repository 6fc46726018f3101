import { expect } from 'chai';
import { LongPool, type PoolWorker } from './long-pool.ts';

/** Workers that answer when they are told to. */
class Bench {
  readonly workers: FakeWorker[] = [];
  timers: { ms: number; action: () => void }[] = [];
  readonly pool: LongPool;
  constructor(size: number) {
    this.pool = new LongPool(
      () => {
        const worker = new FakeWorker();
        this.workers.push(worker);
        return worker;
      },
      size,
      (ms, action) => {
        this.timers.push({ ms, action });
      },
    );
  }
}
class FakeWorker implements PoolWorker {
  readonly calls: { name: string; args: readonly unknown[]; answer(of: unknown): void; fail(why: Error): void }[] = [];
  isEnded = false;
  isDead = false;
  call(name: string, args: readonly unknown[]): Promise<unknown> {
    if (name === 'hold') {
      this.calls.push({ name, args, answer: () => undefined, fail: () => undefined });
      return Promise.resolve();
    }
    return new Promise((answer, fail) => this.calls.push({ name, args, answer, fail }));
  }
  end(): void {
    this.isEnded = true;
  }
}
const settled = () => new Promise((resolve) => setImmediate(resolve));
const told = (promise: Promise<unknown>) => promise.then(String, (why: Error) => `not: ${why.message}`);

describe('the pool of long workers', () => {
  it('starts them as they are needed, and lets the rest wait for their turn', async () => {
    const { pool, workers } = new Bench(2);
    const asked = ['a', 'b', 'c'].map((name) => told(pool.ask(name, [])));
    await settled();
    expect(workers.map((w) => w.calls.map((c) => c.name))).to.deep.equal([['a'], ['b']]);
    workers[1]!.calls[0]!.answer('b done');
    await settled();
    expect(workers[1]!.calls.map((c) => c.name)).to.deep.equal(['b', 'c']);
    workers[0]!.calls[0]!.answer('a done');
    workers[1]!.calls[1]!.answer('c done');
    expect(await Promise.all(asked)).to.deep.equal(['a done', 'b done', 'c done']);
  });
  it('gives what was done before to who did it, since its caches are there', async () => {
    const { pool, workers } = new Bench(2);
    for (const name of ['joints', 'sizes']) void told(pool.ask(name, []));
    await settled();
    for (const w of workers) w.calls[0]!.answer('');
    await settled();
    void told(pool.ask('sizes', []));
    await settled();
    expect(workers.map((w) => w.calls.map((c) => c.name))).to.deep.equal([['joints'], ['sizes', 'sizes']]);
  });
  it('keeps a worker for what is short: what tells of its progress never has them all', async () => {
    const { pool, workers } = new Bench(2);
    for (const name of ['sizes', 'places']) void told(pool.ask(name, [() => true]));
    await settled();
    expect(workers.map((w) => w.calls.map((c) => c.name))).to.deep.equal([['sizes']]);
    const short = told(pool.ask('preview', []));
    await settled();
    expect(workers[1]!.calls.map((c) => c.name)).to.deep.equal(['preview']);
    workers[1]!.calls[0]!.answer('shown');
    expect(await short).to.equal('shown');
    await settled();
    expect(workers[1]!.calls).to.have.length(1); // places wait for sizes
    workers[0]!.calls[0]!.answer('');
    await settled();
    expect(workers[0]!.calls.map((c) => c.name)).to.deep.equal(['sizes', 'places']);
  });
  it('never begins what nobody waits for any more', async () => {
    const { pool, workers } = new Bench(1);
    const control = new AbortController();
    void told(pool.ask('a', []));
    const left = told(pool.ask('b', [], control.signal));
    const last = told(pool.ask('c', []));
    control.abort();
    expect(await left).to.match(/^not: /);
    workers[0]!.calls[0]!.answer('');
    await settled();
    expect(workers[0]!.calls.map((c) => c.name)).to.deep.equal(['a', 'c']);
    workers[0]!.calls[1]!.answer('c done');
    expect(await last).to.equal('c done');
    expect(await told(pool.ask('d', [], control.signal))).to.match(/^not: /);
  });
  it('tells what goes on by steps to stop, and is told no more of it', async () => {
    const { pool, workers } = new Bench(1);
    const control = new AbortController();
    const heard: unknown[] = [];
    void told(pool.ask('sizes', [1, (row: unknown) => heard.push(row) > 0], control.signal));
    await settled();
    const [one, onFound] = workers[0]!.calls[0]!.args as [number, (row: unknown) => boolean];
    expect(one).to.equal(1);
    expect(onFound('row 1')).to.equal(true);
    control.abort();
    expect(onFound('row 2')).to.equal(false);
    expect(heard).to.deep.equal(['row 1']);
  });
  it('ends a worker that goes on with what nobody waits for, and goes on with another', async () => {
    const { pool, workers, timers } = new Bench(1);
    const control = new AbortController();
    void told(pool.ask('a', [], control.signal));
    const next = told(pool.ask('b', []));
    await settled();
    control.abort();
    expect(workers[0]!.isEnded).to.equal(false); // it may be about to answer
    expect(timers.map((t) => t.ms)).to.deep.equal([1500]);
    timers[0]!.action();
    await settled();
    expect(workers.map((w) => w.isEnded)).to.deep.equal([true, false]);
    workers[1]!.calls[0]!.answer('b done');
    expect(await next).to.equal('b done');
  });
  it('lets it end where nobody waits for the worker, and looks again', async () => {
    const { pool, workers, timers } = new Bench(1);
    const control = new AbortController();
    void told(pool.ask('a', [], control.signal));
    await settled();
    control.abort();
    timers[0]!.action();
    expect([workers[0]!.isEnded, timers.length]).to.deep.equal([false, 2]);
    void told(pool.ask('b', []));
    timers[1]!.action();
    await settled();
    expect(workers.map((w) => w.isEnded)).to.deep.equal([true, false]);
  });
  it('leaves a worker alone that was done before its patience ended', async () => {
    const { pool, workers, timers } = new Bench(1);
    const control = new AbortController();
    void told(pool.ask('a', [], control.signal));
    await settled();
    control.abort();
    workers[0]!.calls[0]!.answer('late');
    await settled();
    void told(pool.ask('b', []));
    await settled();
    timers[0]!.action();
    expect(workers).to.have.length(1);
    expect(workers[0]!.isEnded).to.equal(false);
  });
  it('replaces a worker that died, and tells the new one what the others know', async () => {
    const { pool, workers } = new Bench(1);
    const first = told(pool.ask('a', []));
    await pool.tell('hold', 'digest', 'text');
    await settled();
    workers[0]!.isDead = true;
    workers[0]!.calls[0]!.fail(new Error('out of memory'));
    expect(await first).to.equal('not: out of memory');
    void told(pool.ask('b', []));
    await settled();
    expect(workers.map((w) => w.calls.map((c) => c.name))).to.deep.equal([
      ['a', 'hold'],
      ['hold', 'b'],
    ]);
  });
  it('replaces a worker that died while it had nothing to do, and does not wait for it when all are told', async () => {
    const { pool, workers } = new Bench(1);
    void told(pool.ask('a', []));
    await settled();
    workers[0]!.calls[0]!.answer('');
    await settled();
    workers[0]!.isDead = true;
    await pool.tell('hold', 'digest', 'text');
    void told(pool.ask('b', []));
    await settled();
    expect(workers.map((w) => w.calls.map((c) => c.name))).to.deep.equal([['a'], ['hold', 'b']]);
  });
  it('fails what a worker fails, and asks it the next', async () => {
    const { pool, workers } = new Bench(1);
    const [first, second] = ['a', 'b'].map((name) => told(pool.ask(name, [])));
    await settled();
    workers[0]!.calls[0]!.fail(new Error('it died'));
    expect(await first).to.equal('not: it died');
    await settled();
    workers[0]!.calls[1]!.answer('b done');
    expect(await second).to.equal('b done');
  });
  it('says to every worker what it is told, and to those that are started later', async () => {
    const { pool, workers } = new Bench(2);
    void told(pool.ask('a', []));
    await settled();
    await pool.tell('hold', 'digest', 'text');
    void told(pool.ask('b', []));
    await settled();
    expect(workers.map((w) => w.calls.map((c) => c.name))).to.deep.equal([
      ['a', 'hold'],
      ['hold', 'b'],
    ]);
    expect(workers[1]!.calls[0]!.args).to.deep.equal(['digest', 'text']);
  });
});
