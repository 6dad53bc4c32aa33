import { element } from '../html/build';
import type { Element } from 'hast';
import { isFilled, type Icon } from '../html/icon';
import { freeName } from '../data/free-name';
import { remembered } from '../data/remembered';

/** Icons of one page: each is drawn once, and used wherever it shows. */
export class Symbols {
  private readonly byDrawing = new Map<string, { readonly id: string; readonly icon: Icon }>();

  /**
   * @param idsOf gives the ids that stand in the page already; asked once there is an icon.
   * @param className the class of every drawing, which the style sheet paints.
   */
  constructor(
    private readonly idsOf: () => Set<string>,
    private readonly className: string
  ) {}

  private taken: Set<string> | null = null;

  get isEmpty(): boolean {
    return this.byDrawing.size === 0;
  }

  /** @returns an element that shows the icon; `properties` are those of the element that drew it in place. */
  use(icon: Icon, properties: Element['properties']): Element {
    const outline = isFilled(icon) ? withoutFill(icon) : icon;
    const { id } = this.symbolOf(outline);
    const own: Element['properties'] = { className: [this.className] };
    if (isFilled(icon)) own.className = [this.className, `${this.className}-filled`];
    for (const name of ['dataChosen', 'ariaHidden'])
      if (properties[name] !== undefined) own[name] = properties[name];
    return element('svg', own, [element('use', { href: `#${id}` })]);
  }

  /** @returns what draws them all, out of sight. */
  sheet(): Element {
    const symbols = [...this.byDrawing.values()].map(symbolElement);
    return element('svg', { className: [`${this.className}-sheet`], ariaHidden: 'true' }, symbols);
  }

  private symbolOf(icon: Icon): { readonly id: string } {
    const key = JSON.stringify(icon.nodes);
    return remembered(this.byDrawing, key, () => ({ id: this.freeId(idWanted(icon)), icon }));
  }

  private freeId(wanted: string): string {
    const taken = (this.taken ??= this.idsOf());
    const id = freeName(wanted, taken);
    taken.add(id);
    return id;
  }
}

function idWanted({ name }: Icon): string {
  const words = name.toLowerCase().replace(/[^a-z\d]+/g, '-');
  return `icon-${words.replace(/^-|-$/g, '') || 'drawing'}`;
}

function symbolElement({ id, icon }: { readonly id: string; readonly icon: Icon }): Element {
  const shapes = icon.nodes.map(([tag, attributes]) => element(tag, { ...attributes }));
  return element('symbol', { id, viewBox: '0 0 24 24' }, shapes);
}

const withoutFill = ({ name, nodes }: Icon): Icon => ({
  name: name.replace(/ filled$/, ''),
  nodes: nodes.map(shapeWithoutFill)
});

const shapeWithoutFill = ([tag, { fill: _fill, ...attributes }]: Icon['nodes'][number]) =>
  [tag, attributes] as const;
