import type { Rule, SnagReport } from '../snag.ts';
import { placedOf, quoted } from '../reading.ts';
import { figure } from '../../units/quantity.ts';

/** A controller’s sensor where the controller does not expect it, or on wiring that picks up the injectors. */
export const sensorMisplaced: Rule = {
  key: 'sensor-misplaced',
  check: ({ job, solution }) => {
    const [sensor] = placedOf(job, 'pressureSensor');
    const [controlled] = placedOf(job, 'pump').filter((p) => p.component.drive === 'pwm');
    if (!sensor || !controlled) return [];
    const { sensorExpected, sensorShielded } = controlled.component;
    const onRail = sensor.component.onRail === true;
    const reports: SnagReport[] = [];
    const base = { stage: 'run', source: 'computed; common practice' } as const;
    const full = solution?.points.fullLoad;
    const target = controlled.component.targetPressure?.si;
    if (sensorExpected !== undefined && onRail !== (sensorExpected === 'rail'))
      reports.push({
        ...base,
        grade: 'fix',
        component: sensor.component.id,
        path: ['run', sensor.line, sensor.index, 'onRail'],
        what: `${quoted(sensor.component)} is not where the controller expects it: ${onRail ? 'near the tank' : 'on the rail'}.`,
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
        act: { act: 'setOnComponent', id: sensor.component.id, key: 'onRail', value: sensorExpected === 'rail' },
        actLabel: sensorExpected === 'rail' ? 'Screw it into the rail' : 'Take it off the rail',
      });
    if (sensorShielded === false)
      reports.push({
        ...base,
        grade: 'note',
        component: controlled.component.id,
        path: ['run', controlled.line, controlled.index, 'sensorShielded'],
        what: 'The pressure sensor’s wiring is not shielded.',
        why: 'Pulses of the pump and the injectors reach the controller as pressure, and it hunts.',
        cure: 'Use shielded wire, earthed at the controller’s end only, away from the pump’s supply.',
      });
    return reports;
  },
};
