import type { ChartData, ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import type { SweepReading } from '@endrel/core/job/gauge';
import type { ResistanceRange } from '@endrel/core/senders/resistor-network';
import { useTheme } from '../components/theme.tsx';
import { axis, chartInk } from './chart-look.ts';
import { ScatterChart, type ScatterChartInstance } from './ScatterChart.tsx';
import { bounded } from '../components/Boundary.tsx';
import { textPlacer } from './text-placer.ts';

interface SweepChartProps {
  readonly up: readonly SweepReading[];
  readonly down?: readonly SweepReading[];
  readonly expected?: ResistanceRange;
}

const straight = ({ empty, full }: ResistanceRange) =>
  Array.from({ length: 11 }, (_, i) => ({ x: 10 * i, y: empty + (i / 10) * (full - empty) }));

/** Ohms from stop to stop: upwards, downwards, and the straight line that is expected. Gaps are open circuits. */
export const SweepChart = bounded('The sweep chart', SweepChartDrawn);

function SweepChartDrawn({ up, down, expected }: SweepChartProps) {
  const theme = useTheme();
  const { data, options, annotate } = useMemo(() => {
    const ink = chartInk();
    const points = (list: readonly SweepReading[]) => list.map((r) => ({ x: r.share * 100, y: r.ohms?.si ?? NaN }));
    const line = (label: string, values: { x: number; y: number }[], colour: string, dash: number[]) => ({
      label,
      data: values,
      showLine: true,
      pointRadius: dash.length > 0 ? 0 : 3.5,
      borderColor: colour,
      backgroundColor: colour,
      borderDash: dash,
      borderWidth: 2,
    });
    const datasets = [
      line('upwards', points(up), ink.ink, []),
      ...(down ? [line('downwards', points(down), ink.back, [5, 3])] : []),
      ...(expected ? [line('expected', straight(expected), ink.supply, [9, 4])] : []),
    ];
    const data: ChartData<'scatter'> = { datasets };
    const options: ChartOptions<'scatter'> = {
      responsive: true,
      maintainAspectRatio: false,
      layout: { padding: { top: 10, right: 12 } },
      scales: {
        x: { min: 0, max: 100, ...axis('arm, bottom stop to top stop (%)', ink) },
        y: { ...axis('sender (Ω)', ink) },
      },
    };
    const open = up.filter((r) => !r.ohms);
    const annotate = ({ ctx, scales }: ScatterChartInstance) => {
      ctx.save();
      const write = textPlacer(ctx);
      ctx.font = "12px 'Archivo Variable', sans-serif";
      datasets.forEach(({ label, data: values, borderColor }, i) => {
        const known = values.filter((p) => !Number.isNaN(p.y));
        const at = known[Math.floor(known.length * (0.25 + 0.3 * i))];
        if (!at) return;
        ctx.fillStyle = borderColor;
        write(label, scales.x!.getPixelForValue(at.x) + 10, scales.y!.getPixelForValue(at.y) + 18);
      });
      ctx.fillStyle = ink.ink;
      for (const { share } of open) write('open', scales.x!.getPixelForValue(share * 100) - 12, scales.y!.bottom - 6);
      ctx.restore();
    };
    return { data, options, annotate };
  }, [up, down, expected?.empty, expected?.full, theme]); // eslint-disable-line react-hooks/exhaustive-deps -- the theme changes what chartInk reads
  return (
    <div className="h-72 w-full">
      <ScatterChart
        data={data}
        options={options}
        annotate={annotate}
        label={`Sender readings while sweeping, ${up.length} of them`}
      />
    </div>
  );
}
