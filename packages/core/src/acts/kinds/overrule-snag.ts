import { z } from 'zod';
import { ownName } from '../../fields/property.ts';
import { textSchema } from '../../fields/text.ts';
import { saySnag } from '../../job/field-name.ts';
import { defineAct } from '../define-act.ts';

/** A fitter's reason for living with a snag. */
export const overruleSnag = defineAct(
  'overruleSnag',
  { snag: ownName(120), reason: textSchema(1000), at: z.iso.datetime() },
  {
    apply: (job, act) => ({ ...job, overrules: { ...job.overrules, [act.snag]: { reason: act.reason, at: act.at } } }),
    describe: (job, act) => `overrule ${saySnag(job, act.snag)}`,
    wrote: (act) => [{ path: ['overrules', act.snag] }],
  },
);
