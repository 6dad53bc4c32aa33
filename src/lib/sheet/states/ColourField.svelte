<script lang="ts">
  import { untrack } from 'svelte';

  const { value, onchange }: { value: string; onchange: (colour: string) => void } = $props();

  // The picker is only fetched when someone wants it.
  const picker = import('svelte-awesome-color-picker');
  let hex = $state(untrack(() => (/^#[0-9a-f]{3,8}$/i.test(value) ? value : '#808080')));
</script>

{#await picker then { default: ColorPicker }}
  <ColorPicker
    bind:hex
    isDialog={false}
    label="Colour"
    onInput={({ hex: picked }) => {
      if (picked && picked.toLowerCase() !== value.toLowerCase()) onchange(picked);
    }}
  />
{/await}
