import papaparse from 'papaparse';
import type { Binding, Query, Source, ValueFormat } from '../../src/core/project/types';
import type { Hand } from './hand';
import { expect } from './test';

/** How conditions and formats are worded in the interface. */
const IS = { is: 'is', filled: 'has a value' } as const;

function formatWords(format: ValueFormat): string {
  if (format.as === 'money') return format.currency;
  if (format.as === 'number') return format.decimals === 0 ? '1,234' : '1,234.50';
  return { short: 'short', medium: 'with the month', long: 'in words' }[format.style];
}

/** Adds a source of rows: the catalogue, or a file that is dropped. */
export async function addSource(hand: Hand, { origin, name, columns, rows }: Source): Promise<void> {
  await hand.page.keyboard.press('Shift+D');
  const panel = hand.page.getByRole('dialog', { name: 'Data' });
  if (origin === 'catalogue') await panel.getByRole('button', { name: 'Orchard catalogue' }).click();
  else
    await panel
      .getByRole('group', { name: 'Add a source' })
      .locator('input[type=file]')
      .setInputFiles({
        name: `${name}.csv`,
        mimeType: 'text/csv',
        buffer: Buffer.from(papaparse.unparse([...rows], { columns: columns.map((each) => each.name) }))
      });
  await expect(panel.getByRole('region', { name, exact: true })).toBeVisible();
  await hand.page.keyboard.press('Escape');
  await expect(panel).toHaveCount(0);
}

/** Gives the picked list its rows. */
export async function askFor(
  hand: Hand,
  source: string,
  { where, by, down, most, skip }: Query
): Promise<void> {
  await hand.view('Fill');
  const rows = hand.page.getByRole('region', { name: /^Rows of / });
  await hand.choose(rows.getByRole('combobox', { name: 'Rows of' }), source);
  for (const [n, { column, is, value }] of where.entries()) {
    await rows.getByRole('button', { name: 'Add a condition' }).click();
    const list = (about: string) => rows.getByRole('combobox', { name: `${about} of condition ${n + 1}` });
    await hand.choose(list('Column'), column);
    await hand.choose(list('Comparison'), IS[is as keyof typeof IS]);
    if (value) await hand.choose(list('Value'), value);
  }
  if (by) await hand.choose(rows.getByRole('combobox', { name: 'sorted by' }), by);
  if (down) await hand.choose(rows.getByRole('combobox', { name: 'Direction' }), 'downwards');
  if (most > 0) await hand.type(rows.getByRole('textbox', { name: 'at most' }), String(most), 'Enter');
  if (skip > 0)
    await hand.type(rows.getByRole('textbox', { name: 'after the first' }), String(skip), 'Enter');
}

/** Binds a setting of the picked piece to a column. @param label null for whether it is drawn at all. */
export async function bindTo(hand: Hand, label: string | null, { column, format }: Binding): Promise<void> {
  await hand.view('Fill');
  const words = label === null ? `where there is ${column}` : `from ${column}`;
  const list = (what: string) =>
    hand.page.getByRole('combobox', { name: `${label ?? 'Drawn'} ${what}`, exact: true });
  await hand.choose(list('comes from'), words);
  if (format) await hand.choose(list('is written'), formatWords(format));
}
