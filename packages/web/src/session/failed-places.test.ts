import { expect } from 'chai';
import { markFailed, takeFailed } from './failed-places.ts';

const at = (pathname: string, search = '') => ({ pathname, search });

describe('places that could not be drawn', () => {
  let kept: string | null = null;
  const before = globalThis.localStorage;
  const store = (over: object = {}) =>
    Object.defineProperty(globalThis, 'localStorage', {
      configurable: true,
      value: { getItem: () => kept, setItem: (_key: string, text: string) => (kept = text), ...over },
    });
  beforeEach(() => {
    kept = null;
    store();
  });
  after(() => Object.defineProperty(globalThis, 'localStorage', { configurable: true, value: before }));

  it('are told once, by stage and tab, whatever part is chosen', () => {
    markFailed(at('/jobs/1/run', '?tab=heat&part=hose-2'));
    expect(takeFailed(at('/jobs/1/run', '?tab=pressure'))).to.equal(false);
    expect(takeFailed(at('/jobs/2/run', '?tab=heat'))).to.equal(false);
    expect(takeFailed(at('/jobs/1/run', '?part=pump-1&tab=heat'))).to.equal(true);
    expect(takeFailed(at('/jobs/1/run', '?tab=heat')), 'who goes there by hand may try again').to.equal(false);
  });
  it('are forgotten one by one: the others stay', () => {
    markFailed(at('/jobs/1/run'));
    markFailed(at('/jobs/2/run'));
    expect(takeFailed(at('/jobs/1/run'))).to.equal(true);
    expect(takeFailed(at('/jobs/2/run'))).to.equal(true);
  });
  it('are the last forty, each once', () => {
    for (let i = 0; i < 45; i++) markFailed(at(`/jobs/${i}/run`));
    markFailed(at('/jobs/44/run'));
    expect((JSON.parse(kept!) as string[]).length).to.equal(40);
    expect(takeFailed(at('/jobs/4/run'))).to.equal(false);
    expect(takeFailed(at('/jobs/5/run'))).to.equal(true);
  });
  it('are none where somebody else wrote there, or where nothing may be kept', () => {
    for (const other of ['{', '7', '[3]']) {
      kept = other;
      expect(takeFailed(at('/jobs/1/run')), other).to.equal(false);
    }
    store({
      getItem: () => {
        throw new Error('forbidden');
      },
      setItem: () => {
        throw new Error('forbidden');
      },
    });
    markFailed(at('/jobs/1/run'));
    expect(takeFailed(at('/jobs/1/run'))).to.equal(false);
  });
});
