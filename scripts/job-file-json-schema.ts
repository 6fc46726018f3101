import { z } from 'zod';
import { jobSchema } from '../packages/core/src/job/job.ts';

/** JSON Schema (2020-12) of the job file at the current version, generated from the one schema that judges it. */
export const jobFileJsonSchema = (): unknown => ({
  title: 'Endrel job file',
  ...z.toJSONSchema(jobSchema, { io: 'input', reused: 'ref' }),
});
