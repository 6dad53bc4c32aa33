<script lang="ts">
  import { resolve } from '$app/paths';
  import { page } from '$app/state';
  import type { ProjectId } from '$core/project/types';
  import Waiting from '$lib/parts/Waiting.svelte';
  import WorkbenchView from '$lib/workbench/Workbench.svelte';
  import { keptPage } from '$lib/state/remembered';
  import { Workbench } from '$lib/state/workbench.svelte';
  import { storageSentence } from '$lib/store/db';
  import { openProject } from '$lib/store/projects';

  async function opening(id: ProjectId): Promise<Workbench | null> {
    const kept = keptPage(id);
    const stored = await openProject(id, { page: kept });
    return stored && new Workbench(stored, kept);
  }
  const opened = $derived(opening(page.params.id as ProjectId));
</script>

{#await opened}
  <main class="wait">
    <h1 class="visually-hidden">Opening the project</h1>
    <Waiting description="Opening the project…" />
  </main>
{:then wb}
  {#if wb}
    <WorkbenchView {wb} />
  {:else}
    <main class="wait">
      <h1>This project is not here</h1>
      <p>
        It may have been deleted, or it was made in another browser. Its project file (.kymation) can be
        imported on the list of projects.
      </p>
      <a href={resolve('/')}>All projects</a>
    </main>
  {/if}
{:catch error}
  <main class="wait">
    <h1>The project cannot be opened</h1>
    <p>{storageSentence(error).replace('Not saved: t', 'T')}</p>
    <a href={resolve('/')}>All projects</a>
  </main>
{/await}

<style>
  .wait {
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
