import { ownName } from '../../fields/property.ts';
import { saySnag } from '../../job/field-name.ts';
import { defineAct } from '../define-act.ts';

export const withdrawOverrule = defineAct(
  'withdrawOverrule',
  { snag: ownName(120) },
  {
    apply(job, act) {
      const { [act.snag]: _gone, ...overrules } = job.overrules;
      return { ...job, overrules };
    },
    describe: (job, act) => `withdraw the overrule of ${saySnag(job, act.snag)}`,
  },
);
