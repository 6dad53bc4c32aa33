import { create } from 'mutative';
import type { Registry } from '../kinds/registry';
import { diffOf, freezeChanged, type Diff } from '../project/diff';
import { remember } from '../project/lineage';
import type { Project } from '../project/types';
import { COMMANDS, type Batch, type Command } from './commands';
import { no, schemaFault, type CommandDefinition, type ProjectDraft, type Refusal } from './define';

type Definition = CommandDefinition<string, Readonly<Record<string, unknown>>>;

/** By type. What is in the list has arguments of its own; what comes here has been looked at by its schema. */
const definitions = new Map(COMMANDS.map((each) => [each.type as string, each as unknown as Definition]));

interface Patch {
  readonly path: readonly (string | number)[];
}

/** `create` with our own draft type: the library's mapped type has no end on recursive JSON. */
const draftOf = create as unknown as (
  base: Project,
  run: (draft: ProjectDraft) => void,
  options: { enablePatches: true }
) => [Project, readonly Patch[]];

/**
 * Runs a change on a draft. The library's notes say which records it touched, so that no other one is looked
 * at.
 */
function change(project: Project, run: (draft: ProjectDraft) => void): { next: Project; diff: Diff | null } {
  const [next, patches] = draftOf(project, run, { enablePatches: true });
  const diff = diffOf(
    project,
    next,
    patches.map(({ path }) => path)
  );
  if (!diff) return { next: project, diff };
  freezeChanged(next, diff);
  remember(next, project, diff);
  return { next, diff };
}

export type Applied =
  | { readonly ok: true; readonly project: Project; readonly diff: Diff | null; readonly label: string }
  | { readonly ok: false; readonly refusal: Refusal };

/**
 * Whether a command may run on this project; null means yes. A `batch` is refused by its first member that
 * would be.
 */
export function refusalOf(registry: Registry, project: Project, command: Command): Refusal | null {
  if (command.type === 'batch') {
    const outcome = apply(registry, project, command);
    return outcome.ok ? null : outcome.refusal;
  }
  const definition = definitions.get(command.type);
  if (!definition) return no('unknown-command', `This version of Kymation does not know “${command.type}”.`);
  const { type: _type, ...args } = command;
  const fault = schemaFault(definition.args, args);
  return fault
    ? no('bad-arguments', `“${command.type}” was asked for in a way that cannot be understood: ${fault}.`)
    : definition.refusal(project, args, registry);
}

/**
 * The one door through which a project changes. Never throws on what a person asks for: what cannot be done
 * is a refusal. A command that changes nothing gives back the same project and a null diff.
 */
export function apply(registry: Registry, project: Project, command: Command): Applied {
  if (command.type === 'batch') return applyBatch(registry, project, command);
  const refusal = refusalOf(registry, project, command);
  if (refusal) return { ok: false, refusal };
  const definition = definitions.get(command.type)!;
  const { type: _type, ...args } = command;
  const { next, diff } = change(project, (draft) => definition.run(draft, args, registry, project));
  return { ok: true, project: next, diff, label: definition.label(args, project, registry) };
}

/** Several commands as one step of the history: all of them, or none. */
function applyBatch(registry: Registry, project: Project, { label, commands }: Batch): Applied {
  let now = project;
  for (const command of commands) {
    const outcome = apply(registry, now, command);
    if (!outcome.ok) return outcome;
    now = outcome.project;
  }
  const diff = diffOf(project, now);
  if (diff) remember(now, project, diff);
  return { ok: true, project: diff ? now : project, diff, label };
}
