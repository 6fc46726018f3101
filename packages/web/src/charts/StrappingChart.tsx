import type { ChartData, ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import type { StrappingTable } from '@endrel/core/tanks/strapping-table';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { useTheme } from '../components/theme.tsx';
import { useDisplayUnits } from '../units/display-units.tsx';
import { axis, chartInk } from './chart-look.ts';
import { ScatterChart, type ScatterChartInstance } from './ScatterChart.tsx';
import { bounded } from '../components/Boundary.tsx';
import { textPlacer } from './text-placer.ts';

interface StrappingChartProps {
  readonly table: StrappingTable;
  /** Places on the curve: a name and its volume, m3. */
  readonly places: readonly { readonly name: string; readonly volume: number; readonly level: number }[];
  /** What was read after fills of known volume. */
  readonly readings?: readonly { readonly volume: number; readonly reading: number }[];
}

/** Litres against height, with labelled places and the fills that were measured. */
export const StrappingChart = bounded('The chart of the litres', StrappingChartDrawn);

function StrappingChartDrawn({ table, places, readings = [] }: StrappingChartProps) {
  const units = useDisplayUnits();
  const theme = useTheme();
  const volume = unitById(units.unitOf('volume') ?? 'L');
  const length = unitById(units.unitOf('length') ?? 'mm');
  const { data, options, annotate } = useMemo(() => {
    const ink = chartInk();
    const data: ChartData<'scatter'> = {
      datasets: [
        {
          label: 'volume against height',
          data: table.rows.map((r) => ({ x: fromSi(r.level, length), y: fromSi(r.volume, volume) })),
          showLine: true,
          pointRadius: table.rows.length < 30 ? 2.5 : 0,
          borderColor: ink.ink,
          backgroundColor: ink.ink,
          borderWidth: 2.4,
        },
        {
          label: 'fills',
          data: readings.map((r) => ({ x: fromSi(r.reading, length), y: fromSi(r.volume, volume) })),
          pointRadius: 4,
          pointStyle: 'crossRot',
          borderColor: ink.supply,
          borderWidth: 2,
        },
      ],
    };
    const options: ChartOptions<'scatter'> = {
      responsive: true,
      maintainAspectRatio: false,
      layout: { padding: { top: 10, right: 12 } },
      scales: {
        x: { ...axis(`height above the tank floor (${length.label})`, ink) },
        y: { min: 0, ...axis(`in the tank (${volume.label})`, ink) },
      },
    };
    const annotate = ({ ctx, scales }: ScatterChartInstance) => {
      ctx.save();
      const write = textPlacer(ctx);
      ctx.font = "12px 'Archivo Variable', sans-serif";
      for (const { name, level, volume: v } of places) {
        const [x, y] = [
          scales.x!.getPixelForValue(fromSi(level, length)),
          scales.y!.getPixelForValue(fromSi(v, volume)),
        ];
        ctx.fillStyle = ink.supply;
        ctx.beginPath();
        ctx.arc(x, y, 4, 0, 2 * Math.PI);
        ctx.fill();
        ctx.fillStyle = ink.ink;
        const right = x < (scales.x!.left + scales.x!.right) / 2;
        ctx.textAlign = right ? 'left' : 'right';
        write(name, x + (right ? 9 : -9), y + (right ? 14 : -6));
      }
      ctx.restore();
    };
    return { data, options, annotate };
  }, [table, places, readings, volume, length, theme]); // eslint-disable-line react-hooks/exhaustive-deps -- the theme changes what chartInk reads
  return (
    <div className="h-60 w-full">
      <ScatterChart data={data} options={options} annotate={annotate} label="Volume against height in the tank" />
    </div>
  );
}
