import {
  error,
  settingFix,
  warning,
  type FindingRule,
  type Fix,
  type KindOf,
  type Remark
} from '../../kinds/finding';
import type { Landmark } from '../../kinds/landmark';
import { childrenIn, subtreeOf } from '../../project/tree';
import type { Node, Project } from '../../project/types';
import { areasOf } from './areas';

/** A piece that is a landmark, and what it is called; empty where nothing names it. */
interface Found extends Landmark {
  readonly node: Node;
  readonly name: string;
}

const WORDS: Readonly<Record<Landmark['role'], string>> = {
  banner: 'header',
  complementary: 'aside',
  contentinfo: 'footer',
  navigation: 'navigation'
};

function maybeFound(node: Node, of: KindOf): Found | null {
  const landmark = of(node).landmark?.(node.settings);
  if (!landmark) return null;
  const name = landmark.named ? String(node.settings[landmark.named] ?? '').trim() : '';
  return { ...landmark, node, name };
}

/** Headers in the main element, which HTML gives no role (HTML-AAM 1.0, mappings of elements). */
function plainHeaders(project: Project, page: Node): ReadonlySet<Node> {
  const sections = childrenIn(project, page, 'sections');
  const areas = areasOf(sections.map(({ settings }) => settings));
  return new Set(sections.filter(({ settings }, i) => settings.element === 'header' && areas[i] === 'main'));
}

function landmarksOf(project: Project, page: Node, of: KindOf): readonly Found[] {
  const plain = plainHeaders(project, page);
  return subtreeOf(project, page.id).flatMap((node) => (plain.has(node) ? [] : (maybeFound(node, of) ?? [])));
}

const isCalled = ({ name }: Found, other: string): boolean => name.toLowerCase() === other.toLowerCase();

/** So much of a name leaves room for a number in what a name may be, characters. */
const NUMBERED_MOST = 112;

const numbered = (name: string, n: number): string =>
  n === 1 ? name : `${name.slice(0, NUMBERED_MOST)} ${n}`;

/**
 * The piece's own name, with a number where another is called that already, or is named so before it where all are
 * mended together.
 */
function freeName(mark: Found, among: readonly Found[]): string {
  const own = mark.node.name;
  const isNamedSo = ({ name, node }: Found) => name === '' && node.name === own;
  let n = among.slice(0, among.indexOf(mark)).filter(isNamedSo).length + 1;
  while (among.some((each) => isCalled(each, numbered(own, n)))) n += 1;
  return numbered(own, n);
}

function nameFix(mark: Found, among: readonly Found[]): Fix {
  const name = freeName(mark, among);
  return settingFix(`Call it “${name}”`, mark.node.id, mark.named!, name);
}

const LISTED =
  'Screen readers list what a page consists of by these names (ARIA Authoring Practices, landmarks).';

function isOneTooMany({ node, role, none: [key, value] }: Found, first: Found): Remark {
  const word = WORDS[role];
  return warning({
    about: node.id,
    view: 'Fill',
    number: `2 × ${word}`,
    sentence: `${node.name} is another ${word} of the page beside ${first.node.name}`,
    cause: `A page has one ${word} that screen readers go to. Let this be a section as any other; it looks the same.`,
    fix: settingFix('Make it a plain section', node.id, key, value)
  });
}

function lacksName(mark: Found, among: readonly Found[]): Remark {
  const { node, role } = mark;
  return error({
    about: node.id,
    view: 'Fill',
    number: `${among.length} × ${WORDS[role]}`,
    sentence: `${node.name} is one of ${among.length} of its sort on the page (${WORDS[role]}), and has no name`,
    cause: `${LISTED} Write one under Fill.`,
    fix: nameFix(mark, among)
  });
}

function isNamedTwice(mark: Found, first: Found, among: readonly Found[]): Remark {
  const { node, role } = mark;
  return error({
    about: node.id,
    view: 'Fill',
    number: `2 × “${mark.name}”`,
    sentence: `${node.name} has the name of ${first.node.name}: both are the ${WORDS[role]} “${mark.name}”`,
    cause: `${LISTED} Nobody can tell the two apart.`,
    fix: nameFix(mark, among)
  });
}

function maybeRemark(mark: Found, among: readonly Found[]): Remark | null {
  const [first] = among;
  if (mark.named === null) return mark === first ? null : isOneTooMany(mark, first!);
  if (mark.name === '') return lacksName(mark, among);
  const twin = among.find((each) => isCalled(each, mark.name))!;
  return twin === mark ? null : isNamedTwice(mark, twin, among);
}

/** ARIA Authoring Practices, landmark regions: several of a role each have a name of their own, one banner a page. */
export const landmarksAlike: FindingRule = {
  id: 'landmarks-alike',
  summary:
    'Several parts of a page are the same to a screen reader: two headers, two navigations of one name',
  kinds: ['page'],
  scope: 'project',
  check(page, project, _facts, of) {
    const all = landmarksOf(project, page, of);
    return all.flatMap((mark) => {
      const among = all.filter(({ role }) => role === mark.role);
      return among.length > 1 ? (maybeRemark(mark, among) ?? []) : [];
    });
  }
};
