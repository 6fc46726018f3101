import { sensorOffset } from '../../parts/pressure-sensor/pressure-sensor.ts';
import { settledValue } from '../../parts/value.ts';
import { resultsOf } from '../../run/solve-run.ts';
import { figure } from '../../units/quantity.ts';
import { circuits, partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

const MOST_OFFSET = 0.15; // V at no pressure, of a 0.5 to 4.5 V sensor: 3 % of 100 psi and more is no drift; common practice
const LEAST_ALARM = 0.6; // of the wanted pressure: below that an alarm comes when the engine is lean already; common practice

/** A sensor that the run presses past its range, or that reads far from nothing at no pressure. */
export const sensorRange: Rule = {
  key: 'sensor-range',
  check: ({ job, solution }) =>
    partsOfKind(job, 'pressureSensor').flatMap((part): SnagReport[] => {
      const reports: SnagReport[] = [];
      const base = { stage: 'run', part: part.id, source: 'common practice' } as const;
      const host = circuits(job).into(part.id)[0]?.from;
      const most =
        solution && host !== undefined
          ? Math.max(...resultsOf(solution).map((r) => r.parts.find((p) => p.id === host)?.inletPressure ?? 0))
          : 0;
      const full = settledValue(part, 'fullPressure');
      if (most > full)
        reports.push({
          ...base,
          grade: 'fix',
          path: ['parts', part.id, 'fullPressure'],
          what: `${quoted(part)} is pressed past its range.`,
          figure: { label: 'highest pressure there', ...figure('pressure', most) },
          limit: { label: 'it reads up to', ...figure('pressure', full) },
          why: 'Its signal stands still at the top: the control sees a steady pressure while it climbs.',
          cure: 'Fit one with a wider range.',
        });
      const offset = sensorOffset(part);
      if (Math.abs(offset) > MOST_OFFSET)
        reports.push({
          ...base,
          grade: 'fix',
          which: 'offset',
          path: ['parts', part.id, 'zeroRead'],
          what: `${quoted(part)} reads far from nothing at no pressure.`,
          figure: { label: 'off by', ...figure('voltage', Math.abs(offset)) },
          limit: { label: 'at most', ...figure('voltage', MOST_OFFSET) },
          why: 'So much is no calibration: a bad earth, a wrong supply, or a sensor of another range.',
          cure: 'Measure supply and earth at its plug; if they are right, change it.',
        });
      return reports;
    }),
};

/** An alarm that cries wolf, or that sleeps until the engine is lean. */
export const sensorAlarm: Rule = {
  key: 'sensor-alarm',
  check: ({ job, solution }) =>
    partsOfKind(job, 'pressureSensor').flatMap((part): SnagReport[] => {
      const host = circuits(job).into(part.id)[0]?.from;
      if (!part.alarm || !solution || host === undefined) return [];
      const burning = resultsOf(solution).filter((r) => r.point.demand > 0);
      const least = Math.min(...burning.map((r) => r.parts.find((p) => p.id === host)?.inletPressure ?? Infinity));
      if (!Number.isFinite(least)) return [];
      const base = {
        grade: 'fix',
        stage: 'run',
        part: part.id,
        path: ['parts', part.id, 'alarm'],
        source: 'computed; common practice',
      } as const;
      if (part.alarm.si >= least)
        return [
          {
            ...base,
            what: `The alarm of ${quoted(part)} goes off in plain running.`,
            figure: { label: 'alarm', ...figure('pressure', part.alarm.si) },
            limit: { label: 'least pressure in running', ...figure('pressure', least) },
            why: 'An alarm that cries wolf is unplugged, and then nobody hears the wolf.',
            cure: 'Set it below the least pressure of running, by a tenth or so.',
          },
        ];
      if (part.alarm.si < LEAST_ALARM * least)
        return [
          {
            ...base,
            which: 'sleeps',
            what: `The alarm of ${quoted(part)} comes too late.`,
            figure: { label: 'alarm', ...figure('pressure', part.alarm.si) },
            limit: { label: '60 % of the least in running', ...figure('pressure', LEAST_ALARM * least) },
            why: 'The engine is lean under load long before the pressure has fallen so far.',
            cure: 'Set it a tenth or so below the least pressure of running.',
          },
        ];
      return [];
    }),
};
