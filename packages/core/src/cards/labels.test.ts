import { expect } from 'chai';
import { demoJobs } from '../demo/index.ts';
import { jointsOf } from '../run/joints.ts';
import { labelSchema, labelsOf } from './labels.ts';

describe('labels', () => {
  const of = (job: (typeof demoJobs)['mailVan']) => labelsOf(job, jointsOf(job));
  it('are two tags for every length of line by the way its fuel goes, and one for either side of every joint', () => {
    const job = demoJobs.rescuePickup;
    const count = (kind: string) => of(job).filter((l) => l.kind === kind).length;
    expect(count('feed') % 2).to.equal(0);
    expect(
      of(job)
        .filter((l) => l.kind === 'return')
        .every((l) => l.head === 'RETURN' && l.text.startsWith('to the tank')),
    ).to.equal(true);
    expect(count('return')).to.be.greaterThan(2);
    expect(count('joint')).to.equal(2 * jointsOf(job).filter((j) => !j.opens).length);
    expect(of(demoJobs.mailVan).some((l) => l.kind === 'vent')).to.equal(true);
  });
  it('fit on a label whatever a part or a job is called', () => {
    const job = structuredClone(demoJobs.mailVan);
    job.name = 'x'.repeat(80);
    job.parts['hose-2']!.label = `${'long '.repeat(11)}\nname`;
    for (const label of of(job)) expect(labelSchema.safeParse(label).success).to.equal(true);
  });
});
