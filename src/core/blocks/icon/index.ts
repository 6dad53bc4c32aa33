import { object, type InferType } from 'yup';
import { iconElement, type Icon } from '../../html/icon';
import type { Kind } from '../../kinds/contract';
import { iconField, textField } from '../../kinds/fields';
import { AS_ITS_WORDS, rule } from '../../kinds/rule';
import { about } from './about';

const settings = object({
  icon: iconField({ label: 'Icon' }),
  alt: textField('', 200, {
    label: 'Alternative text',
    help: 'Only where the icon says what no words beside it say; else readers skip it.'
  })
});

type Settings = InferType<typeof settings>;

/** What stands in the place of an icon that has not been chosen yet. */
const EMPTY = {
  width: '1em',
  height: '1em',
  'background-image': 'repeating-linear-gradient(45deg, #e4dfd3 0 4px, #f2efe7 4px 8px)'
};

export const icon: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'icon',
      states: { hover: ':hover' },
      properties: ['font-size', 'rotate', 'scale'],
      box: { x: 50, y: 33, width: 50, height: 50 }
    }
  },
  settings,
  slots: {},
  forms: [],
  look: { root: { rest: { always: { 'font-size': '28px', 'line-height': '1' } } } },
  create: (make) => make('icon', 'Icon'),
  markup(node, ctx) {
    const { icon: drawing, alt } = ctx.settings<Settings>(node);
    const says = alt ? { role: 'img', ariaLabel: alt } : {};
    if (!drawing) return ctx.part('root', 'span', { ...says, dataEmpty: 'icon' });
    return ctx.part('root', 'span', says, [iconElement(drawing as Icon)]);
  },
  style: (_node, ctx) => [
    rule(ctx.sel('root'), { display: 'inline-flex', ...AS_ITS_WORDS }),
    rule(`${ctx.sel('root')}[data-empty]`, EMPTY)
  ],
  behaviours: () => [],
  fallbacks: () => [],
  findings: []
};
