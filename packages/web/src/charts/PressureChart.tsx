import type { ChartData, ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import { resultsOf, type RunSolution } from '@endrel/core/run/solve-run';
import { partName } from '@endrel/core/parts/kinds';
import type { Job } from '@endrel/core/job/job';
import { circuitsOf } from '@endrel/core/run/circuits';
import { pointName, shortPointName } from '@endrel/core/run/operating-point';
import { pressureProfile, type ProfilePoint } from '@endrel/core/run/profile';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { useDisplayUnits } from '../units/display-units.tsx';
import { wrapName } from '../drawing/wrap-name.ts';
import { useTheme } from '../components/theme.tsx';
import { axis, chartInk } from './chart-look.ts';
import { ScatterChart, type ScatterChartInstance } from './ScatterChart.tsx';
import { bounded } from '../components/Boundary.tsx';

interface PressureChartProps {
  readonly job: Job;
  readonly solution: RunSolution;
  readonly point: string;
}

/** One line pattern per point, so that they differ in grey too; the fitter's own start again from the first. */
const dashes = [[1, 4], [2, 3], [8, 3], [], [12, 3, 2, 3], [4, 5], [6, 2, 1, 2, 1, 2]];
const dashOf = (index: number): number[] => dashes[index % dashes.length]!;

/** Parts that the profile is read by. */
const isNamed = (job: Job, id: string): boolean =>
  ['pump', 'filter', 'rail', 'regulator', 'carburettor', 'hardLine', 'hose'].includes(job.parts[id]!.kind);

const LETTERS = 24; // in one line of a name
const SLANT = Math.PI / 4.2;
const PER_LETTER = 6.3; // px at 12 px

/** Room over the chart for the longest name that stands there slanted, px. */
function roomFor(job: Job, { spans }: RunSolution): number {
  const lengths = spans.flatMap(({ part }) =>
    isNamed(job, part) ? wrapName(partName(job.parts[part]!), LETTERS).map((line) => line.length) : [],
  );
  return 18 + Math.max(8, ...lengths) * PER_LETTER * Math.sin(SLANT);
}

/** Pressure along the run for every operating point; the chosen one is drawn strong, places are named along the top. */
export const PressureChart = bounded('The pressure chart', PressureChartDrawn);

function PressureChartDrawn({ job, solution, point }: PressureChartProps) {
  const units = useDisplayUnits();
  const theme = useTheme();
  const pressureUnit = unitById(units.unitOf('pressure') ?? 'kPa');
  const { data, options, annotate } = useMemo(() => {
    const ink = chartInk();
    const length = (m: number) => (units.system === 'imperial' ? m / 0.3048 : m);
    const profiles = resultsOf(solution).map((result, i) => ({
      key: result.point.key,
      short: shortPointName(job, result.point.key),
      dash: dashOf(i),
      profile: pressureProfile(solution.spans, result),
    }));
    const data: ChartData<'scatter'> = {
      datasets: profiles.map(({ key, dash, profile }) => ({
        label: pointName(job, key),
        data: withGap(job, profile).map((p) =>
          p ? { x: length(p.distance), y: fromSi(p.pressure, pressureUnit) } : { x: NaN, y: NaN },
        ),
        showLine: true,
        pointRadius: key === point ? 2.4 : 0,
        pointBackgroundColor: ink.ink,
        borderColor: key === point ? ink.ink : ink.soft,
        borderWidth: key === point ? 2.4 : 1.2,
        borderDash: dash,
        order: key === point ? 0 : 1,
      })),
    };
    const names = new Map(Object.values(job.parts).map((p) => [p.id, partName(p)]));
    const chosen = profiles.find((p) => p.key === point)?.profile ?? [];
    const options: ChartOptions<'scatter'> = {
      responsive: true,
      maintainAspectRatio: false,
      layout: { padding: { top: roomFor(job, solution), right: 112 } },
      interaction: { mode: 'nearest', intersect: false },
      scales: {
        x: axis(`line from the tank, supply then return (${units.system === 'imperial' ? 'ft' : 'm'})`, ink),
        y: axis(`gauge pressure (${pressureUnit.label})`, ink),
      },
      plugins: {
        tooltip: {
          callbacks: {
            label: (item) => `${item.dataset.label}: ${item.parsed.y!.toFixed(1)} ${pressureUnit.label}`,
            title: ([item]) => names.get(withGap(job, chosen)[item!.dataIndex]?.part ?? '') ?? '',
          },
        },
      },
    };
    // places along the top, thinned so that no two labels meet; direct labels where each line crosses the rail
    const annotate = ({ ctx, chartArea, scales }: ScatterChartInstance) => {
      ctx.save();
      ctx.font = `12px ${"'Archivo Variable', sans-serif"}`;
      ctx.fillStyle = ink.ink;
      ctx.strokeStyle = ink.hair;
      let last = -Infinity;
      for (const span of solution.spans) {
        const start = chosen.find((p) => p.part === span.part && p.end === 'inlet');
        if (!start) continue; // beside the run: no fuel passes it
        const x = scales.x!.getPixelForValue(length(start.distance + span.length / 2));
        if (!isNamed(job, span.part) || x - last < 15) continue;
        last = x;
        ctx.beginPath();
        ctx.moveTo(x, chartArea.top);
        ctx.lineTo(x, chartArea.bottom);
        ctx.stroke();
        ctx.save();
        ctx.translate(x + 3, chartArea.top - 5);
        ctx.rotate(-SLANT);
        const lines = wrapName(names.get(span.part)!, LETTERS);
        lines.forEach((line, i) => ctx.fillText(line, 13 * (i - lines.length + 1), 13 * (i - lines.length + 1)));
        ctx.restore();
      }
      labelLines(
        ctx,
        chartArea,
        profiles,
        scales,
        point,
        (p) => ({ x: length(p.distance), y: fromSi(p.pressure, pressureUnit) }),
        ink,
      );
      ctx.restore();
    };
    return { data, options, annotate };
  }, [job, solution, point, units, pressureUnit, theme]); // eslint-disable-line react-hooks/exhaustive-deps -- the theme changes what chartInk reads
  return (
    <figure>
      <div className="relative h-[26rem] w-full">
        <ScatterChart
          data={data}
          options={options}
          annotate={annotate}
          label={`Pressure along the run at each operating point, ${pointName(job, point)} drawn strong`}
        />
      </div>
      <figcaption className="sr-only">
        {resultsOf(solution).map(
          (result) => `${result.point.name}: rail ${units.show('pressure', result.railPressure)}. `,
        )}
      </figcaption>
    </figure>
  );
}

/** A part that the one before it on the list does not lead to begins a stretch of its own: a branch, a return. */
function withGap(job: Job, profile: readonly ProfilePoint[]): (ProfilePoint | undefined)[] {
  const run = circuitsOf(job);
  return profile.flatMap((place, i): (ProfilePoint | undefined)[] => {
    const before = profile[i - 1];
    const goesOn = !before || place.end === 'outlet' || run.into(place.part).some((f) => f.from === before.part);
    return goesOn ? [place] : [undefined, place];
  });
}

type Profiles = { key: string; short: string; dash: number[]; profile: ReturnType<typeof pressureProfile> }[];

/** Names each line at its right end, pushed apart where ends meet. */
function labelLines(
  ctx: CanvasRenderingContext2D,
  area: { right: number; top: number; bottom: number },
  profiles: Profiles,
  scales: Record<string, { getPixelForValue(value: number): number }>,
  point: string,
  place: (p: Profiles[number]['profile'][number]) => { x: number; y: number },
  ink: { ink: string; soft: string },
): void {
  const supplyEnd = (profile: Profiles[number]['profile']) => profile.at(-1)!;
  const ends = profiles
    .filter(({ profile }) => profile.length > 0)
    .map(({ key, short, dash, profile }) => ({
      key,
      short,
      dash,
      y: scales.y!.getPixelForValue(place(supplyEnd(profile)).y),
    }))
    .sort((a, b) => a.y - b.y);
  for (let i = 1; i < ends.length; i++) ends[i]!.y = Math.max(ends[i]!.y, ends[i - 1]!.y + 14);
  const over = (ends.at(-1)?.y ?? 0) - area.bottom;
  if (over > 0) for (const end of ends) end.y -= over;
  for (const { key, short, dash, y } of ends) {
    ctx.fillStyle = key === point ? ink.ink : ink.soft;
    ctx.strokeStyle = ctx.fillStyle;
    ctx.lineWidth = key === point ? 2.2 : 1.2;
    ctx.setLineDash(dash);
    ctx.beginPath();
    ctx.moveTo(area.right + 4, y);
    ctx.lineTo(area.right + 18, y);
    ctx.stroke();
    ctx.setLineDash([]);
    ctx.fillText(short, area.right + 21, y + 4);
  }
}
