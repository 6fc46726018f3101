import { describeRunFault } from '../../run/run-fault.ts';
import { HIDES } from './run-does-not-solve.ts';
import { partsOfKind } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';
import { freshId } from '../../acts/fresh-id.ts';
import { freePort } from '../../parts/graph.ts';

/** An electronic returnless run without the pressure sensor that its controller works by. */
export const sensorMissing: Rule = {
  key: 'sensor-missing',
  check: ({ job, faults }) =>
    faults.flatMap((fault) => {
      if (fault.code !== 'noSensor') return [];
      const sensor = { kind: 'pressureSensor', id: freshId(job, 'pressureSensor') } as const;
      const rail = partsOfKind(job, 'rail')[0];
      return [
        {
          grade: 'stop',
          stage: 'run',
          part: fault.part,
          what: describeRunFault(fault, job),
          why: 'A blind controller runs the pump at full or at nothing: the rail bursts a hose or the engine stops.',
          cure: 'Put a fuel pressure sensor where the controller expects it, on the rail or near the tank, with shielded wiring.',
          ...(rail
            ? {
                act: {
                  act: 'attachPart',
                  to: { part: rail.id, port: freePort(job, rail, 'side') },
                  part: sensor,
                  port: 'port',
                } as const,
                actLabel: 'Put a sensor on the rail',
              }
            : {}),
          source: 'common practice',
          hides: HIDES,
        },
      ];
    }),
};
