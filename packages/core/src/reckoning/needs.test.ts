import { expect } from 'chai';
import { carburettorJob, cleanJob, get } from '../../test/rule-cases.ts';
import { findingsOf } from './findings.ts';
import { applyAct } from '../acts/apply-act.ts';
import { valueAt } from '../acts/at-path.ts';
import { blankJob, type Job } from '../job/job.ts';
import { needsOf } from './needs.ts';
import { needTitle } from './need-title.ts';

const names = (job: Job) => needsOf(job).map((n) => needTitle(job, n));

describe('what is still to measure', () => {
  it('of a finished job is nothing', () => {
    expect(needsOf(cleanJob())).to.deep.equal([]);
  });
  it('comes in the order of the work: brief, survey, layout, run', () => {
    const laid = applyAct(blankJob('x'), { act: 'chooseLayout', key: 'bypassAfterRail' });
    const stages = needsOf(laid).map((n) => n.stage);
    expect([...new Set(stages)]).to.deep.equal(['brief', 'survey', 'run']);
    expect(names(blankJob('x'))[0]).to.equal('fuel enters by');
  });
  it('points at a field that is empty, and is gone once it is filled', () => {
    const laid = applyAct(blankJob('x'), { act: 'chooseLayout', key: 'bypassAtTank' });
    for (const need of needsOf(laid)) expect(valueAt(laid, need.path), need.name).to.equal(undefined);
    const filled = applyAct(laid, { act: 'set', path: ['survey', 'tank', 'depth'], value: { si: 0.2, unit: 'mm' } });
    expect(names(laid)).to.include('tank depth');
    expect(names(filled)).to.not.include('tank depth');
  });
  it('asks for boost only of a boosted engine, and for ethanol only of petrol', () => {
    const brief = (change: object) =>
      names(cleanJob((j) => (j.brief = { ...j.brief, boost: undefined, ethanol: undefined, ...change })));
    expect(brief({ aspiration: 'natural', fuel: 'diesel' })).to.deep.equal([]);
    expect(brief({ aspiration: 'turbo', fuel: 'diesel' })).to.deep.equal(['boost']);
    expect(brief({ aspiration: 'natural', fuel: 'petrol' })).to.deep.equal(['ethanol share']);
  });
  it('asks where an external pump stands, and how high the outlet is', () => {
    const job = carburettorJob((j) => {
      delete get(j, 'pump').inletHeight;
      delete j.survey.tank.outletHeight;
    });
    expect(names(job)).to.deep.equal(['outlet height', 'Pump under the floor: inlet height']);
  });
  it('does not hold up the flow for a material or a construction', () => {
    const job = cleanJob((j) => {
      delete get(j, 'hose', 1).construction;
      delete get(j, 'hardLine').material;
    });
    expect(needsOf(job).map((n) => n.blocksSolution)).to.deep.equal([false, false]);
    expect(findingsOf(job).solution).to.not.equal(undefined);
  });
  it('holds it up for a bore, a length, a table or a set pressure', () => {
    const without = (change: (j: Job) => unknown) => findingsOf(cleanJob((j) => void change(j))).solution;
    expect(without((j) => delete get(j, 'hose', 1).bore)).to.equal(undefined);
    expect(without((j) => delete get(j, 'hardLine').length)).to.equal(undefined);
    expect(without((j) => delete get(j, 'pump').tables)).to.equal(undefined);
    expect(without((j) => delete get(j, 'regulator').setPressure)).to.equal(undefined);
  });
  it('asks for the rest of the gauge once any of it is given', () => {
    const job = cleanJob((j) => {
      j.gauge = { kind: 'ohms', senderEmpty: { si: 240, unit: 'Ω' } };
      delete j.survey.tank.length;
    });
    expect(names(job)).to.deep.equal([
      'sender at the top stop',
      'float at the bottom stop',
      'float at the top stop',
      'gauge reads E at',
      'gauge reads F at',
      'tank length',
    ]);
    expect(names(cleanJob((j) => delete j.gauge))).to.deep.equal([]);
  });
});
