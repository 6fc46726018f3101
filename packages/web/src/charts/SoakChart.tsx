import { useMemo } from 'react';
import type { HotSoak } from '@endrel/core/heat/hot-soak';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { useDisplayUnits } from '../units/display-units.tsx';
import { LinesChart, type ChartLine } from './LinesChart.tsx';
import { bounded } from '../components/Boundary.tsx';

const SHOWN = 90 * 60; // s

/** After stopping hot: pressure left in the rail, and the pressure below which its fuel boils. */
export const SoakChart = bounded('The chart of the soak', SoakChartDrawn);

function SoakChartDrawn({ soak }: { soak: HotSoak }) {
  const units = useDisplayUnits();
  const pressure = unitById(units.unitOf('pressure') ?? 'kPa');
  const lines = useMemo((): ChartLine[] => {
    const shown = soak.steps.filter((s) => s.time <= SHOWN);
    const series = (of: 'pressure' | 'boils') => shown.map((s) => ({ x: s.time / 60, y: fromSi(s[of], pressure) }));
    return [
      {
        name: soak.isHeld ? 'pressure held' : 'pressure, nothing holds it',
        points: series('pressure'),
        ink: 'supply',
        nameAt: 0.55,
      },
      { name: 'boils below', points: series('boils'), ink: 'back', dash: [8, 3], nameAt: 0.75, below: true },
    ];
  }, [soak, pressure]);
  const marks = useMemo(
    () => [
      ...(soak.flashes ? [{ x: soak.flashes.time / 60, text: 'first vapour' }] : []),
      ...(soak.flashes && soak.safeAgain !== undefined && soak.safeAgain <= SHOWN
        ? [{ x: soak.safeAgain / 60, text: 'none left' }]
        : []),
    ],
    [soak],
  );
  return (
    <LinesChart
      lines={lines}
      x={{ title: 'time after stopping (min)', min: 0, max: SHOWN / 60 }}
      y={{ title: `in the rail, absolute (${pressure.label})`, fromZero: true }}
      marks={marks}
      label="Pressure in the rail after stopping hot, and the pressure at which its fuel boils"
    />
  );
}
