import type { Component } from 'svelte';
import type { FieldMeta, Kind } from '$core/kinds/contract';
import type { Json, Node } from '$core/project/types';
import type { FieldSpec } from '$lib/state/fields';
import type { Workbench } from '$lib/state/workbench.svelte';
import Choice from './Choice.svelte';
import Quantity from './Quantity.svelte';
import Switch from './Switch.svelte';
import Words from './Words.svelte';

/** What every editor of a setting is given. */
export interface EditorProps {
  readonly wb: Workbench;
  readonly node: Node;
  readonly field: FieldSpec;
  /** Of the element that the field's label is for. */
  readonly id: string;
  /** What is said about the field, in a sentence or two; empty where nothing is. */
  readonly about: string;
  readonly value: unknown;
  /** Why the last value was refused; empty where none was. */
  readonly fault: string;
  /** Ids of elements that say more of the field. */
  readonly describedBy: string | undefined;
  /** Sets it, or says why it cannot be. @param merge steps in a row with the same word are undone as one. */
  set(to: Json, merge?: string): void;
  /** Refuses what is not even a value, in a sentence. */
  refuse(sentence: string): void;
  /** A gesture begins: a drag, or the first key in a field. */
  begin(): void;
}

/** How one sort of field is edited. */
interface Editor {
  readonly load: () =>
    Promise<{ readonly default: Component<EditorProps> }> | { readonly default: Component<EditorProps> };
  /** It brings its label, and takes the whole row. */
  readonly isWide?: boolean;
  /** It says itself why a value was refused. */
  readonly saysFault?: boolean;
}

const choice: Editor = { load: () => ({ default: Choice }) };
const quantity: Editor = { load: () => ({ default: Quantity }) };
const words: Editor = { load: () => ({ default: Words }) };

/** Of a choice whose ways are drawn. */
const arranged: Editor = { load: () => import('./Arranged.svelte'), isWide: true };

/** The editor of every sort of field there is; the large ones come when one is shown. */
const EDITORS: Readonly<Record<FieldMeta['control'], Editor>> = {
  text: words,
  link: words,
  css: words,
  // Those of an effect stand in one sheet.
  moments: words,
  choice,
  item: choice,
  piece: choice,
  track: choice,
  toggle: { load: () => ({ default: Switch }) },
  width: quantity,
  number: quantity,
  rich: { load: () => import('./Rich.svelte'), isWide: true },
  shares: { load: () => import('./Shares.svelte'), isWide: true, saysFault: true },
  icon: { load: () => import('./Drawing.svelte'), isWide: true },
  asset: { load: () => import('./Media.svelte') },
  place: { load: () => import('./Point.svelte') }
};

/** @returns the editor of a setting of a kind. */
export const editorOf = ({ arranged: ways }: Pick<Kind, 'arranged'>, { key, control }: FieldSpec): Editor =>
  ways?.setting === key ? arranged : EDITORS[control];
