import { settingsWithDefaults } from '../kinds/settings';
import type { Registry } from '../kinds/registry';
import type { Node } from '../project/types';
import type { Cell } from './cells';

/** @returns the class of a part whose block is called `base`. */
export const partClass = (base: string, part: string): string => (part === 'root' ? base : `${base}-${part}`);

/** Gives every block of a style sheet a name of its own. */
export class Names {
  private readonly taken: Set<string>;

  /** @param reserved classes that stand already. */
  constructor(
    private readonly registry: Registry,
    reserved: Iterable<string>
  ) {
    this.taken = new Set(reserved);
  }

  /**
   * @returns a name for what some pieces of one kind have beside it: of one its own, of several what they
   * have in common.
   */
  take(
    nodes: readonly Node[],
    others: readonly Node[],
    own: readonly Cell[],
    parts: readonly string[]
  ): string {
    const [first] = nodes;
    const wanted = nodes.length === 1 ? first!.id : this.nameOfSeveral(nodes, others, own);
    let name = wanted;
    for (let count = 2; parts.some((part) => this.taken.has(partClass(name, part))); count += 1)
      name = `${wanted}-${count}`;
    parts.forEach((part) => this.taken.add(partClass(name, part)));
    return name;
  }

  private nameOfSeveral(nodes: readonly Node[], others: readonly Node[], own: readonly Cell[]): string {
    const { kind } = nodes[0]!;
    const ground = own.find(
      ({ property, value }) => property === 'background-color' && /^var\(--[a-z]/.test(value)
    );
    if (ground) return `${kind}-${/--([\w-]+)/.exec(ground.value)![1]!}`;
    return `${kind}-${this.settingInCommon(nodes, others) ?? 'alike'}`;
  }

  /** @returns the value of a setting that all of these have and none of the others: of headings their level. */
  private settingInCommon(nodes: readonly Node[], others: readonly Node[]): string | null {
    const settingsOf = (node: Node) => settingsWithDefaults(this.registry.of(node), node);
    const [first, ...rest] = nodes.map(settingsOf);
    for (const [key, value] of Object.entries(first!)) {
      const isName = typeof value === 'string' && /^[a-z\d]{1,12}$/.test(value);
      if (!isName || rest.some((each) => each[key] !== value)) continue;
      if (others.every((node) => settingsOf(node)[key] !== value)) return value;
    }
    return null;
  }
}
