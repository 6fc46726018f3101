// npm run schema: writes docs/job-file.schema.json from the job schema.
import { writeFileSync } from 'node:fs';
import { jobFileJsonSchema } from './job-file-json-schema.ts';

writeFileSync(
  new URL('../docs/job-file.schema.json', import.meta.url),
  `${JSON.stringify(jobFileJsonSchema(), undefined, 2)}\n`,
);
