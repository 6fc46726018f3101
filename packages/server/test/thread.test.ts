import { expect } from 'chai';
import { Thread } from '../src/threads/thread.ts';
import type { Counting } from './counting.worker.ts';

/** What a promise was rejected with. */
const failure = (asked: Promise<unknown>): Promise<Error> =>
  asked.then(
    () => expect.fail('it was answered'),
    (error: Error) => error,
  );

describe('a thread beside the server’s own', () => {
  const counting = () => new Thread<Counting>('../test/counting.worker');
  it('says its answer piece by piece, in order, before the whole', async () => {
    const thread = counting();
    const parts: unknown[] = [];
    expect(await thread.ask({ to: 4 }, { onPart: (part) => parts.push(part) })).to.equal(4);
    expect(parts).to.deep.equal([0, 1, 2, 3]);
    await thread.close();
  });
  it('stops when nobody waits any more, and answers the next question', async () => {
    const thread = counting();
    const control = new AbortController();
    let said = 0;
    const asked = thread.ask(
      { to: 1e9 },
      { signal: control.signal, onPart: () => ++said === 5 && control.abort(new Error('enough')) },
    );
    expect((await failure(asked)).message).to.equal('enough');
    // one that went on counting would never come to this
    expect(await thread.ask({ to: 2 })).to.equal(2);
    expect((await failure(thread.ask({ to: 2 }, { signal: control.signal }))).message).to.equal('enough');
    await thread.close();
  });
  it('that dies leaves no question unanswered, and is started anew at the next', async () => {
    const thread = counting();
    const asked = [thread.ask({ to: 9, dies: true }), thread.ask({ to: 1e9 })];
    for (const one of asked) expect((await failure(one)).message).to.match(/ended with 3/);
    expect(await thread.ask({ to: 3 })).to.equal(3);
    await thread.close();
  });
  it('that is closed leaves none either, nor takes another', async () => {
    const thread = counting();
    const asked = failure(thread.ask({ to: 1e9 }));
    await thread.close();
    expect((await asked).message).to.match(/the thread ended/);
    expect((await failure(thread.ask({ to: 1 }))).message).to.equal('the thread is closed');
  });
});
