import type { Chart, ChartConfiguration } from 'chart.js';

/**
 * Draws lines on a canvas once the code for it has come.
 * @param onmade takes the chart.
 * @returns what takes it away again, also where it has not come yet.
 */
export function drawLines(
  canvas: HTMLCanvasElement,
  config: ChartConfiguration<'line'>,
  onmade: (chart: Chart<'line'>) => void
): () => void {
  let made: Chart<'line'> | null = null;
  let isGone = false;
  void import('chart.js').then(
    ({ Chart: Made, Filler, LineController, LineElement, LinearScale, PointElement }) => {
      if (isGone) return;
      Made.register(LineController, LineElement, PointElement, LinearScale, Filler);
      made = new Made(canvas, config);
      onmade(made);
    }
  );
  return () => {
    isGone = true;
    made?.destroy();
  };
}
