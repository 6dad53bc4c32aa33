<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { resolve } from '$app/paths';
  import Waiting from '$lib/parts/Waiting.svelte';
  import { storageSentence } from '$lib/store/db';
  import { demoProject } from '$lib/store/transfer';

  let fault = $state('');

  onMount(() => {
    demoProject()
      .then((id) => goto(resolve('/project/[id]', { id }), { replaceState: true }))
      .catch((error: unknown) => (fault = storageSentence(error).replace('Not saved: t', 'T')));
  });
</script>

<main>
  {#if fault}
    <h1>The demo cannot be opened</h1>
    <p>{fault}</p>
    <a href={resolve('/')}>All projects</a>
  {:else}
    <h1 class="visually-hidden">Opening the demo</h1>
    <Waiting description="Opening the demo…" />
  {/if}
</main>

<style>
  main {
    max-width: 56ch;
    margin: 18vh auto;
    padding: 0 24px;
  }
  h1 {
    font-size: 22px;
    font-weight: 600;
  }
  p {
    margin: 10px 0 16px;
  }
</style>
