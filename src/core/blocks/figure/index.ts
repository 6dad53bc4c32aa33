import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import { choiceField, textField } from '../../kinds/fields';
import { rule } from '../../kinds/rule';
import { about } from './about';
import { text } from '../../html/build';

const settings = object({
  caption: textField('What it shows', 500, { label: 'Caption' }),
  place: choiceField('after', { after: 'below', before: 'above' }, { label: 'Caption stands' })
});

type Settings = InferType<typeof settings>;

export const figure: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'figure',
      states: { hover: ':hover' },
      properties: ['gap'],
      box: { x: 14, y: 8, width: 122, height: 100 }
    },
    caption: {
      label: 'caption',
      states: {},
      hasText: true,
      properties: ['font-size', 'text-align', 'line-height'],
      box: { x: 14, y: 90, width: 122, height: 18 }
    }
  },
  settings,
  slots: { content: { label: 'Content', accepts: ['block'] } },
  forms: [],
  look: {
    root: { rest: { always: { gap: '8px' } } },
    caption: { rest: { always: { 'font-size': '14px' } } }
  },
  create: (make) => make('figure', 'Figure', {}, { content: [make('image', 'Picture')] }),
  markup(node, ctx) {
    const { caption, place } = ctx.settings<Settings>(node);
    const words = caption ? [ctx.part('caption', 'figcaption', {}, [text(caption)])] : [];
    return ctx.part(
      'root',
      'figure',
      {},
      place === 'before' ? [...words, ...ctx.slot('content')] : [...ctx.slot('content'), ...words]
    );
  },
  style: (_node, ctx) => [
    rule(ctx.sel('root'), { display: 'flex', 'flex-direction': 'column', margin: '0' })
  ],
  behaviours: () => [],
  fallbacks: () => [],
  findings: []
};
