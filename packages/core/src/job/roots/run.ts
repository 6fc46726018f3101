import { z } from 'zod';
import type { FieldPath } from '../../fields/field-path.ts';
import { idSchema, ownName } from '../../fields/property.ts';
import { textSchema } from '../../fields/text.ts';
import { commonProperties } from '../../parts/define-part.ts';
import { jointProperties, jointSchema } from '../../parts/joint.ts';
import { partName, partSchema, portName, propertiesOf } from '../../parts/kinds.ts';
import { defineRecords, type Held, type Named } from '../define-root.ts';
import { asWords, partIn, partOrGone } from '../field-words.ts';

export const MOST_PARTS = 200;
const MOST_JOINTS = 400;
const MOST_OVERRULES = 200;

/** Parts by id, on the run or set aside. */
export const parts = defineRecords(
  { names: idSchema, of: partSchema, most: MOST_PARTS },
  {
    stage: 'run',
    tab: 'part',
    name: 'parts',
    hasOwnActs: true,
    elsewhere: {
      hanger: () => 'pickup',
      routes: ([, , key]) => (key === 'ports' ? 'map' : 'lines'),
    },
    say: (job, [, id, ...rest]) => (typeof id === 'string' ? sayPartField(job, id, rest) : undefined),
  },
);

function sayPartField(job: Held, id: string, [key, ...inner]: FieldPath): string {
  const part = Object.hasOwn(job.parts, id) ? job.parts[id] : undefined;
  if (!part) return key === undefined ? 'a part that is gone' : `${asWords(key)} of a part that is gone`;
  if (key === undefined) return partName(part);
  if (key === 'ports' && inner.length > 0) {
    const [port, ...of] = inner.map(String);
    return [partName(part), portName(part, port!), ...of.map(asWords)].join(', ');
  }
  const names: Named = { ...commonProperties, ...propertiesOf(part.kind) };
  return [partName(part), names[key]?.name ?? asWords(key), ...inner.map(asWords)].join(', ');
}

/** Joints by id. */
export const joints = defineRecords(
  { names: idSchema, of: jointSchema, most: MOST_JOINTS },
  {
    stage: 'joints',
    tab: 'list',
    name: 'joints',
    hasOwnActs: true,
    say: (job, [, id, ...rest]) => (typeof id === 'string' ? sayJointField(job, id, rest) : undefined),
  },
);

/** “joint of Feed hose and Fuel rail, clamp” */
function sayJointField(job: Held, id: string, keys: FieldPath): string {
  const joint = Object.hasOwn(job.joints, id) ? job.joints[id] : undefined;
  const name = (part: string) => partOrGone(job, part);
  const names: Named = jointProperties;
  const whole = joint ? `joint of ${name(joint.a.part)} and ${name(joint.b.part)}` : 'a joint that is gone';
  return [whole, ...keys.map((key) => names[key]?.name ?? asWords(key))].join(', ');
}

/** A fitter's reason for living with a snag. */
export const overruleSchema = z.strictObject({
  reason: textSchema(1000).refine((reason) => reason.trim().length > 2, 'needs a reason in words'),
  at: z.iso.datetime(),
});
/** The snag that an overrule is of. */
const overruledSchema = ownName(120);

/** By the snag that is overruled. */
export const overrules = defineRecords(
  { names: overruledSchema, of: overruleSchema, most: MOST_OVERRULES },
  {
    stage: 'brief',
    tab: 'engine',
    name: 'overrules',
    hasOwnActs: true,
    say: (job, [, id]) => (id === undefined ? undefined : `overrule of ${saySnag(job, String(id))}`),
  },
);

/** “pump margin of Hanger pump”: a rule by its key, and what it speaks of. */
export function saySnag(job: Pick<Held, 'parts'>, snag: string): string {
  const [rule = '', of = ''] = snag.split(':');
  const part = partIn(job, of);
  return `“${rule.replaceAll('-', ' ')}”${part === undefined ? '' : ` of ${part}`}`;
}
