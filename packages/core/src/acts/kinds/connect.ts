import { portRefSchema } from '../../parts/port.ts';
import { defineAct } from '../define-act.ts';
import { editing } from '../graph-edit.ts';
import { portWord } from '../words.ts';

export const connect = defineAct(
  'connect',
  { a: portRefSchema, b: portRefSchema },
  {
    apply: (job, act) => editing(job, (edit) => void edit.connect(act.a, act.b)),
    describe: (job, act) => `join ${portWord(job, act.a.part, act.a.port)} to ${portWord(job, act.b.part, act.b.port)}`,
  },
);
