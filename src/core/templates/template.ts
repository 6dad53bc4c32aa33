import type { Category, Make } from '../kinds/contract';
import type { Fragment } from '../project/types';

/** A ready-made group of pieces of known kinds; once inserted it is pieces like any other. */
export interface Template {
  readonly template: string;
  readonly label: string;
  /** One line for the insert list. */
  readonly summary: string;
  /** What people call it or want it for, beside its label and summary. */
  readonly words: readonly string[];
  /** Kind of its outermost piece, which decides where it may stand. */
  readonly root: string;
  readonly category: Category;
  build(make: Make): Fragment;
}
