import { Chart, Filler, LinearScale, LineController, LineElement, PointElement, type ChartConfiguration, type Plugin } from 'chart.js';

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler);

export interface Corner {
  readonly x: number;
  readonly y: number;
}

/** What is drawn, minutes and the person's pressure unit. */
export interface LiveDrawing {
  readonly head: readonly Corner[];
  readonly suction: readonly Corner[];
  readonly low: readonly Corner[];
  readonly high: readonly Corner[];
  readonly likely: readonly Corner[];
  readonly cure: readonly Corner[];
  readonly cureWord: string;
  readonly cutOut: number;
  readonly cutOutWord: string;
  readonly now: number;
  readonly end: number;
  readonly most: number;
}

const FONT = 'Atkinson Hyperlegible Next Variable';
const [HEAD, SUCTION, LOW, HIGH, LIKELY, CURE] = [0, 1, 2, 3, 4, 5];

/** Words stand at their lines, not in a legend. */
const words = (colour: (token: string) => string, drawing: () => LiveDrawing | undefined): Plugin<'line'> => ({
  id: 'words',
  afterDatasetsDraw({ ctx, chartArea, scales }) {
    const d = drawing();
    const [x, y] = [scales['x'], scales['y']];
    if (d === undefined || x === undefined || y === undefined) return;
    ctx.save();
    ctx.font = `600 14px "${FONT}", system-ui, sans-serif`;
    const line = y.getPixelForValue(d.cutOut);
    if (line > chartArea.top) {
      ctx.strokeStyle = ctx.fillStyle = colour('--danger');
      ctx.lineWidth = 1.8;
      ctx.setLineDash([7, 5]);
      ctx.beginPath();
      ctx.moveTo(chartArea.left, line);
      ctx.lineTo(chartArea.right, line);
      ctx.stroke();
      ctx.setLineDash([]);
      ctx.fillText(d.cutOutWord, chartArea.left + 6, line - 6);
    }
    const now = x.getPixelForValue(d.now);
    ctx.strokeStyle = colour('--ink');
    ctx.lineWidth = 1.4;
    ctx.beginPath();
    ctx.moveTo(now, chartArea.top);
    ctx.lineTo(now, chartArea.bottom);
    ctx.stroke();
    const at = (corner: Corner | undefined, text: string, token: string, above: number) => {
      if (corner === undefined) return;
      ctx.fillStyle = colour(token);
      ctx.textAlign = 'right';
      ctx.fillText(text, Math.min(chartArea.right - 4, x.getPixelForValue(corner.x)), y.getPixelForValue(corner.y) - above);
    };
    at(d.likely.at(-1), d.cureWord === '' ? '' : $localize`as it is`, '--caution', 8);
    at(d.cure.at(-1), d.cureWord, '--act', -18);
    const left = (corner: Corner | undefined, text: string, token: string) => {
      if (corner === undefined) return;
      ctx.fillStyle = colour(token);
      ctx.textAlign = now > chartArea.left + 90 ? 'right' : 'left';
      ctx.fillText(text, now + (now > chartArea.left + 90 ? -8 : 8), y.getPixelForValue(corner.y) - 8);
    };
    left(d.head.at(-1), 'head', '--ink');
    left(d.suction.at(-1), 'suction', '--liquid');
    ctx.restore();
  },
});

/** A chart that follows what is set; it never moves by itself. */
export class DrawnLive {
  private readonly chart: Chart<'line', Corner[]>;
  private drawing: LiveDrawing | undefined;

  private constructor(canvas: HTMLCanvasElement, unit: string) {
    const style = getComputedStyle(canvas);
    const colour = (token: string) => style.getPropertyValue(token).trim();
    Chart.defaults.font.family = `"${FONT}", system-ui, sans-serif`;
    Chart.defaults.font.size = 14;
    Chart.getChart(canvas)?.destroy();
    this.chart = new Chart(canvas, {
      ...configuration(colour, unit),
      plugins: [words(colour, () => this.drawing)],
    });
  }

  /** The first frame waits for the font: a canvas does not draw itself anew when it arrives. */
  static async on(canvas: HTMLCanvasElement, unit: string): Promise<DrawnLive> {
    await document.fonts.load($localize`14px "${FONT}"`);
    return new DrawnLive(canvas, unit);
  }

  set(drawing: LiveDrawing): void {
    this.drawing = drawing;
    const { head, suction, low, high, likely, cure } = drawing;
    for (const [k, corners] of [head, suction, low, high, likely, cure].entries()) {
      const dataset = this.chart.data.datasets[k];
      if (dataset !== undefined) dataset.data = [...corners];
    }
    const { x, y } = this.chart.options.scales ?? {};
    if (x !== undefined) [x.min, x.max] = [0, drawing.end];
    if (y !== undefined) [y.min, y.max] = [0, drawing.most];
    this.chart.update('none');
  }

  destroy(): void {
    this.chart.destroy();
  }
}

function configuration(colour: (token: string) => string, unit: string): ChartConfiguration<'line', Corner[]> {
  const line = (token: string, more: object = {}) => ({
    data: [] as Corner[],
    pointRadius: 0,
    borderWidth: 2.4,
    borderColor: colour(token),
    tension: 0,
    ...more,
  });
  const axis = (text: string) => ({
    type: 'linear' as const,
    title: { display: true, text, color: colour('--ink-2') },
    ticks: { color: colour('--ink-2'), maxTicksLimit: 7, maxRotation: 0, includeBounds: false },
    grid: { color: colour('--line') },
    border: { color: colour('--line-strong') },
  });
  const datasets = [];
  datasets[HEAD] = line('--ink');
  datasets[SUCTION] = line('--liquid');
  datasets[LOW] = line('--caution-soft', { borderWidth: 0 });
  datasets[HIGH] = line('--caution-soft', { borderWidth: 0, fill: '-1', backgroundColor: colour('--caution-soft') });
  datasets[LIKELY] = line('--caution', { borderDash: [3, 4] });
  datasets[CURE] = line('--act', { borderDash: [3, 4] });
  return {
    type: 'line',
    data: { datasets },
    options: {
      parsing: false,
      animation: false,
      maintainAspectRatio: false,
      events: [],
      scales: { x: axis('min'), y: axis(unit) },
      plugins: { legend: { display: false } },
    },
  };
}
