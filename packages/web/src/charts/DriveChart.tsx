import { useMemo } from 'react';
import type { Drive } from '@endrel/core/heat/drive';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { useDisplayUnits } from '../units/display-units.tsx';
import { LinesChart, type ChartLine } from './LinesChart.tsx';
import { bounded } from '../components/Boundary.tsx';

/** Over a drive: the tank's temperature above, the head in hand at the pump below, and where trouble begins. */
export const DriveChart = bounded('The chart of the drive', DriveChartDrawn);

function DriveChartDrawn({ drive, of }: { drive: Drive; of: 'temperature' | 'margin' }) {
  const units = useDisplayUnits();
  const isHeat = of === 'temperature';
  const unit = isHeat
    ? unitById(units.unitOf('temperature') ?? '°C')
    : unitById(units.system === 'imperial' ? 'ft' : 'm');
  const end = drive.steps.at(-1)!.time / 60;
  const lines = useMemo((): ChartLine[] => {
    const series = (value: (s: Drive['steps'][number]) => number | undefined) =>
      drive.steps.map((s) => ({ x: s.time / 60, y: value(s) === undefined ? NaN : fromSi(value(s)!, unit) }));
    if (!isHeat)
      return [
        { name: 'in hand at the pump', points: series((s) => s.margin), ink: 'supply', nameAt: 0.3 },
        {
          name: 'least',
          points: [0, end].map((x) => ({ x, y: fromSi(drive.leastMargin, unit) })),
          ink: 'ink',
          dash: [9, 4],
          nameAt: 0.1,
        },
      ];
    const tank: ChartLine = { name: 'tank', points: series((s) => s.tank), ink: 'supply', nameAt: 0.3, below: true };
    if (drive.steps[0]!.pot === undefined) return [tank];
    return [tank, { name: 'swirl pot', points: series((s) => s.pot), ink: 'back', dash: [8, 3], nameAt: 0.2 }];
  }, [drive, isHeat, unit, end]);
  const marks = useMemo(
    () => [
      ...(drive.trouble === undefined ? [] : [{ x: drive.trouble / 60, text: 'trouble begins' }]),
      ...(drive.boils === undefined ? [] : [{ x: drive.boils / 60, text: 'it boils: the drive ends' }]),
    ],
    [drive],
  );
  return (
    <LinesChart
      lines={lines}
      x={{ title: 'time on the road (min)', min: 0, max: end }}
      y={{
        title: isHeat ? `fuel temperature (${unit.label})` : `head before it boils (${unit.label} of fuel)`,
        fromZero: !isHeat,
      }}
      marks={marks}
      label={isHeat ? 'Fuel temperature over the drive' : 'Head in hand at the pump over the drive'}
    />
  );
}
