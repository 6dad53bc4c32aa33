import { object, type InferType } from 'yup';
import { isRecord, type Loose } from '../../data/record';
import type { Kind, Make } from '../../kinds/contract';
import type { Fragment } from '../../project/types';
import { choiceField, sharesField } from '../../kinds/fields';
import { gridOf, isPlain, sharesFor } from '../../css/shares';
import { FILLS } from '../../kinds/filling';
import { rule } from '../../kinds/rule';
import { about } from './about';
import { sum } from '../../data/sum';

const settings = object({
  shares: sharesField({
    label: 'Widths',
    responsive: true,
    help: 'Fractions that sum to 1 (2/5 3/5) or twelfths that sum to 12 (4 8). A + before one leaves it empty. Drag a border, or type.'
  }),
  align: choiceField(
    'start',
    { start: 'at the top', center: 'in the middle', end: 'at the bottom', stretch: 'equal heights' },
    { label: 'Columns stand' }
  ),
  stack: choiceField(
    'narrow',
    { narrow: 'narrow', medium: 'medium', never: 'never' },
    {
      label: 'Stacked in band',
      view: 'fallbacks',
      help: 'In this width band and below, the columns stand one below the other.'
    }
  )
});

type Settings = InferType<typeof settings>;

/** Two columns once had their widths as `3:2`; they are shares of one now. */
function withShares(node: Loose): Loose {
  const { ratio, ...others } = isRecord(node.settings) ? node.settings : {};
  if (typeof ratio !== 'string' || !/^\d:\d$/.test(ratio)) return node;
  const parts = ratio.split(':').map(Number);
  const whole = sum(parts);
  return { ...node, settings: { ...others, shares: parts.map((part) => `${part}/${whole}`).join(' ') } };
}

const emptyColumn = (make: Make, name: string): Fragment => make('column', name, {}, { content: [] });

export const columns: Kind = {
  ...about,
  anatomy: {
    root: { label: 'columns', states: {}, properties: ['gap'], box: { x: 0, y: 10, width: 150, height: 96 } }
  },
  settings,
  slots: {
    columns: {
      label: 'Columns',
      accepts: ['column'],
      repeats: true,
      items: true,
      row: { equal: ['align', 'stretch'] },
      least: 1,
      part: 'root'
    }
  },
  forms: [
    { form: 'columns', label: 'side by side', text: 'columns' },
    { form: 'stack', label: 'stacked', text: 'one below the other' }
  ],
  look: { root: { rest: { always: { gap: '32px' } } } },
  create: (make) =>
    make(
      'columns',
      'Columns',
      {},
      {
        columns: [emptyColumn(make, 'First column'), emptyColumn(make, 'Second column')]
      }
    ),
  markup: (_node, ctx) => ctx.part('root', 'div', {}, ctx.slot('columns')),
  style(node, ctx) {
    const { shares, align, stack } = ctx.settings<Settings>(node);
    const count = ctx.items('columns').length;
    const { template, places } = gridOf(sharesFor(shares, count));
    const variants = ctx.variants<Settings>(node);
    const root = ctx.sel('root');
    const one = (i: number) => `${root} > :nth-child(${i + 1})`;
    const rules = [
      rule(root, { display: 'grid', 'grid-template-columns': template, 'align-items': align, ...FILLS })
    ];
    // One column in each track, in order, is what a grid does by itself.
    const isOneEach = variants.every((each) => isPlain(sharesFor(each.shares, count)));
    if (!isOneEach) rules.push(...places.map((place, i) => rule(one(i), { 'grid-column': place })));
    if (stack === 'never') return rules;
    rules.push(rule(root, { 'grid-template-columns': '1fr' }, stack));
    if (!isOneEach)
      rules.push(...places.map((_place, i) => rule(one(i), { 'grid-column': '1 / -1' }, stack)));
    return rules;
  },
  behaviours: () => [],
  share(settings, { index, count, band }) {
    const { shares, stack } = settings as Settings;
    const isStacked = stack === band || (band === 'narrow' && stack === 'medium');
    if (isStacked) return 1;
    const { tracks, division } = sharesFor(shares, count);
    const own = tracks.filter(({ isEmpty }) => !isEmpty)[index];
    return own ? own.part / own.whole / (division === 'twelfths' ? 12 : 1) : 1;
  },
  migrations: { 1: withShares },
  fallbacks(_node, { settings: under }) {
    const { stack } = under<Settings>('always');
    return [
      {
        label: 'Shows',
        wide: 'side by side',
        cells: { medium: stack === 'medium' ? 'stacked' : null, narrow: stack === 'never' ? null : 'stacked' }
      }
    ];
  },
  findings: []
};
