import { Chart, type ChartData, type ChartOptions } from 'chart.js';
import { useEffect, useRef, useState } from 'react';
import './chart-look.ts';

export type ScatterChartInstance = Chart<'scatter'>;

interface ScatterChartProps {
  readonly data: ChartData<'scatter'>;
  readonly options: ChartOptions<'scatter'>;
  /** What is drawn over the chart: names beside lines and places. */
  annotate(chart: ScatterChartInstance): void;
  readonly label: string;
}

/** A Chart.js scatter chart that is made once and then follows its data, options and annotations. */
export function ScatterChart({ data, options, annotate, label }: ScatterChartProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const chart = useRef<ScatterChartInstance>(undefined);
  const draw = useRef(annotate);
  const [fault, setFault] = useState<Error>();
  useEffect(() => {
    const made: ScatterChartInstance = new Chart(canvas.current!, {
      type: 'scatter',
      data: { datasets: [] },
      plugins: [
        {
          id: 'annotations',
          afterDatasetsDraw: (drawn: ScatterChartInstance) => {
            if (drawn.data.datasets.length === 0) return;
            try {
              draw.current(drawn);
            } catch (error) {
              setFault(error as Error); // it may be drawn between two renders, where no boundary would hear of it
            }
          },
        },
      ],
    });
    chart.current = made;
    return () => made.destroy();
  }, []);
  useEffect(() => {
    draw.current = annotate;
    if (!chart.current) return;
    chart.current.data = data;
    chart.current.options = options;
    chart.current.update();
  }, [data, options, annotate]);
  if (fault) throw fault;
  return (
    <div className="relative h-full w-full">
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  );
}
