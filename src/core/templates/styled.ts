import type { Fragment, Node } from '../project/types';

type Rest = Readonly<Record<string, string>>;

/** Sets looks of parts at rest on the outermost piece of a fragment. */
export function styled(fragment: Fragment, parts: Readonly<Record<string, Rest>>): Fragment {
  const root = fragment.nodes[fragment.root]!;
  const styles = Object.fromEntries(
    Object.entries(parts).map(([part, always]) => [part, { rest: { always } }])
  );
  return { root: fragment.root, nodes: { ...fragment.nodes, [fragment.root]: { ...root, styles } as Node } };
}
