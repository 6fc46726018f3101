import { describePort } from '../../fittings/port.ts';
import { describeMateFault } from '../../run/joints.ts';
import { quotedId } from '../reading.ts';
import type { Rule } from '../snag.ts';

/** Two ports that meet but do not mate: 45° on 37°, a plain flare in an O-ring boss, and the other look-alikes. */
export const jointDoesNotSeal: Rule = {
  key: 'joint-does-not-seal',
  check: ({ job, joints }) =>
    joints.flatMap(({ id, from, to, outlet, inlet, verdict }) => {
      if (!outlet || !inlet || !verdict || verdict.ok) return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          part: to,
          which: id,
          path: ['parts', to, 'ports', job.joints[id]!.b.part === to ? job.joints[id]!.b.port : job.joints[id]!.a.port],
          what: `${quotedId(job, from)} and ${quotedId(job, to)} do not make a joint: ${describeMateFault(verdict.fault, outlet, inlet)}.`,
          why: 'A joint that screws together without its own seal leaks under pressure, often only once it is hot.',
          cure: `Put an adapter between ${describePort(outlet)} and ${describePort(inlet)}, or change one of them.`,
          source: 'SAE J514, SAE J512, SAE J1926-1, ASME B1.20.1, ISO 7-1',
        },
      ];
    }),
};
