import { graphFaults } from '../parts/graph.ts';
import { jobShape, type Job } from '../job/job.ts';
import type { Root } from '../job/define-root.ts';
import { rootAt } from '../job/roots.ts';
import type { z } from 'zod';
import type { ActFault } from './refused.ts';

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
    const records = rootAt(name)?.records;
    const fault = records ? judgeRecords(name, records, before, after) : judge(schema, after[name], name);
    if (fault) return fault;
  }
  if (after.parts !== before.parts || after.joints !== before.joints) {
    const [fault] = graphFaults(after);
    if (fault) return { field: fault.path.join('.'), message: fault.message };
  }
  return undefined;
}

/** Records that the edit left as they were are right already. */
function judgeRecords(
  name: keyof Job,
  { names, of, most }: NonNullable<Root['records']>,
  before: Job,
  after: Job,
): ActFault | undefined {
  const [was, is] = [before[name], after[name]] as [Held | undefined, Held | undefined];
  if (typeof is !== 'object' || is === null) return { field: name, message: 'has to be there' };
  if (Object.keys(is).length > most) return { field: name, message: `holds more than ${most}` };
  for (const [id, record] of Object.entries(is)) {
    if (was && Object.hasOwn(was, id) && record === was[id]) continue;
    const fault = judge(names, id, `${name}.${id}`) ?? judge(of, record, `${name}.${id}`);
    if (fault) return fault;
  }
  return undefined;
}
type Held = Readonly<Record<string, unknown>>;

function judge(schema: z.ZodType, value: unknown, field: string): ActFault | undefined {
  const read = schema.safeParse(value);
  if (read.success) return undefined;
  const issue = read.error.issues[0]!;
  return { field: [field, ...issue.path].join('.'), message: issue.message };
}
