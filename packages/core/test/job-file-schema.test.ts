import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { jobFileJsonSchema } from '../../../scripts/job-file-json-schema.ts';

describe('the published JSON Schema of the job file', () => {
  it('is the one that the code generates: run “npm run schema” after a change', () => {
    const published: unknown = JSON.parse(
      readFileSync(new URL('../../../docs/job-file.schema.json', import.meta.url), 'utf8'),
    );
    expect(published).to.deep.equal(JSON.parse(JSON.stringify(jobFileJsonSchema())));
  });
});
