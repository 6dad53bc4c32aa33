import { object, type InferType } from 'yup';
import { element, text } from '../../html/build';
import type { Kind } from '../../kinds/contract';
import { textField } from '../../kinds/fields';
import { PLAY_STATE } from '../../kinds/playing';
import { AS_ITS_WORDS, rule } from '../../kinds/rule';
import { about } from './about';

const settings = object({
  label: textField('Stop movement', 120, { label: 'Label' })
});

type Settings = InferType<typeof settings>;

/** A way to hold what moves by itself for longer than 5 s, by every hand (WCAG 2.2, 2.2.2). */
export const still: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'label',
      states: { hover: ':hover', focus: ':focus-within' },
      hasText: true,
      properties: ['font-size', 'gap', 'cursor'],
      box: { x: 14, y: 44, width: 122, height: 26 }
    }
  },
  settings,
  slots: {},
  forms: [],
  look: {
    root: {
      rest: { always: { gap: '8px', padding: '4px 0', cursor: 'pointer' } },
      focus: { always: { outline: '2px solid #2b55a0', 'outline-offset': '2px' } }
    }
  },
  create: (make) => make('still', 'Stop for movement'),
  markup(node, ctx) {
    const { label } = ctx.settings<Settings>(node);
    return ctx.part('root', 'div', {}, [
      element('label', { className: [ctx.cls('label')] }, [
        element('input', { className: [ctx.cls('box')], type: 'checkbox' }),
        element('span', {}, [text(label)])
      ])
    ]);
  },
  style: (_node, ctx) => [
    rule(ctx.sel('root'), { display: 'inline-flex', 'align-items': 'center', ...AS_ITS_WORDS }),
    rule(ctx.sel('root'), { display: 'none' }, 'print'),
    rule(ctx.sel('label'), {
      display: 'inherit',
      'align-items': 'inherit',
      gap: 'inherit',
      cursor: 'inherit'
    }),
    rule(ctx.sel('box'), {
      width: '18px',
      height: '18px',
      margin: '0',
      flex: 'none',
      'accent-color': 'currentColor'
    }),
    // Handed down, and not said of everything: a rule that ends in `*` has the browser go through the whole page
    // each time anything is focused.
    rule(`:where(html:has(${ctx.sel('box')}:checked))`, { [PLAY_STATE]: 'paused' })
  ],
  behaviours: () => [],
  fallbacks: () => [{ label: 'Shows', wide: 'a box to tick', cells: { print: 'nothing' } }],
  findings: []
};
