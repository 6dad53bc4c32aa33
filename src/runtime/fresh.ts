type Cell = string | number | boolean | null;
type Row = Record<string, unknown>;

/** What is said of a list that is drawn anew, as JSON. */
interface Told {
  address: string;
  language: string;
  types: Record<string, 'text' | 'number' | 'yes-no' | 'date'>;
  /** Columns, what they are compared with, and what may come out: `<`, `=`, `>`, `?` for no value; `~` for contains. */
  where: [column: string, wanted: Cell, outcomes: string][];
  /** Whether one or each of them has to hold. */
  any: 'some' | 'every';
  /** The column it is sorted by, empty for none; upwards 1, downwards -1. */
  by: string;
  way: 1 | -1;
  /** Of the rows that are left: the first that is shown, and the first behind the last. */
  from: number;
  to: number;
  marks: Record<
    string,
    { column: string; otherwise: string; only?: string; format?: Intl.DateTimeFormatOptions }
  >;
}

/**
 * Draws a list with the rows of today, which an address gives as JSON. Its template has the row that stands for all,
 * and behind it what is said where no row comes. Values are put in as text, whatever is in them. Where nothing is to
 * be had, the list stays as it is.
 */
export function fresh(root: HTMLElement): (() => void) | undefined {
  const told = JSON.parse(root.dataset.kFresh!) as Told;
  const { marks } = told;
  const template = root.lastElementChild as HTMLTemplateElement;

  const cellOf = (row: Row, column: string): Cell => {
    // What stands one level down is a column, too: `price.net`.
    const inner = () => column.split('.').reduce<unknown>((at, name) => (at as Row)?.[name], row);
    const text = `${row[column] ?? inner() ?? ''}`;
    const type = told.types[column];
    if (!text) return null;
    if (type === 'yes-no') return /yes|true/i.test(text);
    if (type === 'number') return isNaN(+text) ? null : +text;
    if (type === 'date') return Date.parse(text) ? text.slice(0, 10) : null;
    return text;
  };
  const holds = (row: Row, [column, wanted, outcomes]: Told['where'][number]): boolean | undefined => {
    const found = cellOf(row, column) as string | null;
    const value = found?.toLowerCase?.() ?? found;
    if (outcomes === '~') return value?.includes(wanted as string);
    if (value == null) return outcomes.includes('?');
    return outcomes.includes('<=>'[+(value > wanted!) - +(value < wanted!) + 1]!);
  };
  const compare = (one: Row, other: Row): number => {
    const [a, b] = [one, other].map((row) => cellOf(row, told.by)) as [string, string];
    const way = a?.localeCompare?.(b, told.language, { numeric: true }) ?? +a - +b;
    return ((a == null) as unknown as number) - ((b == null) as unknown as number) || told.way * way;
  };
  const written = (row: Row, { column, otherwise, only, format }: Told['marks'][string]): string => {
    const value = cellOf(row, column) as string | null;
    if (value == null || (only && value !== only)) return otherwise;
    if (!format) return `${value}`;
    return (format.dateStyle ? new Date(value) : value).toLocaleString(told.language, format);
  };
  const drawn = (row: Row): Element => {
    const [item] = parts();
    for (const element of item!.querySelectorAll<HTMLAnchorElement>('*')) {
      for (const place of [...element.attributes, ...element.childNodes])
        place.nodeValue &&= place.nodeValue.replace(/{{.+?}}/g, (mark) =>
          marks[mark] ? written(row, marks[mark]) : mark
        );
      if (element.matches('[data-if=""],[data-if=false]')) element.remove();
      // An address begins with file, http, https, mailto or tel, or stands by itself (`:`, or about).
      if (element.protocol?.match(/^[^afhmt:]/)) element.removeAttribute('href');
    }
    return item!;
  };
  const parts = () => [...(template.content.cloneNode(true) as DocumentFragment).children];

  fetch(told.address)
    .then((answer) => answer.ok && answer.json())
    .then((given) => {
      const rows = [given, ...Object.values(given)]
        .find(Array.isArray)!
        .filter((row: Row) => told.where[told.any]((each) => holds(row, each)));
      const shown = rows.sort(compare).slice(told.from, told.to).map(drawn);
      const said = shown[0] ? shown : parts().slice(1);
      root.replaceChildren(...said, template);
    })
    .catch(() => {});
  return undefined;
}
