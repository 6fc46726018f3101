import type { Rule } from '../snag.ts';
import { componentName } from '../../job/component.ts';
import { allComponents } from '../../job/needs.ts';
import { describePort } from '../../fittings/port.ts';
import { describeMateFault } from '../../run/joints.ts';

/** Two ports that meet but do not mate: 45° on 37°, a plain flare in an O-ring boss, and the other look-alikes. */
export const jointDoesNotSeal: Rule = {
  key: 'joint-does-not-seal',
  check: ({ job, joints }) =>
    joints.flatMap((joint) => {
      if (!joint.outlet || !joint.inlet || !joint.verdict || joint.verdict.ok) return [];
      const name = (id: string) => `“${componentName(allComponents(job).find((c) => c.id === id)!)}”`;
      return [
        {
          grade: 'stop',
          stage: 'run',
          component: joint.to,
          what: `${name(joint.from)} and ${name(joint.to)} do not make a joint: ${describeMateFault(joint.verdict.fault, joint.outlet, joint.inlet)}.`,
          why: 'A joint that screws together without its own seal leaks under pressure, often only once it is hot.',
          cure: `Put an adapter between ${describePort(joint.outlet)} and ${describePort(joint.inlet)}, or change one of them.`,
          source: 'SAE J514, SAE J512, SAE J1926-1, ASME B1.20.1, ISO 7-1',
        },
      ];
    }),
};
