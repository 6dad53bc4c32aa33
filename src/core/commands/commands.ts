import { clearSetting, rename, setSetting, setStyle } from './content';
import { removeSource, setBinding, setQuery, setSource } from './data';
import { addEffect, removeEffect } from './effects';
import { alternateFills, copyLook, giveLook } from './looks';
import { movePage, removePage, setPage } from './pages';
import {
  addAsset,
  removeAsset,
  setFaceLate,
  addPage,
  renameProject,
  setAside,
  setBands,
  setSupport
} from './project';
import { detach, renameShelved, shelve, takeShelved, unshelve, updateLinked } from './shelf';
import { duplicate, insert, move, remove } from './structure';
import { removeToken, setToken } from './tokens';
import { swap } from './swap';
import { unwrap, wrap } from './wrap';

import type { LookAt } from './looks';
import type { Asset, AssetId, NodeId, Page, PageId, Place, ShelfId, Token, TokenId } from '../project/types';
import type { CommandDefinition } from './define';

/** Everything that can be done to a project. */
export const COMMANDS = [
  insert,
  move,
  remove,
  duplicate,
  wrap,
  unwrap,
  swap,
  rename,
  setSetting,
  clearSetting,
  addEffect,
  removeEffect,
  setStyle,
  copyLook,
  giveLook,
  alternateFills,
  setToken,
  removeToken,
  renameProject,
  setBands,
  setSupport,
  setAside,
  addPage,
  setPage,
  movePage,
  removePage,
  addAsset,
  removeAsset,
  setFaceLate,
  shelve,
  renameShelved,
  updateLinked,
  takeShelved,
  detach,
  setSource,
  removeSource,
  setQuery,
  setBinding,
  unshelve
] as const;

type Id = NodeId | PageId | AssetId | TokenId | ShelfId;

/** Ids come as any text and are checked where the command is applied: commands come from files and logs too. */
type PlainId<Value> = Value extends Id ? string : Value;
type PlainIn<Value> = { readonly [Key in keyof Value]: PlainId<Value[Key]> };
type Plain<Value> = Value extends Place | Token | Asset | Page | LookAt ? PlainIn<Value> : PlainList<Value>;
type PlainList<Value> = Value extends readonly Id[]
  ? readonly string[]
  : Value extends readonly LookAt[]
    ? readonly PlainIn<LookAt>[]
    : PlainId<Value>;

type Of<Definition> =
  Definition extends CommandDefinition<infer Type, infer Args>
    ? { readonly type: Type } & { readonly [Key in keyof Args]: Plain<Args[Key]> }
    : never;

/** Several commands as one step of the history: all of them, or none. */
export interface Batch {
  readonly type: 'batch';
  /** For the history; empty where it names none. */
  readonly label: string;
  readonly commands: readonly Command[];
}

/** A command as data: its type and its arguments. */
export type Command = Of<(typeof COMMANDS)[number]> | Batch;
