import type { Element, ElementContent, Root } from 'hast';
import { isEmpty, ownOf, type Loose } from '../data/record';
import { cleanHtml } from '../html/clean';
import { CIRCUMSTANCES, heapOf, settingsUnder } from '../kinds/circumstances';
import type { Context, Kind } from '../kinds/contract';
import type { Registry } from '../kinds/registry';
import { notes } from '../kinds/rule';
import { settingsWithDefaults } from '../kinds/settings';
import { maybeNode } from '../project/tree';
import type { AssetId, Bands, ConditionName, Node, NodeId, Project, SupportTarget } from '../project/types';
import type { Reads } from './reads';
import { remembered } from '../data/remembered';
import { compact } from '../data/compact';
import { maybeFileOf } from '../project/files';

/**
 * @returns a node's settings while a condition holds (a narrow window has the medium band's too); the same object as long as nothing
 * differs there.
 */
export const settingsAt = (kind: Kind, node: Node, condition: ConditionName): Loose =>
  settingsUnder(kind, node, settingsWithDefaults(kind, node), heapOf(condition));

const knownVariants = new WeakMap<object, readonly Loose[]>();

/** Nodes that are set alike and adapt to nothing share their variants. */
function variantsOf(kind: Kind, node: Node): readonly Loose[] {
  const base = settingsWithDefaults(kind, node);
  const key = isEmpty(node.adapt) ? base : node;
  return remembered(knownVariants, key, () => [base, ...settingsUnderEach(kind, node, base)]);
}

/** Settings under each circumstance the kind or the node adapts to. */
const settingsUnderEach = (kind: Kind, node: Node, base: Loose) =>
  CIRCUMSTANCES.filter((condition) => kind.adapt?.[condition] || node.adapt[condition]).map((condition) =>
    settingsUnder(kind, node, base, heapOf(condition))
  );

interface Asking {
  /** Settings the kind has ever asked for; written down as it asks. */
  readonly asked: Set<string>;
  readonly settings: Loose;
}

/** A class, since one is made for every node and its methods are the same for all. */
export class NodeContext implements Context {
  constructor(
    private readonly registry: Registry,
    private readonly project: Project,
    private readonly node: Node,
    private readonly reads: Reads,
    private readonly stem: string,
    private readonly asking: Asking | null = null
  ) {}

  get support(): SupportTarget {
    return (this.reads.support = this.project.info.support);
  }

  get bands(): Bands {
    return (this.reads.bands = this.project.info.bands);
  }

  variants<S>(of: Node): readonly S[] {
    const variants = variantsOf(this.registry.of(of), of);
    return (
      this.asking ? variants.map((settings) => noting(settings, this.asking!.asked)) : variants
    ) as readonly S[];
  }

  cls(part: string): string {
    return part === 'root' ? this.stem : `${this.stem}-${part}`;
  }

  sel(part: string): string {
    return `.${this.cls(part)}`;
  }

  maybeNode(id: NodeId): Node | null {
    const node = maybeNode(this.project, id);
    (this.reads.nodes ??= new Map()).set(id, node ?? undefined);
    return node;
  }

  maybeAsset(id: AssetId) {
    const asset = ownOf(this.project.assets, id);
    (this.reads.assets ??= new Map()).set(id, asset);
    return asset ?? null;
  }

  leadsHere(href: string): boolean {
    // An anchor leads to a place of the page, not to the page; most links of most pages are such.
    if (!/^[a-z0-9-]+\.html$/.test(href)) return false;
    const { id } = this.node;
    const file = maybeFileOf(this.project, id);
    (this.reads.files ??= new Map()).set(id, file);
    return file === href;
  }

  opener(id: string): Element['properties'] {
    const target = id ? this.maybeNode(id as NodeId) : null;
    const { opens } = target ? this.registry.of(target) : {};
    if (!opens) return {};
    const panel = `${id}-${opens.part}`;
    return opens.how === 'popover' ? { popoverTarget: panel } : { dataKOpens: panel, ariaHasPopup: 'dialog' };
  }

  items(slot: string): readonly Node[] {
    return compact((this.node.slots[slot] ?? []).map((id) => this.maybeNode(id)));
  }

  slot(name: string, item: Node = this.node): ElementContent[] {
    return (item.slots[name] ?? []).map(placeOfChild);
  }

  settings<S>(of: Node): S {
    return (
      this.asking && of === this.node
        ? noting(this.asking.settings, this.asking.asked)
        : settingsWithDefaults(this.registry.of(of), of)
    ) as S;
  }

  part(
    name: string,
    tag: string,
    properties: Element['properties'] = {},
    children: readonly ElementContent[] = [],
    item?: Node
  ): Element {
    return {
      type: 'element',
      tagName: tag,
      properties: { className: [this.cls(name)], ...properties },
      children: children as Element['children'],
      data: notes({ mark: { node: item?.id ?? this.node.id, part: name } })
    };
  }

  html(text: string): Root {
    return cleanHtml(text);
  }
}

/** @returns the settings, writing down which are asked for. */
function noting(settings: Loose, asked: Set<string>): Record<string, unknown> {
  return new Proxy(settings, {
    get(target, name) {
      if (typeof name === 'string') asked.add(name);
      return target[name as string];
    }
  });
}

/** Where a child will stand: printing and the frame put it there. */
const placeOfChild = (child: NodeId): Element => ({
  type: 'element',
  tagName: 'k-slot',
  properties: {},
  children: [],
  data: notes({ child })
});
