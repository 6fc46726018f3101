import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { expect } from 'chai';
import { jobFileJsonSchema } from '../../../scripts/job-file-json-schema.ts';
import { demoJobs } from '../src/demo/index.ts';
import type { Job } from '../src/job/job.ts';

const text = readFileSync(new URL('../../../docs/job-file.schema.json', import.meta.url), 'utf8');

describe('the published JSON Schema of the job file', () => {
  it('is the one that the code generates: run “npm run schema” after a change', () => {
    expect(JSON.parse(text)).to.deep.equal(JSON.parse(JSON.stringify(jobFileJsonSchema())));
  });
  it('is read with what it shares, not with everything written out', () => {
    expect(text.split('\n').length).to.be.lessThan(9000);
  });
  // by an independent implementation of JSON Schema 2020-12, ajv
  const validate = new Ajv2020({ strict: false, formats: { 'date-time': true } }).compile(JSON.parse(text) as object);
  for (const [name, job] of Object.entries(demoJobs))
    it(`takes ${name} as it goes out`, () => {
      expect(validate(JSON.parse(JSON.stringify(job))), JSON.stringify(validate.errors)).to.equal(true);
    });
  it('refuses what the code refuses: an unknown field, a wrong unit, a size out of its limits, a part without a kind', () => {
    const bad: ((job: any) => unknown)[] = [
      (job: any) => (job.colour = 'red'),
      (job: any) => (job.survey.tank.depth.unit = 'psi'),
      (job: any) => (job.survey.tank.depth.si = -1),
      (job: any) => delete job.parts['hose-1'].kind,
      (job: any) => (job.joints['rail-1-in'].a = 'hose-2'),
    ];
    for (const change of bad) {
      const job = JSON.parse(JSON.stringify(demoJobs.mailVan)) as Job;
      change(job);
      expect(validate(job), String(change)).to.equal(false);
    }
  });
});
