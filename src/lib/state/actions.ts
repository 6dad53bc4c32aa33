import { PANELS, type PanelName } from '$lib/workbench/panels';
import { conditionWords, SWITCHED } from '$core/kinds/conditions';
import { alikeOf } from '$core/project/alike';
import { newId, slug } from '$core/project/ids';
import { childIds, maybePlaceOf, nodeOf } from '$core/project/tree';
import type { Command } from '$core/commands/commands';
import { withFittingLevels } from '$core/kinds/headings';
import { makeWith } from '$core/kinds/make';
import type { Fragment, NodeId, Page, Place, Project, ShelfId } from '$core/project/types';
import { referencesInto, type Reference } from '$core/kinds/references';
import { registry } from '$core/registry';
import { endIn, placed, type FoundPlace } from '$core/kinds/place';
import { itemKindOf } from './items';
import { swapFor } from './swapping';
import { VIEWS, type Workbench } from './workbench.svelte';
import { writeInPlace } from './writing';
import type { ToFrame } from '$preview/messages';
import { ownOf } from '$core/data/record';
import type { FieldSpec } from './fields';
import { timingRows } from './timing';
import { addEffect } from './effects';
import { goToRegion } from './regions';
import { freeName } from '$core/data/free-name';

/** Something the designer can do: by key, by button, or found by name. One list serves all three. */
export interface Action {
  readonly id: string;
  readonly label: string;
  readonly group: 'Insert' | 'Piece' | 'View' | 'Project';
  /** Keys in the order shown; `$mod` is Ctrl, or Command on a Mac. */
  readonly keys: readonly string[];
  /** The browser does it by these keys, and tells the page by an event. */
  readonly isNative?: boolean;
  /** What people call it beside its label: it is found by these too. */
  readonly words?: readonly string[];
  /** Null where it can be done, else why not. */
  refusal(wb: Workbench): string | null;
  run(wb: Workbench): void;
}

const always = () => null;
/** What stands beside the page is out of reach while that has the whole window. */
const unlessFull = ({ preview }: Workbench) =>
  preview.isFull ? 'Leave the full window by Esc first.' : null;
const make = makeWith();
const nothing = 'Pick something in the outline or the preview first.';

/**
 * Puts pieces where they find a place, and picks the outermost.
 * @param fitted what else is done to them in the same step, where it is known what they stand on.
 * @returns whether it could.
 */
export function insertFragment(
  wb: Workbench,
  fragment: Fragment,
  found: FoundPlace,
  fitted?: (after: Project) => readonly Command[]
): boolean {
  const insert: Command = { type: 'insert', fragment: placed(fragment, found, make), at: found.at };
  const gone: readonly Command[] = found.instead ? [{ type: 'remove', ids: [found.instead] }] : [];
  const mends = fitted ? fitted(afterIt(wb, insert)) : [];
  const commands = [insert, ...gone, ...mends];
  const label = `Insert ${nodeOf(fragment, fragment.root).name}`;
  if (wb.dispatch(commands.length > 1 ? { type: 'batch', label, commands } : insert)) return false;
  wb.select([fragment.root]);
  return true;
}

/** The project as a command would leave it; as it is where the command is refused. */
function afterIt(wb: Workbench, command: Command): Project {
  const outcome = wb.tools?.apply(registry, wb.project, command);
  return outcome?.ok ? outcome.project : wb.project;
}

/**
 * Inserts something that has just been built; its headings are made to fit those of the page around it, and its
 * colours what it stands on.
 */
export function insertNew(wb: Workbench, fragment: Fragment, found: FoundPlace | null): void {
  if (!found) return;
  const fitted = withFittingLevels(registry, wb.project, fragment, found.at);
  insertFragment(wb, fitted, found, (after) =>
    after.nodes[fitted.root] ? wb.tools!.colourMends(registry, after, fitted.root) : []
  );
}

/** Inserts a new piece of a kind where there is a place for it. */
export function insertKind(wb: Workbench, kind: string): void {
  const fragment = registry.kindOf(kind).create(make);
  insertNew(wb, fragment, wb.findPlaceOf(fragment));
}

/** Adds a panel (or another item) to a widget that has a list of them. */
export function addItem(wb: Workbench, owner: NodeId, slot: string): void {
  const kind = itemKindOf(wb, { owner, slot });
  const index = (nodeOf(wb.project, owner).slots[slot] ?? []).length;
  const fragment = kind.create(make);
  const named = { ...fragment.nodes[fragment.root]!, name: `${kind.label} ${index + 1}` };
  insertNew(
    wb,
    { root: fragment.root, nodes: { ...fragment.nodes, [fragment.root]: named } },
    { at: { parent: owner, slot, index }, around: null }
  );
}

function step(wb: Workbench, by: -1 | 1): Place | null {
  const id = wb.selected.at(-1);
  const at = id ? maybePlaceOf(wb.project, id) : null;
  if (!at) return null;
  const siblings = nodeOf(wb.project, at.parent).slots[at.slot]!;
  const to = at.index + by;
  if (to >= 0 && to < siblings.length) return { ...at, index: by > 0 ? to + 1 : to };
  return null;
}

/** Out of its parent: after it, where the grandparent takes it. */
function outward(wb: Workbench): Place | null {
  const id = wb.selected.at(-1);
  const at = id ? maybePlaceOf(wb.project, id) : null;
  const up = at ? maybePlaceOf(wb.project, at.parent) : null;
  return up ? { ...up, index: up.index + 1 } : null;
}

/** Into the sibling before it, at its end. */
function inward(wb: Workbench): Place | null {
  const id = wb.selected.at(-1);
  const at = id ? maybePlaceOf(wb.project, id) : null;
  const before = at ? nodeOf(wb.project, at.parent).slots[at.slot]![at.index - 1] : undefined;
  if (!id || !before) return null;
  return endIn(registry, registry.of(nodeOf(wb.project, id)), nodeOf(wb.project, before));
}

function moveAction(id: string, label: string, key: string, place: (wb: Workbench) => Place | null): Action {
  return {
    id,
    label,
    group: 'Piece',
    keys: [key],
    refusal(wb) {
      if (wb.selected.length === 0) return nothing;
      return place(wb) ? null : 'It cannot go further that way.';
    },
    run(wb) {
      const at = place(wb);
      if (at) wb.dispatch({ type: 'move', ids: wb.selected, at });
    }
  };
}

const onSelection = (id: string, label: string, keys: string[], run: (wb: Workbench) => void): Action => ({
  id,
  label,
  group: 'Piece',
  keys,
  refusal: (wb) => (wb.selected.length === 0 ? nothing : null),
  run
});

/** Adds a page; what makes it comes when it is asked for. */
async function newPage(wb: Workbench, from?: Page): Promise<void> {
  const { addPage, freePageName } = await import('./pages');
  if (from) addPage(wb, freePageName(wb, `${from.name}, copy`), { as: 'copy', of: from.id });
  else addPage(wb, freePageName(wb, 'New page'), { as: 'empty' });
}

function wrapIn(wb: Workbench, kind: string): void {
  const fragment = registry.kindOf(kind).create(make);
  // A figure starts with a picture of its own; around something else it starts empty.
  const root = fragment.nodes[fragment.root]!;
  const empty =
    kind === 'figure'
      ? { root: fragment.root, nodes: { [fragment.root]: { ...root, slots: { content: [] } } } }
      : fragment;
  if (!wb.dispatch({ type: 'wrap', ids: wb.selected, fragment: empty })) wb.select([fragment.root]);
}

const undo = (wb: Workbench) => ({ label: 'Undo', run: () => wb.undo() });

/** What still names something that was deleted, in a sentence. */
function namedBy(references: readonly Reference[]): string {
  const { from, label } = references[0]!;
  const more = references.length - 1;
  const others = more === 0 ? '' : `, and ${more} more`;
  return `${label} of ${from.name} named what was deleted${others}.`;
}

/** Deletes pieces, and says what named them. @returns whether it could. */
export function removePieces(wb: Workbench, ids: readonly NodeId[]): boolean {
  const named = referencesInto(registry, wb.project, ids);
  if (wb.dispatch({ type: 'remove', ids })) return false;
  if (named.length > 0) wb.message = { kind: 'info', text: namedBy(named), act: undo(wb) };
  return true;
}

export function removeSelected(wb: Workbench): void {
  const first = maybePlaceOf(wb.project, wb.selected[0]!);
  if (!removePieces(wb, wb.selected) || !first) return;
  const siblings = wb.project.nodes[first.parent]?.slots[first.slot] ?? [];
  wb.select([siblings[Math.min(first.index, siblings.length - 1)] ?? first.parent]);
}

/** The picked sections in the order of the page; of one alone, it and all that follow. */
function runOf({ project, page, selected }: Workbench): readonly NodeId[] {
  const sections = nodeOf(project, page.root).slots.sections ?? [];
  const picked = sections.filter((id) => selected.includes(id));
  return picked.length === 1 ? sections.slice(sections.indexOf(picked[0]!)) : picked;
}

function freeShelfName({ current, project }: Workbench): string {
  const taken = new Set(Object.values(project.shelf).map(({ name }) => name));
  return freeName(current.name.slice(0, 70), taken, ' ');
}

function duplicateSelected(wb: Workbench): void {
  const last = wb.selected.at(-1)!;
  if (wb.dispatch({ type: 'duplicate', ids: wb.selected })) return;
  const at = maybePlaceOf(wb.project, last)!;
  wb.select([nodeOf(wb.project, at.parent).slots[at.slot]![at.index + 1]!]);
}

const bandStep = (wb: Workbench, by: -1 | 1) => {
  const { narrow, medium } = wb.project.info.bands;
  const stops = [360, narrow, medium, 1120, 1440, 1920];
  const next =
    by > 0
      ? stops.find((stop) => stop > wb.preview.width)
      : stops.findLast((stop) => stop < wb.preview.width);
  if (next) wb.preview.width = next;
};

/** Sets the picked piece's movement going, as a hand would. */
export function playMovement(wb: Workbench, field?: FieldSpec): void {
  const start = startOf(wb, field);
  if (!start) return;
  if (start.how === 'press') wb.preview.mode = 'try';
  wb.preview.sendToPreview({ type: 'scrub', time: null });
  setTimeout(() => wb.preview.sendToPreview(start), 60);
}

/** The first movement of the picked piece that moves. */
const firstMove = (wb: Workbench) => timingRows(wb).moves.find(({ bars }) => bars.length > 0)?.track?.field;

const LYING: Readonly<Record<string, 'open' | 'close'>> = { opening: 'open', closing: 'close' };

/**
 * What sets the movements of the picked piece going; null where nothing does.
 * @param field the movement that is wanted, where the piece has several; left out, any.
 */
export function startOf(wb: Workbench, field?: FieldSpec): Extract<ToFrame, { type: 'play' }> | null {
  const { play, effects = [] } = wb.kind;
  const node = wb.tuned.id;
  const lying = ownOf(LYING, field?.event ?? '');
  if (lying) return { type: 'play', node, part: field!.part!, how: lying };
  const enters = effects.some(({ clock }) => clock !== undefined);
  if (enters && (field?.effect || !play)) return { type: 'play', node, part: 'root', how: 'enter' };
  return play ? { type: 'play', node, part: play.part, how: 'press' } : null;
}

export const actions: readonly Action[] = [
  {
    id: 'insert',
    label: 'Insert…',
    group: 'Insert',
    keys: ['a'],
    refusal: always,
    run: (wb) => (wb.open = 'insert')
  },
  {
    id: 'edit-text',
    label: 'Edit text',
    group: 'Piece',
    keys: ['Enter'],
    refusal: (wb) => (wb.selected.length === 0 ? nothing : null),
    run(wb) {
      if (writeInPlace(wb, wb.current.id, null)) return;
      wb.view = 'Fill';
      wb.editing = wb.current.id;
    }
  },
  onSelection('rename', 'Rename', ['F2'], (wb) => (wb.renaming = wb.current.id)),
  onSelection('duplicate', 'Duplicate', ['$mod+d'], duplicateSelected),
  {
    ...onSelection(
      'give-look',
      'Give this look to all like it',
      [],
      (wb) =>
        void wb.dispatch({ type: 'give-look', id: wb.current.id, to: alikeOf(wb.project, wb.current.id) })
    ),
    refusal(wb) {
      if (wb.selected.length === 0) return nothing;
      if (alikeOf(wb.project, wb.current.id).length > 0) return null;
      return `Nothing stands beside ${wb.current.name} that is like it.`;
    }
  },
  {
    id: 'alternate-fills',
    label: 'Alternate fills down the run',
    group: 'Piece',
    keys: [],
    refusal: (wb) => wb.refusal({ type: 'alternate-fills', ids: runOf(wb) })?.sentence ?? null,
    run: (wb) => void wb.dispatch({ type: 'alternate-fills', ids: runOf(wb) })
  },
  onSelection('shelve', 'Put on the shelf', [], (wb) => {
    const name = freeShelfName(wb);
    if (!wb.dispatch({ type: 'shelve', id: wb.current.id, shelf: newId<ShelfId>(slug(name)), name }))
      wb.open = 'shelf';
  }),
  onSelection('detach', 'Detach from the shelf', [], (wb) =>
    wb.dispatch({ type: 'detach', id: wb.linked?.node.id ?? wb.current.id })
  ),
  onSelection('delete', 'Delete', ['Delete', 'Backspace'], removeSelected),
  // The browser's own copy and paste carry the pieces (see Workbench.svelte); run by name, they are set going
  // here.
  { ...onSelection('copy', 'Copy', ['$mod+c'], () => void document.execCommand('copy')), isNative: true },
  { ...onSelection('cut', 'Cut', ['$mod+x'], () => void document.execCommand('cut')), isNative: true },
  {
    id: 'paste',
    label: 'Paste',
    group: 'Piece',
    keys: ['$mod+v'],
    isNative: true,
    refusal: always,
    run: (wb) => void import('./clipboard').then(({ pasteInto }) => pasteInto(wb, null))
  },
  onSelection('climb', 'Pick its parent', ['u'], (wb) => {
    const parent = maybePlaceOf(wb.project, wb.selected.at(-1)!)?.parent;
    if (parent) wb.select(parent === wb.page.root ? [] : [parent]);
  }),
  ...(['stack', 'columns', 'figure'] as const).map((kind): Action =>
    onSelection(
      `wrap-${kind}`,
      `Wrap in ${registry.kinds.find((each) => each.kind === kind)!.label.toLowerCase()}`,
      kind === 'stack' ? ['$mod+g'] : [],
      (wb) => wrapIn(wb, kind)
    )
  ),
  onSelection('unwrap', 'Unwrap: take out what it holds', ['$mod+Shift+g'], (wb) => {
    const inside = childIds(wb.current);
    if (!wb.dispatch({ type: 'unwrap', id: wb.current.id }))
      wb.select(inside.filter((id) => wb.project.nodes[id]));
  }),
  ...registry.kinds
    .filter((kind) => kind.insertable)
    .map((kind): Action => ({
      id: `swap-${kind.kind}`,
      label: `Swap for ${kind.label.toLowerCase()}`,
      group: 'Piece',
      keys: [],
      refusal: (wb) =>
        wb.selected.length === 0
          ? nothing
          : (wb.refusal({ type: 'swap', id: wb.current.id, kind: kind.kind })?.sentence ?? null),
      run: (wb) => swapFor(wb, kind.kind)
    })),
  {
    id: 'open-all',
    label: 'Open all that collapses, and say how high the page is',
    group: 'View',
    keys: ['o'],
    refusal: always,
    run: (wb) => wb.preview.sendToPreview({ type: 'unfold', isOpen: true })
  },
  {
    id: 'close-all',
    label: 'Close all that collapses, and say how high the page is',
    group: 'View',
    keys: ['Shift+O'],
    refusal: always,
    run: (wb) => wb.preview.sendToPreview({ type: 'unfold', isOpen: false })
  },
  {
    id: 'all-backs',
    label: 'Turn all cards over, to look at their backs',
    group: 'View',
    keys: ['b'],
    words: ['backs', 'faces', 'flip'],
    refusal: always,
    run: (wb) => wb.preview.sendToPreview({ type: 'turn', isOut: true })
  },
  {
    id: 'all-fronts',
    label: 'Turn all cards back to their fronts',
    group: 'View',
    keys: ['Shift+B'],
    refusal: always,
    run: (wb) => wb.preview.sendToPreview({ type: 'turn', isOut: false })
  },
  {
    id: 'guides',
    label: 'Distances under the pointer',
    group: 'View',
    keys: ['g'],
    refusal: always,
    run: (wb) => (wb.preview.showsGuides = !wb.preview.showsGuides)
  },
  moveAction('move-up', 'Move up', 'Alt+ArrowUp', (wb) => step(wb, -1)),
  moveAction('move-down', 'Move down', 'Alt+ArrowDown', (wb) => step(wb, 1)),
  moveAction('move-out', 'Move out of its parent', 'Alt+ArrowLeft', outward),
  moveAction('move-in', 'Move into the piece above', 'Alt+ArrowRight', inward),
  {
    id: 'page-new',
    label: 'New page',
    group: 'Project',
    keys: [],
    refusal: always,
    run: (wb) => void newPage(wb)
  },
  {
    id: 'page-duplicate',
    label: 'Duplicate this page',
    group: 'Project',
    keys: [],
    refusal: always,
    run: (wb) => void newPage(wb, wb.page)
  },
  {
    id: 'page-delete',
    label: 'Delete this page',
    group: 'Project',
    keys: [],
    refusal: (wb) => wb.refusal({ type: 'remove-page', id: wb.pageId })?.sentence ?? null,
    run: (wb) => void wb.dispatch({ type: 'remove-page', id: wb.pageId })
  },
  {
    id: 'page-settings',
    label: 'About this page: title, description, language',
    group: 'Project',
    keys: [],
    refusal: always,
    run(wb) {
      wb.select([]);
      wb.view = 'Fill';
    }
  },
  {
    id: 'undo',
    label: 'Undo',
    group: 'Project',
    keys: ['$mod+z'],
    refusal: (wb) => (wb.history.past.length ? null : 'There is nothing to undo.'),
    run: (wb) => wb.undo()
  },
  {
    id: 'redo',
    label: 'Redo',
    group: 'Project',
    keys: ['$mod+Shift+z', '$mod+y'],
    refusal: (wb) => (wb.history.future.length ? null : 'There is nothing to redo.'),
    run: (wb) => wb.redo()
  },
  ...VIEWS.map((view, i): Action => ({
    id: `view-${view}`,
    label: `${view} of the tuning sheet`,
    group: 'View',
    keys: [String(i + 1)],
    refusal: always,
    run: (wb) => (wb.view = view)
  })),
  {
    id: 'next-region',
    label: 'Next part of the window',
    group: 'View',
    keys: ['F6'],
    refusal: unlessFull,
    run: () => goToRegion(1)
  },
  {
    id: 'previous-region',
    label: 'Part of the window before',
    group: 'View',
    keys: ['Shift+F6'],
    refusal: unlessFull,
    run: () => goToRegion(-1)
  },
  {
    id: 'try',
    label: 'Select or try it',
    group: 'View',
    keys: ['t'],
    refusal: always,
    run: (wb) => (wb.preview.mode = wb.preview.mode === 'select' ? 'try' : 'select')
  },
  {
    id: 'narrower',
    label: 'Next narrower width',
    group: 'View',
    keys: ['['],
    refusal: always,
    run: (wb) => bandStep(wb, -1)
  },
  {
    id: 'wider',
    label: 'Next wider width',
    group: 'View',
    keys: [']'],
    refusal: always,
    run: (wb) => bandStep(wb, 1)
  },
  {
    id: 'three',
    label: 'One width or three',
    group: 'View',
    keys: ['w'],
    refusal: always,
    run: (wb) => (wb.preview.widths = wb.preview.widths === 'one' ? 'three' : 'one')
  },
  {
    id: 'full',
    label: 'Full window',
    group: 'View',
    keys: ['v'],
    refusal: always,
    run: (wb) => (wb.preview.isFull = !wb.preview.isFull)
  },
  {
    id: 'slow',
    label: 'Slow motion',
    group: 'View',
    keys: ['s'],
    refusal: always,
    run: (wb) => (wb.preview.rate = wb.preview.rate === 1 ? 0.25 : 1)
  },
  {
    id: 'play',
    label: 'Play the movement',
    group: 'View',
    keys: ['p'],
    refusal: (wb) => (startOf(wb, firstMove(wb)) ? null : 'The picked piece has no movement to play.'),
    run: (wb) => playMovement(wb, firstMove(wb))
  },
  ...registry.effects.map(({ effect, label, summary, words = [] }): Action => ({
    id: `effect-${effect}`,
    label: `${label}: ${summary.charAt(0).toLowerCase()}${summary.slice(1)}`,
    group: 'Piece',
    keys: [],
    words: [...words, 'effect'],
    refusal: (wb) => wb.refusal({ type: 'add-effect', id: wb.tuned.id, effect })?.sentence ?? null,
    run(wb) {
      addEffect(wb, effect);
      wb.view = 'Behaviour';
    }
  })),
  ...SWITCHED.map((name): Action => ({
    id: `try-${name}`,
    label: `Try ${conditionWords(name)}`,
    group: 'View',
    keys: [],
    refusal: always,
    run: (wb) => wb.preview.toggleSwitch(name)
  })),
  ...Object.entries(PANELS).map(([name, { label, group, keys, stands }]): Action => ({
    id: name,
    label,
    group,
    keys,
    refusal: always,
    run(wb) {
      const isClosing = stands === 'beside' && wb.open === name;
      wb.open = isClosing ? null : (name as PanelName);
    }
  }))
];

/** Keys as people read them. */
export function shownKey(key: string): string {
  const names: Record<string, string> = {
    $mod: 'Ctrl',
    ArrowUp: '↑',
    ArrowDown: '↓',
    ArrowLeft: '←',
    ArrowRight: '→'
  };
  return key
    .replace('Shift+?', '?')
    .split('+')
    .map((part) => names[part] ?? (part.length === 1 ? part.toUpperCase() : part))
    .join(' ');
}

function actionOf(id: string): Action {
  const action = actions.find((each) => each.id === id);
  if (!action) throw new Error(`actionOf: no action ${JSON.stringify(id)}`);
  return action;
}

/** Why an action cannot be done now, in a sentence; null where it can. */
export const refusalOf = (wb: Workbench, id: string): string | null => actionOf(id).refusal(wb);

export function runAction(wb: Workbench, id: string): void {
  const action = actionOf(id);
  const refusal = action.refusal(wb);
  if (refusal) wb.message = { kind: 'info', text: refusal };
  else action.run(wb);
}
