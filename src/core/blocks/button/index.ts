import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import type { Declarations } from '../../project/types';
import { isEmpty, isRecord, type Loose } from '../../data/record';
import { choiceField, linkField, opensField, textField, toggleField } from '../../kinds/fields';
import { AS_ITS_WORDS, rule } from '../../kinds/rule';
import { about } from './about';
import { text } from '../../html/build';
import { opensByScript } from '../../kinds/opener';

const settings = object({
  label: textField('Press here', 200, { label: 'Label' }),
  href: linkField({ label: 'Leads to', help: 'An address makes it a link; without one it is a button.' }),
  opens: opensField({
    label: 'Opens',
    help: 'A dialog or a side panel of this page; then it leads nowhere.'
  }),
  unfolds: toggleField(false, {
    label: 'Opens and closes all that collapses',
    view: 'behaviour',
    help: 'All collapsible pieces of the page at once, but for those that are open one at a time.',
    live: 'when the page is tried'
  }),
  closing: textField('Close all', 200, {
    label: 'Words while all is open',
    names: true,
    view: 'behaviour',
    needs: ['unfolds']
  }),
  align: choiceField(
    'around',
    {
      around: 'by its stack',
      start: 'start',
      center: 'centre',
      end: 'end',
      stretch: 'full width'
    },
    {
      label: 'Place',
      help: 'By its stack: where that puts all that is in it; at the start of anything else.'
    }
  ),
  breaks: toggleField(false, {
    label: 'Long words may break',
    help: 'Else a word that is longer than its place makes the page scroll sideways.'
  })
});

type ButtonSettings = InferType<typeof settings>;

/** A button of the second format stood at the start of whatever it was in. */
function withStart(node: Loose): Loose {
  if (!isRecord(node.settings) || Object.hasOwn(node.settings, 'align')) return node;
  return { ...node, settings: { ...node.settings, align: 'start' } };
}

/** As wide as its words, and placed by what is around it or by itself. */
const placed = (align: ButtonSettings['align']): Declarations =>
  align === 'around' ? AS_ITS_WORDS : { 'align-self': align };

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
    const { label, href, opens, unfolds, closing } = ctx.settings<ButtonSettings>(node);
    const content = [text(label)];
    const opener = ctx.opener(opens);
    if (unfolds) return ctx.part('root', 'button', { type: 'button', dataKUnfolds: closing }, content);
    if (href && isEmpty(opener)) return ctx.part('root', 'a', { href }, content);
    return ctx.part('root', 'button', { type: 'button', ...opener }, content);
  },
  style(node, ctx) {
    const { align, unfolds, breaks } = ctx.settings<ButtonSettings>(node);
    const words: Declarations = breaks ? { 'overflow-wrap': 'anywhere' } : {};
    const built = rule(ctx.sel('root'), { display: 'block', ...placed(align), font: 'inherit', ...words });
    if (!unfolds) return [built];
    // It does nothing without its script, and paper has nothing to press.
    return [
      built,
      rule(ctx.sel('root'), { display: 'none' }, 'no-script'),
      rule(ctx.sel('root'), { display: 'none' }, 'print')
    ];
  },
  behaviours(node, ctx) {
    const { opens, unfolds } = ctx.settings<ButtonSettings>(node);
    if (unfolds) return ['unfolds'];
    return opensByScript(opens, ctx) ? ['opens'] : [];
  },
  breaks: 'breaks',
  migrations: { 2: withStart },
  fallbacks: () => [],
  findings: () => import('./findings')
};
