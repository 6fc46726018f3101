import { expect } from 'chai';
import { byAsking } from './open-pages.ts';

/** Pages of one browser: each hears all the others, a moment later. */
class Browser {
  readonly #channels: { onmessage: ((event: MessageEvent) => void) | null }[] = [];
  page(own: string) {
    const channel = {
      onmessage: null as ((event: MessageEvent) => void) | null,
      postMessage: (data: unknown) => {
        for (const other of this.#channels)
          if (other !== channel) queueMicrotask(() => other.onmessage?.({ data } as MessageEvent));
      },
    };
    this.#channels.push(channel);
    return { pages: byAsking(channel, own), close: () => this.#channels.splice(this.#channels.indexOf(channel), 1) };
  }
}

describe('pages that ask one another, where the browser has no locks', () => {
  it('a name is held by one; it is free again once that page is closed', async () => {
    const browser = new Browser();
    const [first, second] = [browser.page('1'), browser.page('2')];
    expect(await first.pages.hold('a')).to.equal(true);
    expect(await second.pages.hold('a')).to.equal(false);
    expect(await second.pages.isFree('a')).to.equal(false);
    expect(await second.pages.hold('b'), 'another name').to.equal(true);
    first.close();
    expect(await second.pages.isFree('a')).to.equal(true);
    expect(await second.pages.hold('a')).to.equal(true);
  });
  it('of two that take one name at the same moment the one that is first by its own number has it', async () => {
    const browser = new Browser();
    const [first, second] = [browser.page('1'), browser.page('2')];
    expect(await Promise.all([second.pages.hold('a'), first.pages.hold('a')])).to.deep.equal([false, true]);
    expect(await first.pages.isFree('a'), 'it does not ask itself').to.equal(true);
  });
  it('a page alone has every name', async () => {
    const { pages } = new Browser().page('1');
    expect(await Promise.all([pages.hold('a'), pages.isFree('b')])).to.deep.equal([true, true]);
  });
});
