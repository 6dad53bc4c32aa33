<script lang="ts">
  import type { SnippetOptions } from '$core/compile/snippet';

  /** The site that a snippet goes into: whose type it stands in, and what 1rem is there, px. */
  let { site = $bindable() }: { site: Required<Omit<SnippetOptions, 'addressOf'>> } = $props();
  let fault = $state('');

  function setRootSize({ value, validity, valueAsNumber }: HTMLInputElement): void {
    const isSize = value !== '' && validity.valid;
    fault = isSize ? '' : `Not a root size: give 4 to 64 px. It stays ${site.rootSize} px.`;
    if (isSize) site = { ...site, rootSize: valueAsNumber };
  }
</script>

<div class="site" role="group" aria-label="The site it goes into">
  <label
    >Type, colour and ground
    <select class="boxed" bind:value={() => site.look, (look) => (site = { ...site, look })}>
      <option value="page">as on this page</option>
      <option value="site">of the site it goes into</option>
    </select>
  </label>
  <label title="What 1rem is there: 16 px, unless its style sheet gives html another font-size"
    >Root type size of the site
    <input
      class="boxed"
      type="number"
      min="4"
      max="64"
      step="any"
      value={site.rootSize}
      aria-invalid={fault !== ''}
      onchange={(event) => setRootSize(event.currentTarget)}
    />
    px
  </label>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
</div>

<style>
  .site {
    display: flex;
    flex-wrap: wrap;
    gap: 16px;
    margin-bottom: 14px;
  }
  label {
    display: flex;
    gap: 6px;
    align-items: center;
    color: var(--ink-2);
  }
  input {
    width: 64px;
  }
  .fault {
    flex-basis: 100%;
    margin: -8px 0 0;
    font-size: 13px;
    color: var(--red);
  }
</style>
