import type { ChartData, ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import type { Drive } from '@endrel/core/heat/drive';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { useTheme } from '../components/theme.tsx';
import { useDisplayUnits } from '../units/display-units.tsx';
import { axis, chartInk, curve } from './chart-look.ts';
import { ScatterChart, type ScatterChartInstance } from './ScatterChart.tsx';

/** Over a drive: the tank's temperature above, the head in hand at the pump below, and where trouble begins. */
export function DriveChart({ drive, of }: { drive: Drive; of: 'temperature' | 'margin' }) {
  const units = useDisplayUnits();
  const theme = useTheme();
  const unit =
    of === 'temperature'
      ? unitById(units.unitOf('temperature') ?? '°C')
      : unitById(units.system === 'imperial' ? 'ft' : 'm');
  const { data, options, annotate } = useMemo(() => {
    const ink = chartInk();
    const minutes = (s: number) => s / 60;
    const series = (value: (s: Drive['steps'][number]) => number | undefined) =>
      drive.steps.map((s) => ({ x: minutes(s.time), y: value(s) === undefined ? NaN : fromSi(value(s)!, unit) }));
    const end = minutes(drive.steps.at(-1)!.time);
    const lines =
      of === 'temperature'
        ? [
            curve(
              'tank',
              series((s) => s.tank),
              ink.supply,
              [],
            ),
            ...(drive.steps[0]!.pot === undefined
              ? []
              : [
                  curve(
                    'swirl pot',
                    series((s) => s.pot),
                    ink.back,
                    [8, 3],
                  ),
                ]),
          ]
        : [
            curve(
              'in hand at the pump',
              series((s) => s.margin),
              ink.supply,
              [],
            ),
            curve(
              'least',
              [0, end].map((x) => ({ x, y: fromSi(drive.leastMargin, unit) })),
              ink.ink,
              [9, 4],
              1.4,
            ),
          ];
    const data: ChartData<'scatter'> = { datasets: lines };
    const title =
      of === 'temperature' ? `fuel temperature (${unit.label})` : `head before it boils (${unit.label} of fuel)`;
    const options: ChartOptions<'scatter'> = {
      responsive: true,
      maintainAspectRatio: false,
      layout: { padding: { top: 8, right: 24 } },
      scales: {
        x: { min: 0, max: end, ...axis('time on the road (min)', ink) },
        y: { ...(of === 'margin' ? { suggestedMin: 0 } : {}), ...axis(title, ink) },
      },
    };
    const annotate = ({ ctx, scales, chartArea }: ScatterChartInstance) => {
      ctx.save();
      ctx.font = "12px 'Archivo Variable', sans-serif";
      lines.forEach((l, i) => {
        // the first line's name under it, the second's above, where they do not meet
        const at = l.data[Math.floor((l.data.length - 1) * (i === 0 ? 0.3 : of === 'temperature' ? 0.22 : 0.1))]!;
        ctx.fillStyle = l.borderColor;
        const below = of === 'temperature' && i === 0;
        ctx.textAlign = of === 'temperature' && i === 1 ? 'right' : 'left';
        ctx.fillText(
          l.label,
          scales.x!.getPixelForValue(at.x) + 4,
          scales.y!.getPixelForValue(at.y) + (below ? 16 : -8),
        );
      });
      ctx.textAlign = 'left';
      if (drive.trouble !== undefined) {
        const x = scales.x!.getPixelForValue(minutes(drive.trouble));
        ctx.strokeStyle = ink.ink;
        ctx.setLineDash([2, 3]);
        ctx.beginPath();
        ctx.moveTo(x, chartArea.top);
        ctx.lineTo(x, chartArea.bottom);
        ctx.stroke();
        ctx.fillStyle = ink.ink;
        const left = x > (chartArea.left + chartArea.right) / 2;
        ctx.textAlign = left ? 'right' : 'left';
        ctx.fillText('trouble begins', x + (left ? -5 : 5), chartArea.top + 12);
      }
      ctx.restore();
    };
    return { data, options, annotate };
  }, [drive, of, unit, theme]); // eslint-disable-line react-hooks/exhaustive-deps -- the theme changes what chartInk reads
  return (
    <div className="h-56 w-full">
      <ScatterChart
        data={data}
        options={options}
        annotate={annotate}
        label={of === 'temperature' ? 'Fuel temperature over the drive' : 'Head in hand at the pump over the drive'}
      />
    </div>
  );
}
