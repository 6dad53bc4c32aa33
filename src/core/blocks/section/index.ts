import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import { choiceField, textField, widthField } from '../../kinds/fields';
import { rule } from '../../kinds/rule';

const settings = object({
  element: choiceField('section', { section: 'section', header: 'header', footer: 'footer', aside: 'aside', nav: 'nav' }, {
    label: 'Element',
    help: 'What the section is to a screen reader. Sections stand inside the page’s one main element.'
  }),
  anchor: textField('', 60, { label: 'Anchor', help: 'Letters, digits and hyphens; links reach it as #anchor.' }).matches(/^([a-z][a-z0-9-]*)?$/, {
    message: 'An anchor starts with a letter and goes on with small letters, digits and hyphens.'
  }),
  inner: widthField(1120, 320, 2400, { label: 'Inner width', help: 'The greatest width of the content, in px.' })
});

export const section: Kind = {
  kind: 'section',
  label: 'Section',
  summary: 'A full-width band with a centred inner area',
  category: 'section',
  icon: 'M1.5 4.5h13v7h-13z',
  insertable: true,
  anatomy: {
    root: { label: 'section', states: { hover: ':hover' }, hasText: true, box: { x: 0, y: 0, width: 150, height: 116 } },
    inner: { label: 'inner area', states: {}, properties: ['gap'], box: { x: 16, y: 14, width: 118, height: 88 } }
  },
  settings,
  slots: { content: { label: 'Content', accepts: ['block'], part: 'inner' } },
  forms: [],
  look: {
    root: { rest: { always: { padding: '56px 24px' } } },
    inner: { rest: { always: { gap: '24px' } } }
  },
  create: (make) => make('section', 'Section', {}, { content: [] }),
  markup(node, ctx) {
    const { element, anchor } = ctx.settings<InferType<typeof settings>>(node);
    return ctx.part('root', element, anchor ? { id: anchor } : {}, [ctx.part('inner', 'div', {}, ctx.slot('content'))]);
  },
  style(node, ctx) {
    const { inner } = ctx.settings<InferType<typeof settings>>(node);
    return [rule(ctx.sel('inner'), { display: 'flex', 'flex-direction': 'column', 'max-width': `${inner}px`, 'margin-inline': 'auto' })];
  },
  behaviours: () => [],
  fallbacks: () => [],
  findings: []
};
