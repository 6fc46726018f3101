import { z } from 'zod';
import { layouts, type LayoutKey } from '../../job/layout.ts';
import { defineAct } from '../define-act.ts';
import { layOut } from '../lay-out.ts';

export const chooseLayout = defineAct(
  'chooseLayout',
  { key: z.enum(Object.keys(layouts) as [LayoutKey, ...LayoutKey[]]) },
  {
    apply: (job, act) => layOut(job, act.key),
    describe: (_job, act) => `choose layout: ${layouts[act.key].name}`,
  },
);
