import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { moveRegulator as move, regulatorPlaces, regulatorPlaceSchema } from '../move-regulator.ts';
import { partOrGone } from '../../job/field-words.ts';

/** A bypass regulator goes to another place on the run, and the layout is named after it. */
export const moveRegulator = defineAct(
  'moveRegulator',
  { id, to: regulatorPlaceSchema },
  {
    apply: (job, act) => move(job, act.id, act.to),
    describe: (job, act) => `move ${partOrGone(job, act.id)} ${regulatorPlaces[act.to]}`,
  },
);
