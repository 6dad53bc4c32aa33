import type { Kind } from '$core/kinds/contract';
import { registry } from '$core/registry';
import type { Former } from '$core/project/types';
import { fieldsOf } from './fields';
import type { Workbench } from './workbench.svelte';

/** More than this is told by its count. */
const NAMED_MOST = 6;

const lower = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

const lookOf = ({ anatomy }: Kind, part: string): string => `the look of the ${anatomy[part]?.label ?? part}`;

/** What of a piece the other kind has no place for, as people know it: settings, and looks of parts. */
function lostWords({ settings, adapt, styles }: Former, from: Kind): readonly string[] {
  const keys = new Set([settings, ...Object.values(adapt)].flatMap((own) => Object.keys(own ?? {})));
  const named = fieldsOf(from).filter(({ key }) => keys.has(key));
  const looks = Object.keys(styles).map((part) => lookOf(from, part));
  return [...named.map(({ label }) => lower(label)), ...looks];
}

const listed = (words: readonly string[]): string => {
  const named = words.slice(0, NAMED_MOST).join(', ');
  const more = words.length - NAMED_MOST;
  return more > 0 ? `${named} and ${more} more` : named;
};

/** Makes the picked piece another kind, and says what waits for when it is swapped back. */
export function swapFor(wb: Workbench, kind: string): void {
  const { id, kind: before } = wb.current;
  const from = registry.of(wb.current);
  if (wb.dispatch({ type: 'swap', id, kind })) return;
  const lost = wb.project.nodes[id]!.was?.[before];
  const words = lost ? lostWords(lost, from) : [];
  if (words.length > 0)
    wb.message = {
      kind: 'info',
      text: `${registry.kindOf(kind).label} has no place for ${listed(words)}. It is kept for when you swap back.`
    };
}
