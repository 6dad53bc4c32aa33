<script lang="ts">
  import { settingsAt } from '$core/compile/context';
  import type { EffectAbout } from '$core/kinds/contract';
  import { CONDITION_TABLE } from '$core/kinds/conditions';
  import { effectKey } from '$core/kinds/effects';
  import { settingsWithDefaults } from '$core/kinds/settings';
  import { CONDITIONS, type ConditionName, type Node } from '$core/project/types';
  import { registry } from '$core/registry';
  import Field from './Field.svelte';
  import { isOffered } from '$core/kinds/offered';
  import MomentSheet from './MomentSheet.svelte';
  import { fieldsOf, type FieldSpec } from '$lib/state/fields';
  import { addEffect } from '$lib/state/effects';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb, node }: { wb: Workbench; node: Node } = $props();

  const kind = $derived(registry.of(node));
  const settings = $derived(settingsWithDefaults(kind, node));
  const own = $derived(kind.effects ?? []);
  const others = $derived(
    registry.effects
      .filter(({ effect }) => !own.some((each) => each.effect === effect))
      .map((effect) => ({ ...effect, why: wb.refusal(adding(effect))?.sentence ?? null }))
  );

  const adding = ({ effect }: EffectAbout) => ({ type: 'add-effect', id: node.id, effect }) as const;
  const fieldsFor = ({ effect }: EffectAbout) =>
    fieldsOf(kind).filter(
      (field) =>
        field.effect === effect && field.key !== effectKey(effect, 'on') && isOffered(field, settings)
    );

  const isAtMoments = ({ control }: FieldSpec) => control === 'moments';

  /** Where it can be on or off by itself. */
  function switchable({ effect }: EffectAbout): readonly ConditionName[] {
    const key = effectKey(effect, 'on');
    const { fixed = {} } = fieldsOf(kind).find((field) => field.key === key)!;
    const free = CONDITIONS.filter((condition) => !Object.hasOwn(fixed, condition));
    return free.length > 1 ? free : [];
  }

  function isOn({ effect }: EffectAbout, condition: ConditionName): boolean {
    return settingsAt(kind, node, condition)[effectKey(effect, 'on')] === true;
  }

  /** A switch that is put back to what holds there anyway says nothing of its own any more. */
  function turn(effect: EffectAbout, condition: ConditionName): void {
    const key = effectKey(effect.effect, 'on');
    const own = condition === 'always' ? node.settings : (node.adapt[condition] ?? {});
    const command = Object.hasOwn(own, key)
      ? ({ type: 'clear-setting', id: node.id, key, condition } as const)
      : ({ type: 'set-setting', id: node.id, key, value: !isOn(effect, condition), condition } as const);
    wb.dispatch(command);
  }
</script>

<section class="effects" aria-label="What it does">
  <h3>What it does</h3>
  {#each own as effect (effect.effect)}
    <div class="effect" role="group" aria-label={effect.label}>
      <header>
        <svg viewBox="0 0 16 16" width="16" height="16" aria-hidden="true"
          ><path d={effect.icon} fill="none" stroke="currentColor" stroke-width="1.2" /></svg
        >
        <b>{effect.label}</b>
        <span class="on">
          {#each switchable(effect) as condition (condition)}
            <label title="{effect.label} with {CONDITION_TABLE[condition].words}">
              <input
                type="checkbox"
                checked={isOn(effect, condition)}
                onchange={() => turn(effect, condition)}
              />{CONDITION_TABLE[condition].label}
            </label>
          {/each}
        </span>
        <button
          type="button"
          class="link"
          onclick={() => wb.dispatch({ type: 'remove-effect', id: node.id, effect: effect.effect })}
          >Take off</button
        >
      </header>
      <div class="grid">
        {#each fieldsFor(effect).filter((field) => !isAtMoments(field)) as field (field.key)}
          <Field {wb} {node} {field} />
        {/each}
      </div>
      {#if fieldsFor(effect).some(isAtMoments)}
        <MomentSheet {wb} {node} {settings} fields={fieldsFor(effect).filter(isAtMoments)} />
      {/if}
    </div>
  {/each}
  {#if others.length > 0}
    <div class="add">
      {#each others as effect (effect.effect)}
        <button
          type="button"
          aria-disabled={effect.why !== null}
          title={effect.why ?? effect.summary}
          onclick={() => addEffect(wb, effect.effect)}
        >
          <svg viewBox="0 0 16 16" width="14" height="14" aria-hidden="true"
            ><path d={effect.icon} fill="none" stroke="currentColor" stroke-width="1.2" /></svg
          >
          {effect.label}
          <small>{effect.why ?? effect.summary}</small>
        </button>
      {/each}
    </div>
  {/if}
</section>

<style>
  .effects {
    grid-column: 1 / -1;
    padding-top: 6px;
    margin-top: 4px;
    border-top: 1px solid var(--line);
  }
  h3 {
    margin: 0 0 6px;
    font-size: 12px;
    font-weight: 600;
  }
  .effect {
    padding: 4px 0 8px;
  }
  header {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 8px;
    align-items: center;
    min-height: 26px;
    margin-bottom: 4px;
    color: var(--verdigris);
  }
  .on {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 12px;
    margin: 0 8px;
    font-size: 12px;
    color: var(--ink-2);
  }
  .on label {
    display: inline-flex;
    gap: 4px;
    align-items: center;
    min-height: 24px;
    cursor: pointer;
  }
  .on input {
    width: 14px;
    height: 14px;
    margin: 0;
    accent-color: var(--verdigris);
  }
  .grid {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
    gap: 4px 20px;
  }
  .add {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
    gap: 6px;
  }
  .add button {
    display: grid;
    grid-template-columns: 16px auto;
    gap: 0 7px;
    align-items: center;
    padding: 5px 9px;
    font: inherit;
    font-weight: 600;
    color: var(--ink);
    text-align: left;
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .add button[aria-disabled='true'] {
    color: var(--ink-2);
    cursor: default;
    background: none;
  }
  .add small {
    grid-column: 2;
    font-size: 12px;
    font-weight: 400;
    line-height: 1.3;
    color: var(--ink-2);
  }
</style>
