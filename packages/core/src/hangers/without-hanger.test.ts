import { expect } from 'chai';
import { changed, cleanJob, get } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { isWithoutHanger } from './without-hanger.ts';

/** The pump outside, the tank left by its bottom, nothing of a hanger measured. */
const outside = (change: (job: Job) => void = () => undefined): Job =>
  cleanJob((j) => {
    delete j.hanger;
    get(j, 'tank').pickup = 'bottomOutlet';
    get(j, 'pump').place = 'external';
    change(j);
  });

describe('a run without a hanger', () => {
  it('is one whose every pump stands outside, and of whose hanger nobody says anything', () => {
    expect(isWithoutHanger(outside())).to.equal(true);
    expect(isWithoutHanger(outside((j) => delete get(j, 'tank').pickup))).to.equal(true);
  });
  it('is none with a pump in the tank, one whose place is unknown, a hanger that is said or measured, or no pump at all', () => {
    expect(isWithoutHanger(outside((j) => (get(j, 'pump').place = 'inTank')))).to.equal(false);
    expect(isWithoutHanger(outside((j) => delete get(j, 'pump').place))).to.equal(false);
    expect(isWithoutHanger(outside((j) => (get(j, 'tank').pickup = 'hanger')))).to.equal(false);
    expect(isWithoutHanger(outside((j) => (j.hanger = { hold: 'rigid' })))).to.equal(false);
    expect(isWithoutHanger(changed(outside(), (j) => Object.assign(j, { parts: {}, joints: {} })))).to.equal(false);
  });
  it('leaves the hangers of the demo jobs alone', () => {
    expect(isWithoutHanger(demoJobs.mailVan)).to.equal(false);
    expect(isWithoutHanger(demoJobs.rescuePickup)).to.equal(false);
  });
});
