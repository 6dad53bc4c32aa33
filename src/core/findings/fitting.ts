import { resolve } from '../cascade/resolve';
import { apply } from '../commands/apply';
import type { Command } from '../commands/commands';
import { compact } from '../data/compact';
import { NO_FACTS, type Remark } from '../kinds/finding';
import type { Registry } from '../kinds/registry';
import { maybePageOf, maybePlaceOf, nodeOf, subtreeIds } from '../project/tree';
import type { NodeId, Project } from '../project/types';
import { markContrast } from './rules/mark-contrast';
import { faintChangeRule, ringContrastRule, textContrastRule } from './rules/text-contrast';

/** No piece has so many places with a colour of their own. */
const STEPS_MOST = 60;

type SetStyle = Extract<Command, { readonly type: 'set-style' }>;

const keyOf = ({ id, part, state, condition, property }: SetStyle): string =>
  [id, part, state, condition, property].join(' ');

/** Colours of words that are there already: of what the piece stands in, and of the page. */
function wordColours(registry: Registry, project: Project, root: NodeId): readonly string[] {
  const around = compact([maybePlaceOf(project, root)?.parent, maybePageOf(project, root)?.root]);
  const at = { part: 'root', state: 'rest', condition: 'always' } as const;
  return compact(around.map((node) => resolve(registry, project, { ...at, node }).get('color')?.value));
}

/**
 * What makes a piece that has just been put in to be read on what it stands on: its words, its rings, what is told by
 * its fill, and its states beside rest. Words take a colour that words have there already, where it can be read.
 * @param project with the piece in it.
 * @returns steps on the piece and what is in it, empty where it is well as it came.
 */
export function colourMends(registry: Registry, project: Project, root: NodeId): readonly Command[] {
  const rules = [textContrastRule, ringContrastRule, markContrast, faintChangeRule].map((rule) =>
    rule(registry)
  );
  const of = (node: Parameters<typeof registry.of>[0]) => registry.of(node);
  const ids = subtreeIds(project, root);
  const own = new Set<string>(ids);
  const known = wordColours(registry, project, root);
  const done = new Map<string, SetStyle>();
  let now = project;

  const colourIn = ({ fix }: Remark): SetStyle | null => {
    const [command, ...more] = (fix?.commands ?? []) as readonly Command[];
    const isOwn = command?.type === 'set-style' && more.length === 0 && own.has(command.id);
    return isOwn && !done.has(keyOf(command)) ? command : null;
  };
  const coloursOn = (id: NodeId, within: Project): readonly SetStyle[] =>
    rules
      .flatMap((rule) => compact([rule.check(nodeOf(within, id), within, NO_FACTS, of)].flat()))
      .flatMap((remark) => compact([colourIn(remark)]));
  const firstOn = (id: NodeId): SetStyle | undefined => coloursOn(id, now)[0];
  const after = (command: Command): Project | null => {
    const outcome = apply(registry, now, command);
    return outcome.ok ? outcome.project : null;
  };
  /** The same with the first colour of words there that can be read in this place as well. */
  const withKnown = (command: SetStyle): SetStyle => {
    if (command.property !== 'color' || command.state !== 'rest') return command;
    const all = known.map((value) => ({ ...command, value }));
    const isRead = (each: SetStyle): boolean => {
      const then = after(each);
      const left = then && coloursOn(each.id as NodeId, then);
      return left !== null && !left.some((other) => keyOf(other) === keyOf(command));
    };
    return all.find(isRead) ?? command;
  };

  // What holds others comes before them, so they take their words' colour from it as it is by then.
  for (const id of ids)
    for (let step = 0; step < STEPS_MOST; step += 1) {
      const next = firstOn(id);
      if (!next) break;
      const command = withKnown(next);
      done.set(keyOf(command), command);
      now = after(command) ?? now;
    }
  return [...done.values()];
}
