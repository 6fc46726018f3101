import { Chart, LinearScale, LineElement, PointElement, ScatterController, Tooltip } from 'chart.js';

Chart.register(LinearScale, LineElement, PointElement, ScatterController, Tooltip);
Chart.defaults.font.family = "'Archivo Variable', 'IBM Plex Sans Variable', sans-serif";
Chart.defaults.font.size = 12;
Chart.defaults.animation = false;

/** An axis in ink: its title with its unit, and hairlines. */
export const axis = (title: string, ink: ChartInk) => ({
  title: { display: true, text: title, color: ink.soft },
  grid: { color: ink.hair },
  ticks: { color: ink.soft },
});

/** A curve through points, without marks. */
export const curve = (
  label: string,
  data: { x: number; y: number }[],
  colour: string,
  dash: number[] = [],
  width = 2.2,
) => ({ label, data, showLine: true, pointRadius: 0, borderColor: colour, borderDash: dash, borderWidth: width });

export type ChartInk = ReturnType<typeof chartInk>;

/** The tokens as Chart.js wants them: plain colours read from the page. */
export function chartInk() {
  const style = getComputedStyle(document.documentElement);
  const read = (name: string) => style.getPropertyValue(name).trim();
  return {
    ink: read('--ink'),
    soft: read('--ink-soft'),
    hair: read('--hair'),
    sheet: read('--sheet'),
    supply: read('--supply'),
    back: read('--return'),
  };
}
