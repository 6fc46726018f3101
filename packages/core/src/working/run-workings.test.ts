import { expect } from 'chai';
import { cleanJob } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { findingsOf } from '../run/findings.ts';
import { workingsOf } from './workings.ts';

const working = (job: Job, key: string) => workingsOf(findingsOf(job)).find((w) => w.key === key)!;
const term = (w: ReturnType<typeof working>, symbol: string) => w.terms.find((t) => t.symbol === symbol)!.figure.si;

describe('working of suction and heat', () => {
  for (const [name, job] of Object.entries({
    van: cleanJob(),
    pickup: demoJobs.rescuePickup,
    sprint: demoJobs.sprintCar,
  }))
    it(`${name}: the suction margin follows its formula, and its parts add up to it`, () => {
      for (const key of ['idle', 'fullLoadHot', 'hotRestart']) {
        const w = working(job, `suction:${key}`);
        const head = (term(w, 'p_atm') + term(w, 'p_in') - term(w, 'p_v')) / (term(w, 'ρ') * 9.80665);
        expect(head).to.be.closeTo(w.result.si, 1e-9);
        expect(w.parts.reduce((sum, p) => sum + p.figure.si, 0)).to.be.closeTo(w.result.si, 1e-9);
        expect(w.result.si).to.equal(findingsOf(job).solution!.points[key]!.suctionMargin);
      }
    });
  it('the drive’s result is the last of its steps, and its terms are those that were reckoned with', () => {
    const w = working(demoJobs.rescuePickup, 'drive');
    const { drive, solution } = findingsOf(demoJobs.rescuePickup);
    expect(w.result.si).to.equal(drive!.steps.at(-1)!.tank);
    expect(term(w, 'Q_back')).to.equal(solution!.points.cruise.pot!.overflow);
    expect(term(w, 'T_back')).to.be.greaterThan(w.result.si);
    expect(term(w, 'P')).to.equal(solution!.points.cruise.pumpPower);
  });
  it('warns that mild blends boil earlier than hydrocarbon petrol', () => {
    const remarks = (ethanol: number) =>
      working(
        cleanJob((j) => (j.brief.ethanol!.si = ethanol)),
        'suction:idle',
      ).remarks.join(' ');
    expect(remarks(0.1)).to.include('7 kPa earlier');
    expect(remarks(0)).to.not.include('7 kPa earlier');
    expect(remarks(0.85)).to.not.include('7 kPa earlier');
  });
  it('every term with a field leads to one that is there', () => {
    for (const w of workingsOf(findingsOf(demoJobs.rescuePickup)))
      for (const t of w.terms) if (t.path) expect(['assumptions', 'brief', 'survey', 'run']).to.include(t.path[0]);
  });
});
