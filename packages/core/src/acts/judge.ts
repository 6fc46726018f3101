import { jointSchema } from '../parts/joint.ts';
import { partSchema } from '../parts/kinds.ts';
import { graphFaults } from '../parts/graph.ts';
import { jobShape, type Job } from '../job/job.ts';
import { MOST_JOINTS, MOST_OVERRULES, MOST_PARTS, overruledSchema, overruleSchema } from '../job/roots/run.ts';
import { idSchema } from '../fields/property.ts';
import type { z } from 'zod';
import type { ActFault } from './refused.ts';

const collections = { parts: partSchema, joints: jointSchema, overrules: overruleSchema } as const;
const names = { parts: idSchema, joints: idSchema, overrules: overruledSchema } as const;
const most = { parts: MOST_PARTS, joints: MOST_JOINTS, overrules: MOST_OVERRULES } as const;

/**
 * What is wrong with the records that an edit changed, or with their names; those that it shares with the job before were judged
 * then. Undefined when all is right: the job can be read again then, whatever the act was.
 */
export function judgeTouched(before: Job, after: Job): ActFault | undefined {
  const foreign = Object.keys(after).find((name) => name !== 'schemaVersion' && !Object.hasOwn(jobShape, name));
  if (foreign !== undefined) return { field: foreign, message: 'is nothing that a job has' };
  if (after.schemaVersion !== before.schemaVersion) return { field: 'schemaVersion', message: 'is not set by an edit' };
  for (const [name, schema] of Object.entries(jobShape) as [keyof typeof jobShape, z.ZodType][]) {
    if (after[name] === before[name]) continue;
    if (name === 'parts' || name === 'joints' || name === 'overrules') {
      const held = after[name] as Job[typeof name] | undefined;
      if (typeof held !== 'object' || held === null) return { field: name, message: 'has to be there' };
      if (Object.keys(held).length > most[name]) return { field: name, message: `holds more than ${most[name]}` };
      for (const [id, record] of Object.entries(held)) {
        if (Object.hasOwn(before[name], id) && record === before[name][id]) continue;
        const fault = judge(names[name], id, `${name}.${id}`) ?? judge(collections[name], record, `${name}.${id}`);
        if (fault) return fault;
      }
      continue;
    }
    const fault = judge(schema, after[name], name);
    if (fault) return fault;
  }
  if (after.parts !== before.parts || after.joints !== before.joints) {
    const [fault] = graphFaults(after);
    if (fault) return { field: fault.path.join('.'), message: fault.message };
  }
  return undefined;
}

function judge(schema: z.ZodType, value: unknown, field: string): ActFault | undefined {
  const read = schema.safeParse(value);
  if (read.success) return undefined;
  const issue = read.error.issues[0]!;
  return { field: [field, ...issue.path].join('.'), message: issue.message };
}
