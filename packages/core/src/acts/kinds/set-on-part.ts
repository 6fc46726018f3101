import { commonProperties } from '../../parts/define-part.ts';
import { propertiesOf } from '../../parts/kinds.ts';
import { id, key, value } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { setOnPart as onPart, standsOnPart } from '../part-fields.ts';
import { setOrClear } from '../words.ts';
import { partOrGone } from '../../job/field-words.ts';

export const setOnPart = defineAct(
  'setOnPart',
  { id, key, value },
  {
    apply: (job, act) => onPart(job, act.id, act.key, act.value),
    describe(job, act) {
      const part = job.parts[act.id];
      const fields: Record<string, { name: string }> = { ...commonProperties, ...(part && propertiesOf(part.kind)) };
      return `${setOrClear(act.value)} ${fields[act.key]?.name ?? act.key} of ${partOrGone(job, act.id)}`;
    },
    isInPlace: standsOnPart,
    fills: (act) => ({ path: ['parts', act.id, act.key], value: act.value }),
  },
);
