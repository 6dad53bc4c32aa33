/** What this browser keeps of the workbench. Where it keeps nothing, all starts anew each time. */

export const SIDE_LEAST = 280;
export const SIDE_MOST = 560;
const SIDE_KEY = 'kymation-side-width';
const FOLDED_KEY = 'kymation-folded-groups';

function read(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

function write(key: string, value: string): void {
  try {
    localStorage.setItem(key, value);
  } catch {
    // A browser that lets no site store data forgets it.
  }
}

export function sideWidth(): number {
  const kept = Number(read(SIDE_KEY));
  return kept >= SIDE_LEAST && kept <= SIDE_MOST ? kept : 340;
}

export const keepSideWidth = (px: number): void => write(SIDE_KEY, String(px));

/** Names of field groups that are folded. */
export function foldedGroups(): ReadonlySet<string> {
  const kept = read(FOLDED_KEY);
  return new Set(kept ? kept.split('\n') : []);
}

export const keepFoldedGroups = (names: ReadonlySet<string>): void =>
  write(FOLDED_KEY, [...names].join('\n'));

const SITE_KEY = 'kymation-site-of-';

/** What the site of a project was published as last; null for one that never was from here. */
export const siteName = (project: string): string | null => read(SITE_KEY + project);

export const keepSiteName = (project: string, name: string): void => write(SITE_KEY + project, name);

const PAGE_KEY = 'kymation-page-of-';

/** The page of a project that was worked on last; it may be gone by now. Null where none was. */
export const keptPage = (project: string): string | null => read(PAGE_KEY + project);

export const keepPage = (project: string, page: string): void => write(PAGE_KEY + project, page);

const DEVICES_KEY = 'kymation-devices';

/** Stand-in devices as they were kept, as JSON; null where none were. */
export const keptDevices = (): string | null => read(DEVICES_KEY);

export const keepDevices = (json: string): void => write(DEVICES_KEY, json);
