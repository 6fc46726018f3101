import type { ChartData, ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import type { Fuel } from '@endrel/core/fluids/fuel';
import { vapourPressure } from '@endrel/core/fluids/vapour-pressure';
import { celsius } from '@endrel/core/units/quick';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { useTheme } from '../components/theme.tsx';
import { useDisplayUnits } from '../units/display-units.tsx';
import { axis, chartInk } from './chart-look.ts';
import { ScatterChart, type ScatterChartInstance } from './ScatterChart.tsx';
import { bounded } from '../components/Boundary.tsx';
import { textPlacer } from './text-placer.ts';

interface VapourChartProps {
  readonly fuel: Fuel;
  readonly reid: number;
  readonly atmosphere: number;
  /** Temperatures of the job to mark, K. */
  readonly marks: readonly { readonly name: string; readonly temperature: number }[];
}

const [COLDEST, HOTTEST] = [celsius(-10), celsius(100)];

/** Vapour pressure against temperature, the atmosphere across it, and the job's own temperatures on it. */
export const VapourChart = bounded('The vapour chart', VapourChartDrawn);

function VapourChartDrawn({ fuel, reid, atmosphere, marks }: VapourChartProps) {
  const units = useDisplayUnits();
  const theme = useTheme();
  const pressure = unitById(units.unitOf('pressure') ?? 'kPa');
  const temperature = unitById(units.unitOf('temperature') ?? '°C');
  const { data, options, annotate } = useMemo(() => {
    const ink = chartInk();
    const at = (t: number) => ({ x: fromSi(t, temperature), y: fromSi(vapourPressure(fuel, reid, t), pressure) });
    const curve = Array.from({ length: 56 }, (_, i) => at(COLDEST + (i / 55) * (HOTTEST - COLDEST)));
    const level = fromSi(atmosphere, pressure);
    const data: ChartData<'scatter'> = {
      datasets: [
        {
          label: 'vapour pressure',
          data: curve,
          showLine: true,
          pointRadius: 0,
          borderColor: ink.supply,
          borderWidth: 2.2,
        },
        {
          label: 'atmosphere',
          data: [
            { x: curve[0]!.x, y: level },
            { x: curve.at(-1)!.x, y: level },
          ],
          showLine: true,
          pointRadius: 0,
          borderColor: ink.ink,
          borderDash: [9, 4],
          borderWidth: 1.4,
        },
        {
          label: 'in this job',
          data: marks.map((m) => at(m.temperature)),
          pointRadius: 4.5,
          borderColor: ink.ink,
          backgroundColor: ink.sheet,
          borderWidth: 1.6,
        },
      ],
    };
    const options: ChartOptions<'scatter'> = {
      responsive: true,
      maintainAspectRatio: false,
      layout: { padding: { top: 8, right: 14 } },
      scales: {
        x: { min: curve[0]!.x, max: curve.at(-1)!.x, ...axis(`fuel temperature (${temperature.label})`, ink) },
        y: { beginAtZero: true, ...axis(`vapour pressure, absolute (${pressure.label})`, ink) },
      },
    };
    const annotate = ({ ctx, scales }: ScatterChartInstance) => {
      ctx.save();
      const write = textPlacer(ctx);
      ctx.font = "12px 'Archivo Variable', sans-serif";
      ctx.fillStyle = ink.ink;
      write('atmosphere', scales.x!.left + 8, scales.y!.getPixelForValue(level) - 6);
      ctx.textAlign = 'right';
      for (const mark of marks) {
        const { x, y } = at(mark.temperature);
        const [px, py] = [scales.x!.getPixelForValue(x) - 9, scales.y!.getPixelForValue(y) - 4];
        ctx.strokeStyle = ink.sheet;
        ctx.lineWidth = 4;
        ctx.strokeText(mark.name, px, py);
        write(mark.name, px, py);
      }
      ctx.restore();
    };
    return { data, options, annotate };
  }, [fuel, reid, atmosphere, marks, pressure, temperature, theme]); // eslint-disable-line react-hooks/exhaustive-deps -- the theme changes what chartInk reads
  return (
    <div className="h-64 w-full">
      <ScatterChart
        data={data}
        options={options}
        annotate={annotate}
        label="Vapour pressure of the fuel against temperature"
      />
    </div>
  );
}
