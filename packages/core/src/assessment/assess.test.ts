import { expect } from 'chai';
import { assess, previewAct } from './assess.ts';
import { cutRows } from '../cards/cuts/cut-rows.ts';
import { partRows } from '../cards/parts/part-rows.ts';
import { sayIn } from '../units/unit-system.ts';
import { rules } from '../checks/rules.ts';
import { factsOf } from '../contract/summary.ts';
import { demoJobs } from '../demo/index.ts';
import { applyAct } from '../acts/apply-act.ts';
import { blankJob, jobSchema } from '../job/job.ts';
import { needsOf } from '../reckoning/needs.ts';

describe('the demo workshop', () => {
  it('has one finished job with nothing wrong, one with many snags, one half measured', () => {
    expect(assess(demoJobs.mailVan).snags).to.deep.equal([]);
    expect(demoJobs.mailVan.state).to.equal('finished');
    expect(new Set(assess(demoJobs.flatBedTender).snags.map((s) => s.rule)).size).to.be.at.least(10);
    expect(needsOf(demoJobs.beachBuggy).map((n) => n.name)).to.include('tank depth');
  });
  it('is valid by its own schema', () => {
    for (const job of Object.values(demoJobs)) expect(jobSchema.parse(job)).to.deep.equal(job);
  });
  it('can be cured: pressing every offered button leaves fewer stops each time, until none is offered', () => {
    let job = demoJobs.flatBedTender;
    for (let round = 0; round < 40; round++) {
      const act = assess(job).snags.find((s) => s.act)?.act;
      if (!act) break;
      job = applyAct(job, act);
    }
    expect(assess(job).snags.filter((s) => s.act)).to.deep.equal([]);
    expect(assess(job).snags.length).to.be.lessThan(assess(demoJobs.flatBedTender).snags.length / 2);
  });
});

describe('an assessment', () => {
  it('of a blank job asks for measurements and finds no fault', () => {
    const { snags, findings } = assess(blankJob('New'));
    expect(snags).to.deep.equal([]);
    expect(findings.solution).to.equal(undefined);
    expect(findings.needs[0]).to.include({ stage: 'brief', name: 'fuel enters by' });
  });
  it('can cross from a worker: it holds nothing but data', () => {
    for (const job of Object.values(demoJobs)) expect(structuredClone(assess(job))).to.deep.equal(assess(job));
  });
  it('gives every snag an id of its own, worst first', () => {
    const { snags } = assess(demoJobs.flatBedTender);
    expect(new Set(snags.map((s) => s.id)).size).to.equal(snags.length);
    const order = snags.map((s) => ['stop', 'fix', 'note'].indexOf(s.grade));
    expect(order).to.deep.equal([...order].sort());
  });
  it('marks an overruled fix with its reason, and never a stop', () => {
    const at = '2026-02-03T04:05:06Z';
    const overrule = (snag: string) =>
      applyAct(demoJobs.flatBedTender, { act: 'overruleSnag', snag, reason: 'seen and accepted', at });
    const find = (snag: string) => assess(overrule(snag)).snags.find((s) => s.id === snag);
    expect(find('tank-vent')!.overruled).to.equal('seen and accepted');
    expect(find('open-port:rail-1')!.overruled).to.equal(undefined);
  });
  it('previews what a cure changes besides what it cures', () => {
    const snag = assess(demoJobs.flatBedTender).snags.find((s) => s.rule === 'fine-filter-before-pump')!;
    const preview = previewAct(demoJobs.flatBedTender, snag.act!);
    expect(preview.cured).to.include(snag.what);
    expect(preview.cured, 'the suction is relieved too').to.include('Hot fuel boils at the pump’s inlet.');
  });
  it('has rules with keys of their own', () => {
    expect(new Set(rules.map((r) => r.key)).size).to.equal(rules.length);
  });
});

describe('a job’s summary', () => {
  it('tells the next measurement, the worst snag and the run in miniature', () => {
    const summary = factsOf(demoJobs.beachBuggy);
    expect(summary).to.include({ needs: 5, nextNeed: 'tank depth' });
    const tender = factsOf(demoJobs.flatBedTender);
    expect(tender.worst!.grade).to.equal('stop');
    expect(tender.run.parts.map((c) => c.id)).to.have.members(Object.keys(demoJobs.flatBedTender.parts));
    expect(tender.run.parts.find((c) => c.id === 'rail-1')!.grade).to.equal('stop');
  });
});

describe('the parts and cuts card', () => {
  it('lists a clamp pair for each clamped hose, caps for spare rail ports, and every length to cut', () => {
    const rows = partRows(demoJobs.mailVan, sayIn('metric'));
    expect(rows.filter((r) => r.part.startsWith('Band clamp')).map((r) => r.quantity)).to.deep.equal(['2', '2', '2']);
    expect(rows.find((r) => r.part.startsWith('Cap'))!.quantity).to.equal('1');
    expect(cutRows(demoJobs.mailVan, sayIn('metric')).map((r) => r.length)).to.deep.equal([
      '140 mm',
      '3400 mm',
      '420 mm',
      '260 mm',
      '215 mm',
    ]);
  });
  it('says what is still open before a part can be bought', () => {
    expect(partRows(demoJobs.beachBuggy, sayIn('metric')).find((r) => r.part === 'Feed line')!.open).to.equal(
      'line length',
    );
    expect(cutRows(demoJobs.beachBuggy, sayIn('metric')).find((r) => r.part === 'Feed line')!.length).to.equal(
      'not measured',
    );
  });
});
