import { randomUUID } from 'node:crypto';

/** How many are kept, and how large one may be, in bytes: they are looked at and saved, not stored here. */
const KEPT_MOST = 12;
export const SHEET_MOST = 20_000_000;

const sheets = new Map<string, string>();

function dropOldest(): void {
  const [oldest] = sheets.keys();
  if (oldest !== undefined && sheets.size > KEPT_MOST) sheets.delete(oldest);
}

/** Keeps a printed sheet for a while, so that it can be looked at under an address. @returns its id. */
export function keepSheet(html: string): string {
  const id = randomUUID();
  sheets.set(id, html);
  dropOldest();
  return id;
}

/** @returns a sheet; null for one that is not kept any more. */
export const maybeSheet = (id: string): string | null => sheets.get(id) ?? null;
