import type { FallbackContext, FallbackRow, Kind } from '../../kinds/contract';
import { panelWith } from '../../kinds/make';
import type { Node } from '../../project/types';
import { about } from './about';
import { anatomy, look, states } from './anatomy';
import { behaviours, markup } from './markup';
import { scheduleOf } from './schedule';
import { adapt, settings, type SliderSettings } from './settings';
import { style } from './style';

const ENDS = { stop: 'stops at its end', rewind: 'starts again', loop: 'goes round' } as const;

function fallbacks(_node: Node, { settings: under }: FallbackContext): readonly FallbackRow[] {
  const { form, ends, drag } = under<SliderSettings>('always');
  const shown = form === 'fade' ? 'one over the other' : 'a strip';
  return [
    {
      label: 'Shows',
      wide: shown,
      cells: {
        'no-script': form === 'fade' ? 'one below the other' : 'a strip to scroll',
        print: 'all slides'
      }
    },
    { label: 'At its end', wide: ENDS[ends], cells: { 'no-script': ENDS.stop, print: '—' } },
    {
      label: 'By hand',
      wide: drag ? 'drag, arrows, keys' : 'arrows, keys',
      cells: { touch: 'swipe', 'no-script': 'scroll, keys', print: '—' }
    }
  ];
}

export const slider: Kind = {
  ...about,
  anatomy,
  states,
  settings,
  slots: {
    panels: {
      label: 'Slides',
      accepts: ['panel'],
      items: true,
      repeats: true,
      ofPictures: true,
      least: 1,
      part: 'slide',
      list: 'strip'
    }
  },
  forms: [
    { form: 'slide', label: 'sliding', text: 'a strip of slides that moves along' },
    { form: 'fade', label: 'fading', text: 'one slide fades into the next' }
  ],
  look,
  adapt,
  create: (make) =>
    make(
      'slider',
      'Slider',
      {},
      {
        panels: ['First', 'Second', 'Third'].map((label) =>
          panelWith(make, `${label} slide`, `What the ${label.toLowerCase()} slide shows.`)
        )
      }
    ),
  markup,
  style,
  behaviours,
  fallbacks,
  findings: () => import('./findings'),
  fills: ({ stretch }) => stretch as boolean,
  share: ({ form, visible }) => (form === 'fade' ? 1 : 1 / (visible as number)),
  schedule: (given) => scheduleOf(given as unknown as SliderSettings),
  ground: ({ place }) => (place === 'over' ? { layers: [], partsOver: { bar: 'panels' } } : null),
  play: { part: 'dot', label: 'Go to the next slide' }
};
