import { array, boolean, number, object, string, type InferType } from 'yup';

/** What assistive technology gets of an element in one state. */
export const heardSchema = object({
  /** ARIA role; null for an element that has none, whose words alone are read. */
  role: string().strict(true).max(40).nullable().defined(),
  name: string().strict(true).max(300).defined(),
  /** Level of a heading; null for everything else. */
  level: number().integer().nullable().defined(),
  /** What is said with it, in the words screen readers have for it: expanded, selected. */
  states: array().of(string().strict(true).max(40).required()).max(12).required(),
  /** It is kept from assistive technology: decoration, or what only the eye needs. */
  isSilent: boolean().strict(true).required(),
  /** The Tab key stops at it. */
  isStop: boolean().strict(true).required()
}).noUnknown();

export type Heard = InferType<typeof heardSchema>;

/** Roles as people who hear pages know them, where that is not the role's own name. */
const ROLE_WORDS: Readonly<Record<string, string>> = {
  banner: 'header of the page',
  blockquote: 'quote',
  complementary: 'aside',
  contentinfo: 'footer of the page',
  img: 'image',
  listitem: 'entry',
  main: 'main part',
  tablist: 'tab list',
  tabpanel: 'tab panel'
};

/** Roles that say nothing by themselves. */
const PLAIN = ['generic', 'paragraph', 'none', 'presentation'];

/** @returns what it is, as it is said: heading 2, button. Null for what has no role that is said. */
export function maybeRoleWords({ role, level }: Heard): string | null {
  if (role === null || PLAIN.includes(role)) return null;
  const words = ROLE_WORDS[role] ?? role;
  return level === null ? words : `${words} ${level}`;
}

/** A name as long as a cell of the sheet takes. */
const NAME_MOST = 40;

const quoted = (name: string) =>
  name.length > NAME_MOST ? `“${name.slice(0, NAME_MOST - 1)}…”` : `“${name}”`;

/** What is heard of one state, in one line; what is as at rest is left out of the others. */
export function heardWords(heard: Heard, rest: Heard | null): string {
  if (heard.isSilent) return 'not heard';
  const differs = <Key extends keyof Heard>(key: Key) => rest === null || heard[key] !== rest[key];
  const role = differs('role') ? maybeRoleWords(heard) : null;
  const name = heard.name !== '' && differs('name') ? quoted(heard.name) : null;
  const said = [role, name].filter((each) => each !== null).join(' ');
  const parts = [said, ...statesSaid(heard, rest)].filter((each) => each !== '');
  if (parts.length > 0) return parts.join(', ');
  return rest === null ? 'what is in it' : 'as rest';
}

/** States that are said now, and those that are no longer. */
function statesSaid({ states }: Heard, rest: Heard | null): readonly string[] {
  const before = rest?.states ?? [];
  const gone = before.filter((state) => !states.includes(state) && !isOpposite(state, states));
  return [...states.filter((state) => !before.includes(state)), ...gone.map((state) => `no longer ${state}`)];
}

const OPPOSITES: Readonly<Record<string, string>> = { expanded: 'collapsed', collapsed: 'expanded' };

const isOpposite = (state: string, states: readonly string[]) => states.includes(OPPOSITES[state] ?? '');
