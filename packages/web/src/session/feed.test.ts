import { expect } from 'chai';
import { followChanges, type Heard } from './feed.ts';

/** A stream of the server, as a browser opens it. */
class Stream {
  static readonly CLOSED = 2;
  static all: Stream[] = [];
  onmessage?: (event: { data: string }) => void;
  onerror?: () => void;
  readyState = 1;
  constructor(readonly url: string) {
    Stream.all.push(this);
  }
  close() {
    this.readyState = Stream.CLOSED;
  }
  say(heard: Heard) {
    this.onmessage?.({ data: JSON.stringify(heard) });
  }
  static get open() {
    return Stream.all.filter((s) => s.readyState !== Stream.CLOSED);
  }
}

const put = (name: string, value: unknown) => {
  const was = Object.getOwnPropertyDescriptor(globalThis, name);
  Object.defineProperty(globalThis, name, { configurable: true, writable: true, value });
  return () =>
    was ? Object.defineProperty(globalThis, name, was) : delete (globalThis as Record<string, unknown>)[name];
};

describe('what a page hears of changes', () => {
  let restore: (() => unknown)[] = [];
  beforeEach(() => {
    Stream.all = [];
    restore = [put('EventSource', Stream)];
  });
  afterEach(() => restore.forEach((back) => back()));

  describe('where there is no shared worker', () => {
    const page = Object.assign(new EventTarget(), { visibilityState: 'visible' });
    const seen = (state: 'visible' | 'hidden') => {
      page.visibilityState = state;
      page.dispatchEvent(new Event('visibilitychange'));
    };
    beforeEach(() => {
      seen('visible');
      restore.push(put('document', page));
    });

    it('comes by one stream for all that listen, until the last of them leaves', () => {
      const heard: [string, Heard][] = [];
      const leave = ['one', 'two'].map((who) => followChanges((what) => heard.push([who, what])));
      expect(Stream.all.map((s) => s.url)).to.deep.equal(['/api/feed']);
      Stream.all[0]!.say({ job: 'j', revision: 4 });
      expect(heard).to.deep.equal([
        ['one', { job: 'j', revision: 4 }],
        ['two', { job: 'j', revision: 4 }],
      ]);
      leave[0]!();
      expect(Stream.open).to.have.length(1);
      Stream.all[0]!.say('look');
      expect(heard.slice(2)).to.deep.equal([['two', 'look']]);
      leave[1]!();
      expect(Stream.open).to.deep.equal([]);
      seen('hidden');
      seen('visible');
      expect(Stream.all, 'nobody listens any more').to.have.length(1);
      followChanges(() => undefined)();
      expect(Stream.all, 'who comes later opens it anew').to.have.length(2);
    });

    it('is closed while the page is not seen, and opened once when it is seen again, or was closed by the server', () => {
      const leave = followChanges(() => undefined);
      seen('hidden');
      expect(Stream.open).to.deep.equal([]);
      seen('visible');
      seen('visible');
      expect(Stream.all).to.have.length(2);
      Stream.open[0]!.close();
      seen('visible');
      expect(Stream.all).to.have.length(3);
      leave();
      expect(Stream.open).to.deep.equal([]);
    });
  });

  it('comes by the shared worker where there is one, which is told when the page goes', () => {
    const said: unknown[] = [];
    const port = {
      onmessage: undefined as ((e: { data: string }) => void) | undefined,
      postMessage: (m: unknown) => said.push(m),
      close: () => said.push('closed'),
    };
    const window = new EventTarget();
    restore.push(
      put('window', window),
      put(
        'SharedWorker',
        class {
          readonly port = port;
        },
      ),
    );
    const heard: Heard[] = [];
    const leave = followChanges((what) => heard.push(what));
    port.onmessage!({ data: '{"job":"j","isGone":true}' });
    expect(heard).to.deep.equal([{ job: 'j', isGone: true }]);
    expect(Stream.all, 'no stream of its own').to.deep.equal([]);
    window.dispatchEvent(new Event('pagehide'));
    expect(said).to.deep.equal(['left']);
    leave();
    expect(said).to.deep.equal(['left', 'left', 'closed']);
    window.dispatchEvent(new Event('pagehide'));
    expect(said).to.have.length(3);
  });

  it('comes in the worker by one stream for all its tabs, which closes with the last and is opened again when it failed', async () => {
    const waiting: (() => void)[] = [];
    const worker = {} as { onconnect: (event: { ports: unknown[] }) => void };
    restore.push(
      put('self', worker),
      put('setTimeout', (action: () => void) => waiting.push(action)),
    );
    await import('./feed.worker.ts');
    const tab = () => {
      const told: string[] = [];
      const port = {
        onmessage: undefined as unknown as (e: { data: string }) => void,
        postMessage: (text: string) => told.push(text),
      };
      worker.onconnect({ ports: [port] });
      return { told, leave: () => port.onmessage({ data: 'left' }), mumble: () => port.onmessage({ data: 'hm' }) };
    };
    const [one, two] = [tab(), tab()];
    expect(Stream.all).to.have.length(1);
    Stream.all[0]!.say({ job: 'j', revision: 2 });
    // whoever comes later may have missed something
    for (const { told } of [one, two]) expect(told).to.deep.equal(['"look"', '{"job":"j","revision":2}']);
    one.mumble();
    one.leave();
    Stream.all[0]!.say('look');
    expect([one.told.length, two.told.length]).to.deep.equal([2, 3]);
    // the browser opens it again by itself as long as it is not closed
    Stream.all[0]!.onerror!();
    expect(waiting).to.deep.equal([]);
    Stream.all[0]!.close();
    Stream.all[0]!.onerror!();
    waiting.shift()!();
    expect(Stream.open).to.have.length(1);
    two.leave();
    expect(Stream.open, 'with its last tab').to.deep.equal([]);
    const three = tab();
    expect(Stream.open).to.have.length(1);
    Stream.open[0]!.close();
    Stream.all.at(-1)!.onerror!();
    three.leave();
    waiting.shift()!();
    expect(Stream.open, 'nobody is there any more').to.deep.equal([]);
  });
});
