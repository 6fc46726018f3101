import { isConsumer } from '../../parts/kinds.ts';
import { figure } from '../../units/quantity.ts';
import { circuits, partsOfKind, quoted } from '../../reckoning/reading.ts';
import { spansOf } from '../../run/spans.ts';
import type { Rule, SnagReport } from '../snag.ts';
import { freePort } from '../../parts/graph.ts';
import type { Job } from '../../job/job.ts';

/** A controller’s sensor where the controller does not expect it. */
export const sensorMisplaced: Rule = {
  key: 'sensor-misplaced',
  check: ({ job, solution }) => {
    const [sensor] = partsOfKind(job, 'pressureSensor');
    const [controlled] = partsOfKind(job, 'pump').filter((p) => p.drive === 'pwm');
    if (!sensor || !controlled) return [];
    const { sensorExpected } = controlled;
    const host = circuits(job).into(sensor.id)[0]?.from;
    const onRail = host !== undefined && isAtEngine(job, host);
    const reports: SnagReport[] = [];
    const base = { stage: 'run', source: 'computed; common practice' } as const;
    const full = solution?.points.fullLoad;
    const target = controlled.targetPressure?.si;
    if (sensorExpected !== undefined && onRail !== (sensorExpected === 'rail'))
      reports.push({
        ...base,
        grade: 'fix',
        part: sensor.id,
        what: `${quoted(sensor)} is not where the controller expects it: ${onRail ? 'near the tank' : 'on the rail'}.`,
        ...(full && target !== undefined
          ? {
              figure: { label: 'rail at full load', ...figure('pressure', full.railPressure) },
              limit: { label: 'controller holds', ...figure('pressure', target) },
            }
          : {}),
        why: onRail
          ? 'The controller adds what it thinks the line loses to a pressure that is already the rail’s.'
          : 'What the line loses between the sensor and the rail is missing at the injectors.',
        cure: 'Fit it where the controller’s data sheet says, or set the controller for where it is.',
        ...(sensorExpected === 'rail' ? ontoRail(job, sensor.id) : {}),
      });
    return reports;
  },
};

/**
 * Whether a place on the run is by the engine as far as a controller goes: on the rail, or with more of the line behind it than
 * before it.
 */
function isAtEngine(job: Job, host: string): boolean {
  const part = job.parts[host];
  if (part && isConsumer(part)) return true;
  const run = circuits(job);
  const spans = new Map(spansOf(run).map((s) => [s.part, s]));
  const engine = Math.min(...run.consumers.map((id) => spans.get(id)!.start));
  const at = spans.get(host);
  return at !== undefined && at.start + at.length > engine / 2;
}

/** The sensor's joint moves to a side port of the rail; the port that it leaves must then be closed. */
function ontoRail(job: Job, id: string): Pick<SnagReport, 'act' | 'actLabel'> {
  const [rail] = partsOfKind(job, 'rail');
  const joint = circuits(job).into(id)[0]?.joint;
  if (!rail || !joint) return {};
  const to = { part: rail.id, port: freePort(job, rail, 'side') };
  return {
    act: { act: 'moveEnd', joint, part: circuits(job).into(id)[0]!.from, to },
    actLabel: 'Screw it into the rail',
  };
}
