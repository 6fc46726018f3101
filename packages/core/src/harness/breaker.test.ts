import { expect } from 'chai';
import { changed, snagsOfRule } from '../../test/rule-cases.ts';
import { proofsOf } from '../wiring/proofs.ts';
import { partRows } from '../cards/parts/part-rows.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { needTitle } from '../reckoning/need-title.ts';
import { sayIn } from '../units/unit-system.ts';

/** What stands before its pump. */
const pumpFuse = (): string =>
  demoJobs.mailVan.wiring!.devices!.find(
    (d) => d.kind === 'fuse' && findingsOf(demoJobs.mailVan).wiring!.pumps[0]!.through.includes(d.id),
  )!.id;
/** The mail van with a breaker in the place of its pump's fuse. */
const withBreaker = (rating: number | undefined): Job =>
  changed(demoJobs.mailVan, (j) => {
    j.wiring!.devices = j.wiring!.devices!.map((d) =>
      d.id === pumpFuse()
        ? {
            id: d.id,
            kind: 'breaker',
            label: 'Pump breaker',
            resets: 'byHand',
            ...(rating === undefined ? {} : { rating: { si: rating, unit: 'A' } }),
          }
        : d,
    );
  });

describe('a circuit breaker', () => {
  const job = withBreaker(20);
  it('protects as a fuse does: nothing behind it is unfused, and its wire is held against it', () => {
    expect(snagsOfRule(job, 'wire-unfused')).to.deep.equal(snagsOfRule(demoJobs.mailVan, 'wire-unfused'));
    const { wiring } = findingsOf(job);
    expect(wiring!.fuses.find((f) => f.device === pumpFuse())).to.include({ rating: 20 });
    expect(wiring!.wires.filter((w) => w.fuses.includes(pumpFuse())).map((w) => w.fuse)).to.include(20);
    expect(snagsOfRule(withBreaker(40), 'wire-too-thin').length).to.be.greaterThan(
      snagsOfRule(job, 'wire-too-thin').length,
    );
  });
  it('too small for its pump it is told, and the size that cures is one that breakers come in', () => {
    const small = withBreaker(6);
    const [snag] = snagsOfRule(small, 'fuse-too-small');
    expect(snag!.figure!.si).to.equal(6);
    const change = findingsOf(small).wiring!.safe!;
    const sized = change.ok ? change.changes.find((c) => c.id === pumpFuse()) : undefined;
    expect(sized?.kind === 'fuse' && [5, 6, 8, 10, 15, 20, 25, 30, 35, 40, 50].includes(sized.amps)).to.equal(true);
    expect(sized?.kind === 'fuse' && sized.amps).to.be.at.least(1.25 * findingsOf(small).wiring!.pumps[0]!.mostAmps!);
  });
  it('takes more of the volts than a blade fuse of its size', () => {
    const volts = (j: Job) => findingsOf(j).wiring!.pumps[0]!.at.fullLoadHot!.volts;
    const fused = changed(job, (j) => {
      j.wiring!.devices = j.wiring!.devices!.map((d) =>
        d.id === pumpFuse() ? { id: d.id, kind: 'fuse', rating: { si: 20, unit: 'A' } } : d,
      );
    });
    const amps = findingsOf(job).wiring!.pumps[0]!.at.fullLoadHot!.amps;
    // 0.15 V against 0.1 V at 20 A, in proportion to what passes
    expect(volts(fused) - volts(job)).to.be.closeTo((0.05 * amps) / 20, 2e-3);
  });
  it('is asked for while nobody has read it, proved, and bought', () => {
    const unread = withBreaker(undefined);
    expect(findingsOf(unread).needs.map((n) => needTitle(unread, n))).to.include('Pump breaker: what it is rated');
    expect(proofsOf(job, []).map((p) => p.what)).to.include('Pump breaker is the one planned');
    expect(partRows(job, sayIn('metric')).map((r) => r.specification)).to.include('circuit breaker 20 A, SAE J553');
  });
});
