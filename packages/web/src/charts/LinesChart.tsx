import type { ChartData, ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import { useTheme } from '../components/theme.tsx';
import { axis, chartInk, curve } from './chart-look.ts';
import { ScatterChart, type ScatterChartInstance } from './ScatterChart.tsx';
import { textPlacer } from './text-placer.ts';

/** One line of a chart, in the units that are shown. */
export interface ChartLine {
  readonly name: string;
  readonly points: readonly { readonly x: number; readonly y: number }[];
  readonly ink: 'supply' | 'back' | 'ink';
  readonly dash?: readonly number[];
  /** Where along it its name is written, 0 to 1, and on which side. */
  readonly nameAt: number;
  readonly below?: boolean;
}
export interface ChartMark {
  readonly x: number;
  readonly text: string;
}

interface LinesChartProps {
  readonly lines: readonly ChartLine[];
  readonly x: { readonly title: string; readonly min?: number; readonly max?: number };
  readonly y: { readonly title: string; readonly fromZero?: boolean; readonly max?: number };
  /** Upright lines across it. */
  readonly marks?: readonly ChartMark[];
  /** What it shows, for those who do not see it. */
  readonly label: string;
}

/** A few named lines over one axis, with moments marked across them. Memoise what is given. */
export function LinesChart({ lines, x, y, marks = none, label }: LinesChartProps) {
  const theme = useTheme();
  const { data, options, annotate } = useMemo(() => {
    const ink = chartInk();
    const curves = lines.map((l) =>
      curve(
        l.name,
        l.points.map((p) => ({ ...p })),
        ink[l.ink],
        [...(l.dash ?? [])],
        l.ink === 'ink' ? 1.4 : 2.2,
      ),
    );
    const data: ChartData<'scatter'> = { datasets: curves };
    const options: ChartOptions<'scatter'> = {
      responsive: true,
      maintainAspectRatio: false,
      layout: { padding: { top: 8, right: 24 } },
      scales: {
        x: { min: x.min, max: x.max, ...axis(x.title, ink) },
        y: { ...(y.fromZero ? { suggestedMin: 0 } : {}), max: y.max, ...axis(y.title, ink) },
      },
    };
    const annotate = ({ ctx, scales, chartArea }: ScatterChartInstance) => {
      ctx.save();
      const write = textPlacer(ctx);
      ctx.font = "12px 'Archivo Variable', sans-serif";
      lines.forEach((l, i) => {
        const seen = l.points.filter((p) => Number.isFinite(p.y) && (y.max === undefined || p.y <= y.max));
        const at = seen[Math.floor((seen.length - 1) * l.nameAt)];
        if (!at) return;
        ctx.fillStyle = curves[i]!.borderColor;
        // on the side of the line where it does not run through its name
        const rises = seen.at(-1)!.y > seen[0]!.y;
        ctx.textAlign =
          rises === (l.below === true) || seen.at(-1)!.y === seen[0]!.y
            ? l.nameAt > 0.6
              ? 'right'
              : 'left'
            : rises
              ? 'right'
              : 'left';
        write(l.name, scales.x!.getPixelForValue(at.x) + 4, scales.y!.getPixelForValue(at.y) + (l.below ? 16 : -8));
      });
      marks.forEach(({ x: at, text }, i) => {
        const px = scales.x!.getPixelForValue(at);
        ctx.strokeStyle = ink.ink;
        ctx.setLineDash([2, 3]);
        ctx.beginPath();
        ctx.moveTo(px, chartArea.top);
        ctx.lineTo(px, chartArea.bottom);
        ctx.stroke();
        ctx.fillStyle = ink.ink;
        const left = px > (chartArea.left + chartArea.right) / 2;
        ctx.textAlign = left ? 'right' : 'left';
        write(text, px + (left ? -5 : 5), chartArea.top + 12 + 14 * i);
      });
      ctx.restore();
    };
    return { data, options, annotate };
  }, [lines, x.title, x.min, x.max, y.title, y.fromZero, y.max, marks, theme]); // eslint-disable-line react-hooks/exhaustive-deps -- the theme changes what chartInk reads
  return (
    <div className="h-56 w-full">
      <ScatterChart data={data} options={options} annotate={annotate} label={label} />
    </div>
  );
}

const none: readonly ChartMark[] = [];
