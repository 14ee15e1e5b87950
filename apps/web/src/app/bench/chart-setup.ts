import {
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  ScatterController,
  type ChartConfiguration,
} from 'chart.js';

Chart.register(LineController, LineElement, PointElement, ScatterController, LinearScale, Legend);

/** A corner of a drawn line, in the person's units. */
export interface Corner {
  readonly x: number;
  readonly y: number;
}

/** What is drawn, in the order of the datasets: the first lies on top. */
export interface Drawn {
  readonly measured: readonly Corner[];
  /** The temperature asked for, on both lines. */
  readonly here: readonly Corner[];
  /** Where it is read at both axes; nothing while nothing is asked. */
  readonly guide: readonly Corner[];
  readonly bubble: readonly Corner[];
  readonly dew: readonly Corner[];
  readonly labelBubble: readonly Corner[];
  readonly labelDew: readonly Corner[];
}

const FONT = 'Atkinson Hyperlegible Next Variable';

/** The drawing's first frame waits for the font: a canvas does not draw itself anew when it arrives. */
export async function drawChart(canvas: HTMLCanvasElement, axes: { readonly x: string; readonly y: string }): Promise<Chart> {
  Chart.defaults.font.family = `"${FONT}", system-ui, sans-serif`;
  Chart.defaults.font.size = 14;
  await document.fonts.load($localize`14px "${FONT}"`);
  Chart.getChart(canvas)?.destroy();
  return new Chart(canvas, configuration(canvas, axes));
}

/** Draws `drawn` without motion: it follows a finger. */
export function redraw(
  chart: Chart,
  drawn: Drawn,
  ends: { readonly x: readonly [number, number]; readonly y: readonly [number, number] },
): void {
  const guide = drawn.guide.flatMap(({ x, y }) => [
    { x, y: ends.y[0] },
    { x, y },
    { x: ends.x[0], y },
  ]);
  const { measured, here, bubble, dew, labelBubble, labelDew } = drawn;
  for (const [k, corners] of [measured, here, guide, bubble, dew, labelBubble, labelDew].entries()) {
    const dataset = chart.data.datasets[k];
    if (dataset !== undefined) dataset.data = [...corners];
  }
  const { x, y } = chart.options.scales ?? {};
  if (x !== undefined) [x.min, x.max] = ends.x;
  if (y !== undefined) [y.min, y.max] = ends.y;
  chart.update('none');
}

function configuration(canvas: HTMLCanvasElement, axes: { readonly x: string; readonly y: string }): ChartConfiguration<'scatter'> {
  const style = getComputedStyle(canvas);
  const colour = (token: string) => style.getPropertyValue(token).trim();
  const line = (borderColor: string, borderDash: number[]) => ({
    data: [],
    showLine: true,
    pointRadius: 0,
    borderWidth: 2.4,
    borderColor,
    borderDash,
  });
  const axis = (text: string) => ({
    type: 'linear' as const,
    title: { display: true, text, color: colour('--ink-2') },
    ticks: { color: colour('--ink-2'), maxTicksLimit: 7, maxRotation: 0, includeBounds: false },
    grid: { color: colour('--line') },
    border: { color: colour('--line-strong') },
  });
  return {
    type: 'scatter',
    data: {
      datasets: [
        { data: [], pointRadius: 9, pointBorderWidth: 3, pointStyle: 'crossRot', pointBorderColor: colour('--danger') },
        { data: [], pointRadius: 8, pointBorderWidth: 3, pointBackgroundColor: colour('--sheet'), pointBorderColor: colour('--act') },
        { ...line(colour('--act'), [3, 4]), borderWidth: 1.6 },
        line(colour('--liquid'), []),
        line(colour('--liquid'), [7, 5]),
        line(colour('--caution'), []),
        line(colour('--caution'), [7, 5]),
      ],
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      events: [],
      scales: { x: axis(axes.x), y: axis(axes.y) },
      plugins: { legend: { display: false } },
    },
  };
}
