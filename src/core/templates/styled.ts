import type { Make } from '../kinds/contract';
import type { Declarations, Fragment, Node, Styles } from '../project/types';

type Rest = Readonly<Record<string, string>>;

function withStyles(fragment: Fragment, styles: Styles): Fragment {
  const root = fragment.nodes[fragment.root]!;
  return { root: fragment.root, nodes: { ...fragment.nodes, [fragment.root]: { ...root, styles } as Node } };
}

/** Sets looks of parts at rest on the outermost piece of a fragment. */
export const styled = (fragment: Fragment, parts: Readonly<Record<string, Rest>>): Fragment =>
  withStyles(
    fragment,
    Object.fromEntries(Object.entries(parts).map(([part, always]) => [part, { rest: { always } }]))
  );

/** A heading inside of a card, smaller than those of sections. */
export const smallHeading = (make: Make, name: string, text: string): Fragment =>
  styled(make('heading', name, { text, level: '3' }), { root: { 'font-size': '20px' } });

const always = (declarations: Declarations) => ({ always: declarations });

/** A button for a dark ground: light itself, and its ring too. */
export const lightButton = (make: Make, name: string, label: string): Fragment =>
  withStyles(make('button', name, { label }), {
    root: {
      rest: always({ 'background-color': '#ffffff', color: '#1f362c' }),
      hover: always({ 'background-color': '#e3efec' }),
      focus: always({ outline: '2px solid #ffffff' }),
      pressed: always({ 'background-color': '#cfe2dd' })
    }
  });
