import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import { choiceField, textField } from '../../kinds/fields';
import { rule } from '../../kinds/rule';
import { about } from './about';
import { text } from '../../html/build';

const LEVELS = { '1': '1', '2': '2', '3': '3', '4': '4', '5': '5', '6': '6' } as const;

const settings = object({
  text: textField('A new heading', 500, { label: 'Text' }),
  level: choiceField('2', LEVELS, {
    label: 'Level',
    help: 'Its place in the outline of the page; its size is set under States.'
  })
});

type Settings = InferType<typeof settings>;

export const heading: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'heading',
      states: { hover: ':hover' },
      hasText: true,
      properties: ['font-family', 'font-size', 'font-weight', 'line-height', 'text-align'],
      box: { x: 8, y: 40, width: 134, height: 34 }
    }
  },
  settings,
  slots: {},
  forms: [],
  look: { root: { rest: { always: { 'font-size': '28px', 'font-weight': '600', 'line-height': '1.2' } } } },
  headingLevel: 'level',
  create: (make) => make('heading', 'Heading'),
  markup(node, ctx) {
    const { text: words, level } = ctx.settings<Settings>(node);
    return ctx.part('root', `h${level}`, {}, [text(words)]);
  },
  style: (_node, ctx) => [rule(ctx.sel('root'), { margin: '0', 'overflow-wrap': 'break-word' })],
  behaviours: () => [],
  fallbacks: () => [],
  findings: []
};
