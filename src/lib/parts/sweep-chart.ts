import type { ChartConfiguration } from 'chart.js';
import { wrongOver, type Lane, type WrongAt } from '$core/sweep/runs';
import { SWEEP_FROM, SWEEP_TO } from '$core/sweep/span';
import { drawLines } from './charts';

type Points = { x: number; y: number }[];

const errorsIn = (over: readonly WrongAt[]): Points => over.map(({ px, errors }) => ({ x: px, y: errors }));

/** Warnings stand on the errors. */
const allIn = (over: readonly WrongAt[]): Points =>
  over.map(({ px, errors, warnings }) => ({ x: px, y: errors + warnings }));

const lineOf = (colour: string, data: Points) => ({
  data,
  borderColor: colour,
  backgroundColor: colour,
  borderWidth: 1,
  pointRadius: 0,
  stepped: 'before' as const,
  fill: 'origin' as const
});

/** How many things go wrong at each width, as a chart of steps. */
export function sweepChart(lanes: readonly Lane[], more: object): ChartConfiguration<'line'> {
  const over = wrongOver(lanes);
  const most = Math.max(1, ...over.map(({ errors, warnings }) => errors + warnings));
  const font = { size: 10 };
  return {
    type: 'line',
    data: { datasets: [lineOf('#a3241a', errorsIn(over)), lineOf('#c98a2b', allIn(over))] },
    options: {
      animation: false,
      events: [],
      scales: {
        x: {
          type: 'linear',
          min: SWEEP_FROM,
          max: SWEEP_TO,
          grid: { display: false },
          ticks: { callback: (value) => `${value}`, font, maxRotation: 0 }
        },
        y: { type: 'linear', min: 0, max: most, ticks: { precision: 0, font } }
      },
      ...more
    }
  };
}

/** Of the picture in a sheet: its size, px, and how many of its dots stand for one, for print. */
const PICTURE = { width: 680, height: 110, dots: 3 };

/** @returns the chart as a picture, a data address of a PNG. */
export function sweepPicture(lanes: readonly Lane[]): Promise<string> {
  const { width, height, dots } = PICTURE;
  const canvas = Object.assign(document.createElement('canvas'), { width, height });
  const config = sweepChart(lanes, { responsive: false, devicePixelRatio: dots });
  return new Promise((resolve) => {
    const takeAway = drawLines(canvas, config, (chart) => {
      resolve(chart.toBase64Image());
      queueMicrotask(() => takeAway());
    });
  });
}
