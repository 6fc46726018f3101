import type { Rule } from '../snag.ts';
import { describeRunFault } from '../../run/run-fault.ts';
import { freshId } from '../../job/acts/fresh-id.ts';

/** An electronic returnless run without the pressure sensor that its controller works by. */
export const sensorMissing: Rule = {
  key: 'sensor-missing',
  check: ({ job, faults }) =>
    faults.flatMap((fault) => {
      if (fault.code !== 'noSensor') return [];
      const pump = job.run.supply.find((c) => c.id === fault.component);
      const nearTank = pump?.kind === 'pump' && pump.sensorExpected === 'tank';
      const at = nearTank ? job.run.supply.indexOf(pump) + 1 : job.run.supply.findIndex((c) => c.kind === 'rail');
      return [
        {
          grade: 'stop',
          stage: 'run',
          component: fault.component,
          what: describeRunFault(fault, job),
          why: 'A blind controller runs the pump at full or at nothing: the rail bursts a hose or the engine stops.',
          cure: 'Put a fuel pressure sensor where the controller expects it, on the rail or near the tank, with shielded wiring.',
          ...(at < 0
            ? {}
            : {
                act: {
                  act: 'insertComponent',
                  line: 'supply',
                  index: at,
                  component: { kind: 'pressureSensor', id: freshId(job, 'pressureSensor'), onRail: !nearTank },
                } as const,
                actLabel: nearTank ? 'Put a sensor behind the pump' : 'Put a sensor on the rail',
              }),
          source: 'common practice',
        },
      ];
    }),
};
