import type { Component } from 'svelte';
import type { Workbench } from '$lib/state/workbench.svelte';

/** Something that opens in the workbench. */
export interface Panel {
  readonly label: string;
  readonly group: 'Project' | 'View' | 'Piece';
  readonly keys: readonly string[];
  /**
   * `beside` the page, which keeps the keys; `over` everything, with keys of its own. The insert drawer comes
   * `over` too, but is opened by an action of its own.
   */
  readonly stands: 'beside' | 'over';
  /** Its code comes when it is opened for the first time. */
  load(): Promise<{ default: Component<{ wb: Workbench }> }>;
}

/** Everything that opens, by name. Its action, its keys and where it stands follow from here. */
export const PANELS = {
  export: {
    label: 'Export…',
    group: 'Project',
    keys: ['$mod+e'],
    stands: 'over',
    load: () => import('$lib/dialogs/ExportDialog.svelte')
  },
  specification: {
    label: 'Specification sheet…',
    group: 'Project',
    keys: ['$mod+Shift+e'],
    stands: 'over',
    load: () => import('$lib/dialogs/SpecificationDialog.svelte')
  },
  publish: {
    label: 'Publish on this machine…',
    group: 'Project',
    keys: ['$mod+Shift+p'],
    stands: 'over',
    load: () => import('$lib/dialogs/PublishDialog.svelte')
  },
  findings: {
    label: 'Findings',
    group: 'Project',
    keys: ['f'],
    stands: 'beside',
    load: () => import('$lib/side/FindingsPanel.svelte')
  },
  history: {
    label: 'History and versions',
    group: 'Project',
    keys: ['h'],
    stands: 'beside',
    load: () => import('$lib/side/HistoryPanel.svelte')
  },
  compare: {
    label: 'Compare two versions…',
    group: 'Project',
    keys: ['Shift+H'],
    stands: 'over',
    load: () => import('$lib/dialogs/compare/CompareDialog.svelte')
  },
  shelf: {
    label: 'Shelf',
    group: 'Project',
    keys: ['Shift+S'],
    stands: 'beside',
    load: () => import('$lib/side/ShelfPanel.svelte')
  },
  tokens: {
    label: 'Tokens',
    group: 'Project',
    keys: ['Shift+T'],
    stands: 'beside',
    load: () => import('$lib/side/TokensPanel.svelte')
  },
  data: {
    label: 'Data',
    group: 'Project',
    keys: ['Shift+D'],
    stands: 'beside',
    load: () => import('$lib/side/data/DataPanel.svelte')
  },
  pages: {
    label: 'Pages',
    group: 'Project',
    keys: ['Shift+P'],
    stands: 'over',
    load: () => import('$lib/dialogs/pages/PagesDialog.svelte')
  },
  order: {
    label: 'Reading and focus order',
    group: 'View',
    keys: ['Shift+R'],
    stands: 'beside',
    load: () => import('$lib/side/OrderPanel.svelte')
  },
  map: {
    label: 'Scroll map',
    group: 'View',
    keys: ['m'],
    stands: 'beside',
    load: () => import('$lib/side/map/MapPanel.svelte')
  },
  devices: {
    label: 'Stand-in devices',
    group: 'View',
    keys: ['Shift+V'],
    stands: 'beside',
    load: () => import('$lib/side/DevicesPanel.svelte')
  },
  search: {
    label: 'Find anything',
    group: 'View',
    keys: ['$mod+k'],
    stands: 'over',
    load: () => import('$lib/dialogs/search/SearchDialog.svelte')
  },
  keys: {
    label: 'All keys',
    group: 'View',
    keys: ['Shift+?'],
    stands: 'over',
    load: () => import('$lib/dialogs/KeysDialog.svelte')
  }
} as const satisfies Readonly<Record<string, Panel>>;

export type PanelName = keyof typeof PANELS;
