import { sameShape } from '$core/project/lineage';
import { childIds, nodeOf } from '$core/project/tree';
import type { NodeId, Page, PageId, Project } from '$core/project/types';

export interface OutlineRow {
  readonly id: NodeId;
  /** 0 for what stands in the page itself. */
  readonly depth: number;
  readonly isParent: boolean;
}

interface Known {
  project: Project;
  readonly page: PageId;
  readonly collapsed: ReadonlySet<NodeId>;
  readonly rows: readonly OutlineRow[];
}

/** Pieces of the page as the outline lists them. */
export class OutlineState {
  collapsed = $state.raw<ReadonlySet<NodeId>>(new Set());
  #known: Known | null = null;

  /** @param shown the project and the page the outline is of. */
  constructor(private readonly shown: { readonly project: Project; readonly page: Page }) {}

  /** Shows what is folded away in these pieces. */
  unfold(above: readonly NodeId[]): void {
    if (above.some((id) => this.collapsed.has(id)))
      this.collapsed = new Set([...this.collapsed].filter((id) => !above.includes(id)));
  }

  /**
   * Pieces in the order they are shown, without what is folded away; the same list while nothing comes, goes
   * or moves.
   */
  visible(): readonly OutlineRow[] {
    const { project, page } = this.shown;
    const { collapsed } = this;
    const known = this.#known;
    if (known?.page === page.id && known.collapsed === collapsed && sameShape(known.project, project)) {
      known.project = project;
      return known.rows;
    }
    const rows: OutlineRow[] = [];
    const walk = (id: NodeId, depth: number) => {
      const children = childIds(project.nodes[id]!);
      rows.push({ id, depth, isParent: children.length > 0 });
      if (!collapsed.has(id)) for (const child of children) walk(child, depth + 1);
    };
    for (const id of childIds(nodeOf(project, page.root))) walk(id, 0);
    this.#known = { project, page: page.id, collapsed, rows };
    return rows;
  }

  /** Rows whose piece is called so, with everything they stand in. */
  called(words: string): readonly OutlineRow[] {
    const { project, page } = this.shown;
    const wanted = words.trim().toLowerCase();
    const rows: OutlineRow[] = [];
    const walk = (id: NodeId, depth: number): boolean => {
      const node = project.nodes[id]!;
      const at = rows.length;
      const children = childIds(node);
      const holds = children.map((child) => walk(child, depth + 1)).includes(true);
      const isWanted = holds || node.name.toLowerCase().includes(wanted);
      if (isWanted) rows.splice(at, 0, { id, depth, isParent: children.length > 0 });
      return isWanted;
    };
    for (const id of childIds(nodeOf(project, page.root))) walk(id, 0);
    return rows;
  }
}
