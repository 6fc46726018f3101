import { expect } from 'chai';
import { demoJobs } from '../demo/index.ts';
import { documentRows } from '../documents/document-rows.ts';
import { documentSchema } from '../documents/document.ts';
import { blankJob } from '../job/job.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { circuitsOf } from '../run/circuits.ts';
import { sayIn } from '../units/unit-system.ts';
import { cardsOf } from './cards.ts';
import type { CardGiven } from './define-card.ts';

const given = (key: keyof typeof demoJobs, more: Partial<CardGiven> = {}): CardGiven => {
  const { job, joints } = findingsOf(demoJobs[key]);
  return { job, joints, say: sayIn('metric'), asOf: ['1 May 2026', 'revision 3'], stops: 0, ...more };
};

describe('the cards of a job', () => {
  for (const key of Object.keys(demoJobs) as (keyof typeof demoJobs)[])
    it(`${key}: are sheets that the page, the printer and a file take; every hose and line is cut`, () => {
      const sheets = cardsOf(given(key));
      for (const sheet of sheets) documentSchema.parse(sheet);
      expect(new Set(sheets.map((s) => s.key)).size).to.equal(sheets.length);
      for (const sheet of sheets)
        expect(sheet.about.join(' ')).to.include(demoJobs[key].name).and.include('revision 3');
      const cut = documentRows(sheets).filter(([is]) => is === 'cut');
      const lines = circuitsOf(findingsOf(demoJobs[key]).job).parts.filter(
        (p) => p.kind === 'hose' || p.kind === 'hardLine',
      );
      expect(cut.length).to.be.at.least(lines.length);
      for (const sheet of sheets)
        for (const section of sheet.sections)
          if (section.as === 'table')
            for (const row of section.rows) expect(row).to.have.length(section.columns.length);
    });
  it('say on every sheet that a snag stops them, and how many', () => {
    const one = cardsOf(given('mailVan', { stops: 1 }));
    expect(one.length).to.be.greaterThan(1);
    for (const sheet of one) expect(sheet.stop).to.match(/^One snag says stop: do not buy/);
    expect(cardsOf(given('mailVan', { stops: 3 }))[0]!.stop).to.match(/^3 snags say stop/);
    expect(cardsOf(given('mailVan'))[0]!.stop).to.equal(undefined);
  });
  it('are in one system of units throughout', () => {
    const inches = documentRows(cardsOf(given('sprintCar', { say: sayIn('imperial') })));
    const lengths = inches.filter(([is]) => is === 'cut').map((row) => row[3]!);
    expect(lengths.length).to.be.greaterThan(3);
    for (const length of lengths) expect(length).to.match(/ in$|not measured/);
  });
  it('are none for a job with nothing in it', () => {
    const { job, joints } = findingsOf(blankJob('New', ''));
    expect(cardsOf({ ...given('mailVan'), job, joints })).to.deep.equal([]);
  });
});
