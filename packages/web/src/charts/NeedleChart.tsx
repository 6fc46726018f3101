import type { ChartData, ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import type { GaugeFindings } from '@endrel/core/gauge/gauge-findings';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { useTheme } from '../components/theme.tsx';
import { useDisplayUnits } from '../units/display-units.tsx';
import { axis, chartInk, curve } from './chart-look.ts';
import { ScatterChart, type ScatterChartInstance } from './ScatterChart.tsx';
import { bounded } from '../components/Boundary.tsx';
import { textPlacer } from './text-placer.ts';

/** Needle against what is left in the tank, before and after the resistors, with the straight line it ought to be. */
export const NeedleChart = bounded('The needle chart', NeedleChartDrawn);

function NeedleChartDrawn({ findings }: { findings: GaugeFindings }) {
  const units = useDisplayUnits();
  const theme = useTheme();
  const volume = unitById(units.unitOf('volume') ?? 'L');
  const { data, options, annotate } = useMemo(() => {
    const ink = chartInk();
    const litres = (v: number) => fromSi(v, volume);
    const through = findings.needle.some((p) => p.matched !== undefined);
    const curves = [
      ...(through
        ? [
            curve(
              'through resistors',
              findings.needle.map((p) => ({ x: litres(p.volume), y: p.matched! })),
              ink.ink,
              [],
              2.6,
            ),
          ]
        : []),
      curve(
        'sender straight to gauge',
        findings.needle.map((p) => ({ x: litres(p.volume), y: p.direct ?? NaN })),
        through ? ink.soft : ink.ink,
        through ? [3, 3] : [],
        through ? 1.6 : 2.6,
      ),
      curve(
        'true in litres',
        findings.marks.map((m) => ({ x: litres(m.ideal), y: m.needle })),
        ink.supply,
        [9, 4],
        1.6,
      ),
    ];
    const data: ChartData<'scatter'> = { datasets: curves };
    const marks = ['E', '¼', '½', '¾', 'F'];
    const options: ChartOptions<'scatter'> = {
      responsive: true,
      maintainAspectRatio: false,
      layout: { padding: { top: 8, right: 14 } },
      scales: {
        x: { min: 0, ...axis(`in the tank (${volume.label})`, ink) },
        y: {
          min: -0.1,
          max: 1.1,
          title: { display: true, text: 'needle', color: ink.soft },
          grid: { color: ink.hair },
          ticks: {
            color: ink.soft,
            stepSize: 0.05,
            callback: (value) =>
              Math.abs((Number(value) * 4) % 1) < 1e-6 ? marks[Math.round(Number(value) * 4)] : undefined,
          },
        },
      },
    };
    const annotate = ({ ctx, scales }: ScatterChartInstance) => {
      ctx.save();
      const write = textPlacer(ctx);
      ctx.font = "12px 'Archivo Variable', sans-serif";
      curves.forEach((curve, i) => {
        const visible = curve.data.filter((p) => p.y >= -0.1 && p.y <= 1.1);
        const place = visible[Math.floor(visible.length * (0.3 + 0.22 * i))];
        if (!place) return;
        ctx.fillStyle = curve.borderColor;
        write(curve.label, scales.x!.getPixelForValue(place.x) + 10, scales.y!.getPixelForValue(place.y) + 14);
      });
      ctx.restore();
    };
    return { data, options, annotate };
  }, [findings, volume, theme]); // eslint-disable-line react-hooks/exhaustive-deps -- the theme changes what chartInk reads
  return (
    <div className="h-72 w-full">
      <ScatterChart
        data={data}
        options={options}
        annotate={annotate}
        label="Needle against fuel in the tank, with and without resistors"
      />
    </div>
  );
}
