import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import { isEmpty } from '../../data/record';
import { choiceField, linkField, opensField, textField } from '../../kinds/fields';
import { rule } from '../../kinds/rule';
import { about } from './about';

const settings = object({
  label: textField('Press here', 200, { label: 'Label' }),
  href: linkField({ label: 'Leads to', help: 'An address makes it a link; without one it is a button.' }),
  opens: opensField({
    label: 'Opens',
    help: 'A dialog or a side panel of this page; then it leads nowhere.'
  }),
  align: choiceField(
    'start',
    { start: 'start', center: 'centre', end: 'end', stretch: 'full width' },
    { label: 'Place' }
  )
});

export const button: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'button',
      states: { hover: ':hover', focus: ':focus-visible', pressed: ':active' },
      hasText: true,
      properties: ['font-size', 'font-weight', 'translate', 'cursor'],
      box: { x: 35, y: 42, width: 80, height: 32 }
    }
  },
  settings,
  slots: {},
  forms: [],
  look: {
    root: {
      rest: {
        always: {
          'background-color': '#0b6a5f',
          color: '#ffffff',
          'border-width': '0',
          'border-radius': '4px',
          padding: '10px 18px',
          'font-size': '15px',
          'font-weight': '600',
          'text-decoration-line': 'none',
          'text-align': 'center',
          cursor: 'pointer'
        }
      },
      hover: { always: { 'background-color': '#08544b' } },
      focus: { always: { outline: '2px solid #2b55a0', 'outline-offset': '2px' } },
      pressed: { always: { 'background-color': '#063f39', translate: '0 1px' } }
    }
  },
  create: (make) => make('button', 'Button'),
  markup(node, ctx) {
    const { label, href, opens } = ctx.settings<InferType<typeof settings>>(node);
    const content = [{ type: 'text' as const, value: label }];
    const opener = ctx.opener(opens);
    if (href && isEmpty(opener)) return ctx.part('root', 'a', { href }, content);
    return ctx.part('root', 'button', { type: 'button', ...opener }, content);
  },
  style(node, ctx) {
    const { align } = ctx.settings<InferType<typeof settings>>(node);
    return [rule(ctx.sel('root'), { display: 'block', 'align-self': align, font: 'inherit' })];
  },
  behaviours(node, ctx) {
    const { opens } = ctx.settings<InferType<typeof settings>>(node);
    return Object.hasOwn(ctx.opener(opens), 'dataKOpens') ? ['opens'] : [];
  },
  fallbacks: () => [],
  findings: () => import('./findings')
};
