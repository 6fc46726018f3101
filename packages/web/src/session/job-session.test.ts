import { expect } from 'chai';
import type { StoredJob } from '@endrel/core/contract/api';
import { demoJobs } from '@endrel/core/demo/index';
import type { Act } from '@endrel/core/job/acts/act';
import { applyAct } from '@endrel/core/job/acts/apply-act';
import type { Job } from '@endrel/core/job/job';
import { ApiError, OfflineError } from '../api/client.ts';
import { JobSession, type Draft } from './job-session.ts';
import { rebase } from './rebase.ts';

const set = (field: string, mm: number): Act => ({
  act: 'set',
  path: ['survey', 'tank', field],
  value: { si: mm / 1000, unit: 'mm' },
});

/** A server in memory that keeps the real one's rules, and a clock that is wound by hand. */
class Bench {
  stored: StoredJob = { id: 'j', revision: 1, savedAt: '2026-01-01T00:00:00Z', document: demoJobs.mailVan };
  online = true;
  summaries: string[] = [];
  draft: Draft | undefined;
  timers: (() => void)[] = [];
  open(draft?: Draft): JobSession {
    return new JobSession(
      this.stored,
      {
        save: (_id, base, document, summary) => {
          if (!this.online) return Promise.reject(new OfflineError());
          if (base !== this.stored.revision)
            return Promise.reject(new ApiError(409, { code: 'stale', message: 'stale', current: this.stored }));
          this.summaries.push(summary);
          this.saveElsewhere(document);
          return Promise.resolve({ revision: this.stored.revision, savedAt: this.stored.savedAt });
        },
        keepDraft: (d) => (this.draft = d),
        after: (_ms, action) => {
          this.timers.push(action);
          return () => (this.timers = this.timers.filter((t) => t !== action));
        },
      },
      draft,
    );
  }
  saveElsewhere(document: Job) {
    this.stored = { ...this.stored, revision: this.stored.revision + 1, document };
  }
  /** Lets every waiting timer go off, and what follows from it. */
  async tick() {
    for (let i = 0; i < 4; i++) {
      const due = this.timers;
      this.timers = [];
      for (const action of due) action();
      await new Promise((resolve) => setImmediate(resolve));
    }
  }
}

describe('a job being edited', () => {
  it('saves by itself, with what was done', async () => {
    const bench = new Bench();
    const session = bench.open();
    session.act(set('depth', 240));
    expect(session.getSnapshot().save.status).to.equal('unsaved');
    await bench.tick();
    expect(session.getSnapshot()).to.deep.include({ revision: 2, save: { status: 'saved' } });
    expect(bench.stored.document.survey.tank.depth!.si).to.equal(0.24);
    expect(bench.summaries).to.deep.equal(['set survey tank depth']);
  });
  it('undoes and redoes across the whole job; one visit to a field is one step', async () => {
    const session = new Bench().open();
    session.act(set('depth', 2), 'visit-1');
    session.act(set('depth', 24), 'visit-1');
    session.act(set('depth', 240), 'visit-1');
    session.act({ act: 'capPorts', id: 'rail-1' });
    session.undo();
    session.undo();
    expect(session.getSnapshot().job).to.equal(demoJobs.mailVan);
    expect(session.getSnapshot().save.status).to.equal('saved');
    session.redo();
    expect(session.getSnapshot().job.survey.tank.depth!.si).to.equal(0.24);
  });
  it('keeps typing through a lost connection and a reload, and saves it when the server is back', async () => {
    const bench = new Bench();
    bench.online = false;
    const session = bench.open();
    session.act(set('depth', 240));
    await bench.tick();
    expect(session.getSnapshot().save.status).to.equal('offline');
    const reloaded = bench.open(bench.draft);
    expect(reloaded.getSnapshot().job.survey.tank.depth!.si).to.equal(0.24);
    bench.online = true;
    await bench.tick();
    expect(bench.stored.document.survey.tank.depth!.si).to.equal(0.24);
    expect(bench.draft).to.equal(undefined);
  });
  it('joins a save of other fields from elsewhere, and says so', async () => {
    const bench = new Bench();
    const session = bench.open();
    bench.saveElsewhere(applyAct(bench.stored.document, set('outletHeight', 111)));
    session.act(set('depth', 240));
    await bench.tick();
    const { tank } = bench.stored.document.survey;
    expect([tank.depth!.si, tank.outletHeight!.si]).to.deep.equal([0.24, 0.111]);
    expect(session.getSnapshot()).to.deep.include({ joined: true, save: { status: 'saved' } });
  });
  for (const choice of ['mine', 'theirs'] as const)
    it(`asks when both changed one field, overwrites nothing meanwhile, and keeps ${choice} on request`, async () => {
      const bench = new Bench();
      const session = bench.open();
      bench.saveElsewhere(applyAct(bench.stored.document, set('depth', 111)));
      session.act(set('depth', 240));
      await bench.tick();
      const { save } = session.getSnapshot();
      expect(save.status === 'conflict' && save.fields).to.deep.equal(['survey tank depth si']);
      expect(bench.stored.document.survey.tank.depth!.si).to.equal(0.111);
      if (choice === 'mine') session.keepMine();
      else session.takeTheirs();
      await bench.tick();
      expect(bench.stored.document.survey.tank.depth!.si).to.equal(choice === 'mine' ? 0.24 : 0.111);
      expect(session.getSnapshot().save.status).to.equal('saved');
      if (choice === 'theirs') session.undo();
      expect(session.getSnapshot().job.survey.tank.depth!.si, 'nothing typed is lost').to.equal(0.24);
    });
});

describe('rebasing', () => {
  const base = demoJobs.mailVan;
  it('does not mix two changes of one list of parts', () => {
    const mine = applyAct(base, { act: 'removeComponent', id: 'filter-1' });
    const theirs = applyAct(base, { act: 'setOnPart', id: 'hose-2', key: 'clamp', value: 'worm' });
    expect(rebase(base, mine, theirs)).to.deep.equal({ ok: false, fields: ['run supply'] });
  });
  it('accepts the same change made twice', () => {
    const same = applyAct(base, set('depth', 240));
    expect(rebase(base, same, structuredClone(same))).to.deep.equal({ ok: true, job: same });
  });
});
