import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import { choiceField, linkField, textField } from '../../kinds/fields';
import { rule } from '../../kinds/rule';
import { SHAPES } from '../../kinds/shapes';
import { about } from './about';

const settings = object({
  address: linkField({ label: 'Address', help: 'https://… of the page to show: a map, a form, a player.' }),
  title: textField('', 200, { label: 'Title', help: 'What it is, for those who cannot see it.' }),
  ratio: choiceField('16 / 9', SHAPES, { label: 'Shape', responsive: true })
});

type Settings = InferType<typeof settings>;

const isWeb = (address: string) => /^https?:\/\//.test(address);

const FRAME = { display: 'block', width: '100%', border: '0' };

/** A page from elsewhere in a frame of its own, which can neither read nor lead away the page it stands in. */
export const embed: Kind = {
  ...about,
  anatomy: {
    root: { label: 'frame', states: { hover: ':hover' }, box: { x: 20, y: 22, width: 110, height: 72 } }
  },
  settings,
  slots: {},
  forms: [],
  look: { root: { rest: { always: { 'background-color': '#ece8dc' } } } },
  create: (make) => make('embed', 'Embed'),
  markup(node, ctx) {
    const { address, title } = ctx.settings<Settings>(node);
    if (!isWeb(address)) return ctx.part('root', 'div', { dataEmpty: 'embed' });
    return ctx.part('root', 'iframe', {
      src: address,
      title: title || node.name,
      loading: 'lazy',
      referrerPolicy: 'no-referrer',
      sandbox: ['allow-scripts', 'allow-forms', 'allow-popups', 'allow-presentation']
    });
  },
  style(node, ctx) {
    const { ratio } = ctx.settings<Settings>(node);
    return [rule(ctx.sel('root'), { ...FRAME, 'aspect-ratio': ratio })];
  },
  behaviours: () => [],
  ground: ({ address }) => (isWeb(String(address)) ? { layers: [{ film: true }] } : null),
  fallbacks: () => [],
  findings: () => import('./findings')
};
