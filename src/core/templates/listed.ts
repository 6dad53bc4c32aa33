import { compact } from '../data/compact';
import type { Make } from '../kinds/contract';
import { emptyQuery } from '../tables/query';
import type { Binding, Column, Fragment, Node, Project, Source, ValueFormat } from '../project/types';

/** More columns than these make a card that nobody reads. */
const TEXTS_MOST = 3;
/** Rows a list shows at first: more are seldom wanted, and can be asked for. */
const ROWS_AT_FIRST = 8;

const PICTURE = /\.(?:png|jpe?g|webp|gif|svg|avif)$/i;

const FORMATS: Readonly<Partial<Record<Column['type'], ValueFormat>>> = {
  number: { as: 'number', decimals: 2 },
  date: { as: 'date', style: 'long' }
};

const valuesOf = ({ rows }: Source, { name }: Column) =>
  rows.map((row) => row[name]).filter((each) => each !== null);

/** Whether the cells of a column are names of pictures, of the project or of any. */
function isOfPictures(source: Source, column: Column, { assets }: Project): boolean {
  const names = new Set(Object.values(assets).flatMap(({ id, file }) => [id as string, file]));
  const values = valuesOf(source, column);
  return (
    values.length > 0 && values.every((value) => PICTURE.test(String(value)) || names.has(String(value)))
  );
}

/** `long-keeper-cider`, `b41`: what machines tell records apart by, and nobody reads. */
const CODE = /^[a-z0-9]+(?:[-_][a-z0-9]+)*$/;

function isOfCodes(source: Source, column: Column): boolean {
  const values = valuesOf(source, column).map(String);
  return (
    column.type === 'text' &&
    values.every((each) => CODE.test(each)) &&
    values.some((each) => /[-_\d]/.test(each))
  );
}

function formatOf(source: Source, column: Column): ValueFormat | undefined {
  const isWhole = valuesOf(source, column).every((value) => Number.isInteger(value));
  return column.type === 'number' && isWhole ? undefined : FORMATS[column.type];
}

function bound({ root, nodes }: Fragment, more: Partial<Node>): Fragment {
  return { root, nodes: { ...nodes, [root]: { ...nodes[root]!, ...more } } };
}

const from = (column: string, format?: ValueFormat): Binding => (format ? { column, format } : { column });

/**
 * @returns a list over all rows of a source, whose template shows its columns: pictures where cells name them, the
 * first text as a heading, the next ones as texts.
 * @param level of the heading, 1 to 6.
 */
export function listOf(make: Make, source: Source, project: Project, level = '3'): Fragment {
  const pictures = source.columns.filter((column) => isOfPictures(source, column, project));
  const others = source.columns.filter(
    (column) => !pictures.includes(column) && column.type !== 'yes-no' && !isOfCodes(source, column)
  );
  const title = others.find(({ type }) => type === 'text') ?? others[0];
  const texts = others.filter((column) => column !== title).slice(0, TEXTS_MOST);
  const [picture] = pictures;
  const image =
    picture &&
    bound(make('image', picture.name), {
      binds: { asset: from(picture.name), alt: from(title?.name ?? picture.name) }
    });
  const heading =
    title &&
    bound(make('heading', title.name, { text: title.name, level }), {
      binds: { text: from(title.name) }
    });
  const words = texts.map((column) =>
    bound(make('text', column.name, { html: `<p>${column.name}</p>` }), {
      // A cell that is empty leaves nothing, rather than the template's own words.
      binds: { html: from(column.name, formatOf(source, column)), shown: from(column.name) }
    })
  );
  const row = make('stack', 'Row', {}, { content: compact([image, heading, ...words]) });
  const query = { ...emptyQuery(source.id), most: Math.min(ROWS_AT_FIRST, Math.max(1, source.rows.length)) };
  return bound(make('list', source.name, {}, { content: [row] }), { query });
}
