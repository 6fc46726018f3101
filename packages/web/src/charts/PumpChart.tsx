import type { ChartData, ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import { resultAt, resultsOf, type RunSolution } from '@endrel/core/run/solve-run';
import { pumpCurveAt } from '@endrel/core/hydraulics/pump-curve';
import type { PartOf } from '@endrel/core/parts/kinds';
import type { Job } from '@endrel/core/job/job';
import { useSystemCurve } from '../calc/use-system-curve.ts';
import { pumpRows } from '@endrel/core/pumps/pump-rows';
import { formatQuantity } from '@endrel/core/units/format-quantity';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { useTheme } from '../components/theme.tsx';
import { useDisplayUnits } from '../units/display-units.tsx';
import { roundUp } from '../units/round-up.ts';
import { axis, chartInk, curve as curveOf } from './chart-look.ts';
import { ScatterChart, type ScatterChartInstance } from './ScatterChart.tsx';
import { evenly } from '@endrel/core/numerics/evenly';
import { bounded } from '../components/Boundary.tsx';
import { textPlacer } from './text-placer.ts';

const STEPS = 48;

/** The pump's curve at each voltage that it is run at, its table, and where it works at each operating point. */
export const PumpChart = bounded('The pump chart', PumpChartDrawn);

function PumpChartDrawn({
  job,
  pump,
  solution,
  point,
}: {
  job: Job;
  pump: PartOf<'pump'>;
  solution: RunSolution;
  point: string;
}) {
  const units = useDisplayUnits();
  const theme = useTheme();
  const pressure = unitById(units.unitOf('pressure') ?? 'kPa');
  const flow = unitById(units.unitOf('volumeFlow') ?? 'L/h');
  const asked = useSystemCurve(job, pump.id, resultAt(solution, point).point);
  const { data, options, annotate } = useMemo(() => {
    const ink = chartInk();
    const tables = pumpRows(pump);
    // to a tenth of a volt: the wiring gives each point its own; the two ends are drawn
    const given = resultsOf(solution).map(({ parts, point: conditions }) => {
      return Math.round((parts.find((c) => c.id === pump.id)?.voltage ?? conditions.voltage) * 10) / 10;
    });
    const voltages = [...new Set([Math.max(...given), Math.min(...given)])];
    const at = (q: number, p: number) => ({ x: fromSi(q, flow), y: fromSi(p, pressure) });
    const curves = voltages.flatMap((voltage, i) => {
      const curve = pumpCurveAt(tables, voltage, pump.works);
      if (!curve.ok) return [];
      const points = evenly(0, curve.value.tableFlow * 1.02, STEPS)
        .map((q) => at(q, curve.value.rise.value(q)))
        .filter((p) => p.y >= 0);
      // at a voltage outside the tables the whole curve is a guess: dotted
      const dash = curve.value.extrapolated ? [2, 4] : i === 0 ? [] : [7, 4];
      const name = formatQuantity('voltage', voltage);
      return [curveOf(curve.value.extrapolated ? `${name}, extrapolated` : name, points, ink.supply, dash)];
    });
    // beyond the last row of a table nobody measured anything: drawn as far as no pressure, dotted
    const beyond = voltages.flatMap((voltage) => {
      const curve = pumpCurveAt(tables, voltage, pump.works);
      if (!curve.ok) return [];
      const { tableFlow, rise } = curve.value;
      const points = evenly(tableFlow, tableFlow * 1.3, STEPS).map((q) => at(q, rise.value(q)));
      const shown = points.filter((p) => p.y >= 0);
      return shown.length > 1 ? [curveOf('beyond its table', shown, ink.supply, [2, 4], 1.4)] : [];
    });
    const system = asked.map(({ flow: q, rise }) => at(q, rise));
    const working = resultsOf(solution).map(({ point: { key }, parts }) => {
      const c = parts.find((f) => f.id === pump.id)!;
      return { key, ...at(c.flow, c.outletPressure - c.inletPressure) };
    });
    // the run's own curve may shoot far above what the pump can do
    const highest =
      1.12 *
      Math.max(
        ...[...curves, ...tables.map((t) => ({ data: t.rows.map((r) => at(r.flow, r.pressure)) }))].flatMap((c) =>
          c.data.map((p) => p.y),
        ),
      );
    const data: ChartData<'scatter'> = {
      datasets: [
        ...curves,
        ...beyond,
        ...(system.length > 1 ? [curveOf('system', system, ink.back, [9, 3], 1.8)] : []),
        ...tables.map((t) => ({
          label: `table at ${formatQuantity('voltage', t.voltage)}`,
          data: t.rows.map((r) => at(r.flow, r.pressure)),
          pointRadius: 3.5,
          pointStyle: 'crossRot' as const,
          borderColor: ink.soft,
          borderWidth: 1.4,
        })),
        {
          label: 'operating points',
          data: working,
          pointRadius: working.map((w) => (w.key === point ? 6 : 4)),
          backgroundColor: working.map((w) => (w.key === point ? ink.ink : ink.sheet)),
          borderColor: ink.ink,
          borderWidth: 1.6,
        },
      ],
    };
    const options: ChartOptions<'scatter'> = {
      responsive: true,
      maintainAspectRatio: false,
      layout: { padding: { top: 10, right: 40 } },
      scales: {
        x: { min: 0, ...axis(`flow (${flow.label})`, ink) },
        y: { min: 0, max: roundUp(highest), ...axis(`pressure rise (${pressure.label})`, ink) },
      },
      plugins: {
        tooltip: {
          callbacks: {
            label: (item) =>
              `${item.dataset.label}: ${item.parsed.x!.toFixed(0)} ${flow.label} at ${item.parsed.y!.toFixed(0)} ${pressure.label}`,
          },
        },
      },
    };
    const annotate = ({ ctx, scales }: ScatterChartInstance) => {
      ctx.save();
      const drawn = [...curves.map((c) => c.data), system].map((line) =>
        line.map(({ x, y }) => [scales.x!.getPixelForValue(x), scales.y!.getPixelForValue(y)] as const),
      );
      const write = textPlacer(ctx, drawn);
      ctx.font = "12px 'Archivo Variable', sans-serif";
      ctx.fillStyle = ink.supply;
      curves.forEach((curve, i) => {
        // beside the foot of each curve, the weaker one's name inside
        const foot = curve.data[Math.floor(curve.data.length * 0.93)]!;
        ctx.textAlign = i === 0 ? 'left' : 'right';
        write(
          curve.label,
          scales.x!.getPixelForValue(foot.x) + (i === 0 ? 8 : -8),
          scales.y!.getPixelForValue(foot.y) + 2,
        );
      });
      ctx.textAlign = 'left';
      const chosen = working.find((w) => w.key === point) ?? working[0]!;
      ctx.fillStyle = ink.ink;
      write(
        resultAt(solution, point).point.name,
        scales.x!.getPixelForValue(chosen.x) + 9,
        scales.y!.getPixelForValue(chosen.y) - 7,
      );
      if (system.length > 1) {
        const end = system[0]!;
        ctx.fillStyle = ink.back;
        write('what the run asks', scales.x!.getPixelForValue(end.x) + 6, scales.y!.getPixelForValue(end.y) - 6);
      }
      ctx.restore();
    };
    return { data, options, annotate };
  }, [pump, solution, point, asked, pressure, flow, theme]); // eslint-disable-line react-hooks/exhaustive-deps -- the theme changes what chartInk reads
  return (
    <figure>
      <div className="relative h-64 w-full">
        <ScatterChart
          data={data}
          options={options}
          annotate={annotate}
          label={`Pump curve with its operating points, ${resultAt(solution, point).point.name} filled`}
        />
      </div>
    </figure>
  );
}
