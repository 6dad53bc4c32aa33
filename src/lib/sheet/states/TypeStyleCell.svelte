<script lang="ts">
  import type { Command } from '$core/commands/commands';
  import type { Resolution } from '$core/cascade/resolve';
  import { printTypeStyle, TYPE_MEMBERS, type TypeStyle } from '$core/css/type-style';
  import { newId, slug } from '$core/project/ids';
  import type { StateName, Token, TokenId } from '$core/project/types';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import { compact } from '$core/data/compact';

  // `state` would read as a store beside the rune of that name.
  const { wb, state: own, resolved }: { wb: Workbench; state: StateName; resolved: Resolution } = $props();

  const SAVE = ' save';
  const styles = $derived(Object.values(wb.project.tokens).filter(({ type }) => type === 'type-style'));
  /** What stands in this very column. */
  const here = $derived(wb.tuned.styles[wb.currentPart]?.[own]?.[wb.at] ?? {});
  const hasOwn = $derived(TYPE_MEMBERS.some((member) => here[member] !== undefined));
  const isOf = (written: (member: string) => string | undefined, id: string) =>
    TYPE_MEMBERS.every((member) => written(member) === `{${id}.${member}}`);
  const taken = $derived(styles.find(({ id }) => isOf((member) => here[member], id)));
  /** What it comes to, where this column says nothing of its own. */
  const through = $derived(
    hasOwn ? undefined : styles.find(({ id }) => isOf((member) => resolved.get(member)?.written, id))
  );
  const otherwise = $derived.by(() => {
    if (hasOwn) return taken ? 'none' : 'own values';
    if (through) return through.name;
    return own === 'rest' ? 'none' : 'as rest';
  });

  function cells(valueOf: (member: (typeof TYPE_MEMBERS)[number]) => string | null) {
    return TYPE_MEMBERS.map((member): Command => ({
      type: 'set-style',
      id: wb.tuned.id,
      part: wb.currentPart,
      state: own,
      condition: wb.at,
      property: member,
      value: valueOf(member)
    }));
  }

  /** Gives what the part is set in a name, and the part the name. */
  function saved(): Token {
    const style = Object.fromEntries(
      TYPE_MEMBERS.map((member) => [member, resolved.get(member)!.written])
    ) as TypeStyle;
    const stem =
      wb.currentPart === 'root'
        ? wb.tuned.name
        : `${wb.tuned.name} ${wb.kind.anatomy[wb.currentPart]!.label}`;
    let name = stem.slice(0, 70);
    for (let count = 2; Object.values(wb.project.tokens).some((each) => each.name === name); count += 1)
      name = `${stem.slice(0, 70)} ${count}`;
    return {
      id: newId<TokenId>(slug(name) || 'type'),
      name,
      type: 'type-style',
      value: printTypeStyle(style)
    };
  }

  function choose(event: Event & { currentTarget: HTMLSelectElement }): void {
    const { value } = event.currentTarget;
    const token = value === SAVE ? saved() : wb.project.tokens[value as TokenId];
    const part = wb.kind.anatomy[wb.currentPart]!.label;
    const commands = compact<Command>([
      value === SAVE && token ? { type: 'set-token', token } : null,
      ...cells((member) => (token ? `{${token.id}.${member}}` : null))
    ]);
    const refusal = wb.dispatch({
      type: 'batch',
      label: token ? `Set ${part} in ${token.name}` : `Take the type style off ${part}`,
      commands
    });
    if (refusal) wb.message = { kind: 'error', text: refusal.sentence };
    // What was chosen shows by what the project has now; a list keeps no choice of its own.
    event.currentTarget.value = taken?.id ?? '';
  }
</script>

<div role="gridcell">
  <select
    aria-label="Type style, {own}"
    class:own={taken !== undefined}
    value={taken?.id ?? ''}
    onchange={choose}
  >
    <option value="">{otherwise}</option>
    {#each styles as style (style.id)}<option value={style.id}>{style.name}</option>{/each}
    <option value={SAVE}>Save as a type style</option>
  </select>
</div>

<style>
  div {
    padding: 0 4px;
  }
  select {
    width: 100%;
    min-width: 0;
    height: 24px;
    padding: 0 2px;
    overflow: hidden;
    font: inherit;
    text-overflow: ellipsis;
    color: var(--ink-3);
    cursor: pointer;
    background: none;
    border: 1px solid transparent;
    border-radius: 3px;
  }
  select:hover {
    background: #fff;
    border-color: var(--line);
  }
  .own {
    font-weight: 500;
    color: var(--verdigris);
  }
</style>
