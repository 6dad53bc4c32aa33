<script lang="ts">
  import { CONDITION_TABLE } from '$core/kinds/conditions';
  import { settingsAt } from '$core/compile/context';
  import { settingsWithDefaults } from '$core/kinds/settings';
  import { fitFrom } from '$core/layout/fit';
  import { CONDITIONS, type ConditionName } from '$core/project/types';
  import Field from '$lib/sheet/fields/Field.svelte';
  import FormDrawing from './FormDrawing.svelte';
  import ShownCell from './ShownCell.svelte';
  import SettingCell from './SettingCell.svelte';
  import { fieldsOf } from '$lib/state/fields';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const bands = $derived(wb.project.info.bands);
  const TONES: Partial<Record<ConditionName, string>> = {
    touch: 'var(--ochre)',
    'less-motion': 'var(--blue)',
    'no-script': 'var(--rust)',
    print: 'var(--ink-2)'
  };
  /** A band says up to which width it goes. */
  function headOf(name: ConditionName): string {
    const upTo = name === 'medium' || name === 'narrow' ? ` ≤ ${bands[name]}` : '';
    return `${CONDITION_TABLE[name].label}${upTo}`;
  }
  const columns = $derived(
    CONDITIONS.map((name) => ({ name, label: headOf(name), tone: TONES[name] ?? 'var(--ink)' }))
  );
  const settings = $derived(
    <S,>(condition: ConditionName) =>
      (condition === 'always'
        ? settingsWithDefaults(wb.kind, wb.tuned)
        : settingsAt(wb.kind, wb.tuned, condition)) as S
  );
  const computed = $derived(
    wb.kind.fallbacks(wb.tuned, { bands, settings, fit: wb.facts.fits.get(wb.tuned.id) ?? null })
  );
  const responsive = $derived(fieldsOf(wb.kind).filter((field) => field.responsive));
  /** The form first, then what the widget does, then how it moves. */
  const ordered = $derived([...responsive].sort((a, b) => rank(a.view) - rank(b.view)));
  const rank = (view: string) => ['fallbacks', 'behaviour', 'fill', 'timing'].indexOf(view);
  const fields = $derived(fieldsOf(wb.kind, 'fallbacks').filter((field) => !field.responsive));
  /** The page itself is always there, in one place. */
  const isEmpty = $derived(wb.kind.category === 'page');

  /** Between the width that labels need and the width at which they fold, they stand on two lines. */
  const gap = $derived.by(() => {
    const fit = wb.facts.fits.get(wb.tuned.id);
    const fold = fields.find((field) => field.flag === 'folds');
    if (!fit || !fold || !wb.kind.fit) return null;
    const under = settingsWithDefaults(wb.kind, wb.tuned)[fold.key] as number;
    const from = fitFrom(fit);
    if (from === null)
      return {
        text: `The ${wb.kind.fit.what} never fit on one line: they need ${Math.ceil(fit.needed)} px and their place gives ${Math.floor(fit.available)} px.`,
        to: null,
        key: fold.key
      };
    if (from <= under || from <= 280)
      return {
        text: `The ${wb.kind.fit.what} fit on one line from ${Math.max(280, from)} px on${under > 0 ? `, and fold under ${under} px` : ''}.`,
        to: null,
        key: fold.key
      };
    return {
      text: `The ${wb.kind.fit.what} need ${from} px at this type size; ${under > 0 ? `between ${from} and ${under} px` : 'below that'} they wrap onto more lines.`,
      to: from,
      key: fold.key
    };
  });
</script>

{#if isEmpty}
  <p class="nothing">
    The page is there at every width and under every condition. Its look can differ: see States, at ≤ medium
    and ≤ narrow. Pick a piece to say what becomes of it.
  </p>
{:else}
  {#if gap}
    <p class="gap" class:bad={gap.to !== null}>
      {gap.text}
      {#if gap.to !== null}
        {@const { key, to } = gap}
        <button
          type="button"
          class="link"
          onclick={() => wb.dispatch({ type: 'set-setting', id: wb.tuned.id, key, value: to })}
          >Fold at {to}</button
        >
      {/if}
      {#if gap.key && settingsWithDefaults(wb.kind, wb.tuned)[gap.key] !== 0}
        {@const { key } = gap}
        <button
          type="button"
          class="link"
          onclick={() => wb.dispatch({ type: 'set-setting', id: wb.tuned.id, key, value: 0 })}
          >Never fold</button
        >
      {/if}
    </p>
  {/if}
  <table>
    <thead>
      <tr>
        <td></td>
        {#each columns as { name, label, tone } (name)}<th scope="col" style:border-top-color={tone}
            >{label}</th
          >{/each}
      </tr>
    </thead>
    <tbody>
      <tr class="drawings">
        <th scope="row">Looks like</th>
        {#each columns as { name } (name)}<td><FormDrawing {wb} condition={name} /></td>{/each}
      </tr>
      {#each computed as row (row.label)}
        <tr class="computed">
          <th scope="row">{row.label}</th>
          {#each columns as { name } (name)}
            {@const text = name === 'always' ? row.wide : row.cells[name]}
            <td class:faint={text == null || (name !== 'always' && text === row.wide)}>{text ?? 'as wide'}</td
            >
          {/each}
        </tr>
      {/each}
      <tr>
        <th scope="row" title="Hidden takes it off the page there, for readers too">Shown</th>
        {#each columns as { name } (name)}<ShownCell {wb} condition={name} property="--k-hide" />{/each}
      </tr>
      <tr>
        <th scope="row" title="Place among its neighbours: lower numbers come first, 0 for all that have none"
          >Order</th
        >
        {#each columns as { name } (name)}<ShownCell {wb} condition={name} property="order" />{/each}
      </tr>
      {#each ordered as field (field.key)}
        <tr data-field={field.key}>
          <th scope="row" title={field.help}>{field.label}</th>
          {#each columns as { name } (name)}<SettingCell {wb} {field} condition={name} />{/each}
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
{#if fields.length > 0}
  <div class="fields">
    {#each fields as field (field.key)}<Field {wb} node={wb.tuned} {field} />{/each}
  </div>
{/if}

<style>
  table {
    width: 100%;
    min-width: 870px;
    table-layout: fixed;
    /* Borders that are shared do not stay with a row that sticks. */
    border-collapse: separate;
    border-spacing: 0;
  }
  th,
  table > tbody > tr > td,
  thead td {
    height: 27px;
    padding: 2px 8px;
    text-align: left;
    border-bottom: 1px solid var(--faint-line);
    border-left: 1px solid var(--faint-line);
  }
  thead th,
  thead td {
    position: sticky;
    top: 0;
    z-index: 1;
    background: var(--panel);
  }
  thead th {
    font-size: 12px;
    font-weight: 600;
    border-top: 3px solid;
  }
  tbody th {
    width: 112px;
    font-weight: 400;
    line-height: 1.25;
    overflow-wrap: anywhere;
    border-left: 0;
  }
  thead td {
    width: 112px;
    border-left: 0;
  }
  .drawings > td {
    padding: 5px 4px;
  }
  .drawings th {
    color: var(--ink-2);
  }
  .computed > td {
    font-weight: 600;
  }
  .computed > .faint {
    font-weight: 400;
    color: var(--ink-3);
  }
  .gap {
    display: flex;
    gap: 12px;
    padding: 7px 16px;
    margin: 0;
    color: var(--ink-2);
    border-bottom: 1px solid var(--faint-line);
  }
  .gap.bad {
    color: var(--ochre);
  }
  .nothing {
    max-width: 60ch;
    margin: 16px;
    color: var(--ink-2);
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
    gap: 12px 20px;
    padding: 14px 16px;
  }
</style>
