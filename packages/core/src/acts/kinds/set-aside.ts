import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { editing } from '../graph-edit.ts';
import { partOrGone } from '../../job/field-words.ts';

/** The same, but kept with its measurements. */
export const setAside = defineAct(
  'setAside',
  { id },
  {
    apply: (job, act) => editing(job, (edit) => edit.setAside(act.id)),
    describe: (job, act) => `set ${partOrGone(job, act.id)} aside`,
  },
);
