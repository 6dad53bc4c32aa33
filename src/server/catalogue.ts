/**
 * A stand-in for a shop's catalogue: invented produce of Quillmere Orchard, with stock and sales that change by the
 * day. It lasts as long as the server runs; flags that a hand has set are kept that long.
 */

export const FLAGS = ['featured', 'best seller', 'in season'] as const;
export type Flag = (typeof FLAGS)[number];

/** One record, as it is given out. */
export interface Produce {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly price: number;
  /** null where it is not reduced. */
  readonly reduced: number | null;
  /** ISO 8601 day. */
  readonly added: string;
  readonly stock: number;
  readonly sold: number;
  readonly picture: string;
  readonly featured: boolean;
  readonly 'best seller': boolean;
  readonly 'in season': boolean;
}

type Item = readonly [name: string, kind: string, price: number, daysOld: number, picture: string];

const ITEMS: readonly Item[] = [
  ['Bell Russet cider', 'cider', 9.5, 3, 'press-house.svg'],
  ['Long Keeper cider, dry', 'cider', 10.2, 41, 'the-cellar.svg'],
  ['Wassail cup', 'cider', 12, 12, 'wassail-lanterns.svg'],
  ['Cloudy juice, Pippin', 'juice', 2.9, 60, 'orchard-summer.svg'],
  ['Cloudy juice, three sorts', 'juice', 3.4, 8, 'orchard-harvest.svg'],
  ['Warm spiced juice', 'juice', 3.8, 2, 'with-kettle.svg'],
  ['Perry, dry', 'perry', 11, 19, 'press-day.svg'],
  ['Perry, sparkling', 'perry', 13.5, 95, 'noon-shade.svg'],
  ['Quince paste', 'larder', 4.2, 25, 'baskets-full.svg'],
  ['Apple butter', 'larder', 5.1, 70, 'with-kettle.svg'],
  ['Dried rings, Ashen Pippin', 'larder', 3.6, 33, 'windfalls.svg'],
  ['Cider vinegar', 'larder', 6.3, 120, 'with-mill.svg'],
  ['Medlar jelly', 'larder', 5.8, 5, 'baskets-full.svg'],
  ['Blossom honey', 'larder', 8.4, 15, 'bees-at-work.svg'],
  ['Wassail spice', 'larder', 3.8, 10, 'wassail-lanterns.svg'],
  ['Windfall box, 5 kg', 'fruit', 7.5, 6, 'windfalls.svg'],
  ['Winter Gold, 3 kg', 'fruit', 8.9, 1, 'baskets-full.svg'],
  ['Old Quince, 2 kg', 'fruit', 9.2, 14, 'orchard-harvest.svg'],
  ['Lady Thrale, 3 kg', 'fruit', 8.1, 48, 'orchard-summer.svg'],
  ['Grafting knife', 'tools', 24, 200, 'with-ladder.svg'],
  ['Picking bag', 'tools', 31, 150, 'with-ladder.svg'],
  ['Apple ladder, small', 'tools', 68, 88, 'with-ladder.svg'],
  ['Bottle crate, twelve', 'tools', 14.5, 64, 'the-cellar.svg'],
  ['Seed packet, meadow', 'tools', 2.2, 9, 'first-blossom.svg']
];

const DAY = 86_400_000;
const flags = new Map<string, Partial<{ [each in Flag]: boolean }>>();

const idOf = (name: string): string => name.toLowerCase().replace(/[^a-z0-9]+/g, '-');

/** Whole numbers that change by the day and are the same all day. */
const daily = (n: number, day: number, most: number): number => (n * 7919 + day * 104_729) % most;

function recordOf([name, kind, price, daysOld, picture]: Item, n: number, today: number): Produce {
  const id = idOf(name);
  const isReduced = daily(n, today, 5) === 0;
  const own = flags.get(id) ?? {};
  return {
    id,
    name,
    kind,
    price,
    reduced: isReduced ? Math.round(price * 80) / 100 : null,
    added: new Date((today - daysOld) * DAY).toISOString().slice(0, 10),
    stock: daily(n, today, 40),
    sold: 20 + daily(n + 3, today, 200),
    picture,
    featured: own.featured ?? n % 6 === 0,
    'best seller': own['best seller'] ?? n % 5 === 1,
    'in season': own['in season'] ?? kind !== 'tools'
  };
}

/** @returns all records as they stand now. */
export function catalogue(now = new Date()): readonly Produce[] {
  const today = Math.floor(now.getTime() / DAY);
  return ITEMS.map((item, n) => recordOf(item, n, today));
}

/** Sets a flag of a record. @returns whether there is such a record. */
export function setFlag(id: string, flag: Flag, value: boolean): boolean {
  if (!ITEMS.some(([name]) => idOf(name) === id)) return false;
  flags.set(id, { ...flags.get(id), [flag]: value });
  return true;
}
