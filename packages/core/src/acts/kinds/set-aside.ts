import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { editing } from '../graph-edit.ts';
import { nameOf } from '../words.ts';

/** The same, but kept with its measurements. */
export const setAside = defineAct(
  'setAside',
  { id },
  {
    apply: (job, act) => editing(job, (edit) => edit.setAside(act.id)),
    describe: (job, act) => `set ${nameOf(job, act.id)} aside`,
  },
);
