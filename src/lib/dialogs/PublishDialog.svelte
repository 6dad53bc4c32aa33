<script lang="ts">
  import { Button, InlineLoading, Modal } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { slug } from '$core/project/ids';
  import { exportPages, zipOf } from '$lib/state/exporting';
  import {
    askForSite,
    changesSince,
    publish,
    showAgain,
    sizeOf,
    type Answer,
    type Told
  } from '$lib/state/publishing';
  import { keepSiteName, siteName } from '$lib/state/remembered';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  let name = $state('');
  let site = $state.raw<Told | null>(null);
  let fault = $state('');
  let working = $state('');
  let control: AbortController | null = null;

  // The name is that of last time; the project's own the first time.
  onMount(() => {
    name = siteName(wb.project.id) ?? (slug(wb.project.info.name) || 'site');
    void look();
    return () => control?.abort();
  });

  function take(answer: Answer): void {
    fault = answer.ok ? '' : answer.sentence;
    if (answer.ok) site = answer.site;
  }

  async function look(): Promise<void> {
    site = null;
    take(await askForSite(name));
  }

  async function put(): Promise<void> {
    control = new AbortController();
    const { signal } = control;
    const { project, blobs } = wb;
    // Another name may be typed while this one is worked on.
    const to = name;
    working = 'Printing all pages…';
    fault = '';
    try {
      const known = await askForSite(to);
      if (!known.ok) return take(known);
      const done = await exportPages({
        project,
        blobs,
        pages: project.info.pageOrder,
        single: false,
        snippet: null,
        minified: true,
        signal,
        onprogress: (count, of) => (working = `Making smaller pictures, ${count + 1} of ${of}…`)
      });
      if (!done.ok) return void (fault = done.sentence);
      if (done.broken.length > 0)
        return void (fault = `This is broken and was not published. ${done.broken[0]}`);
      working = 'Publishing…';
      const answer = await publish(to, zipOf(done.files));
      if (to === name) take(answer);
      if (answer.ok) keepSiteName(project.id, to);
    } catch (error) {
      if (!signal.aborted) throw error;
    } finally {
      working = '';
    }
  }

  const size = (bytes: number) =>
    bytes < 1e6 ? `${Math.round(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
  const when = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'medium' });
</script>

<Modal open passiveModal modalHeading="Publish on this machine" on:close={() => (wb.open = null)}>
  <p class="about">
    All pages go to a small host of their own on this machine, at another address than Kymation. Readers get
    the whole of a publishing or the whole of the one before it.
  </p>
  <form
    onsubmit={(event) => {
      event.preventDefault();
      void put();
    }}
  >
    <label
      >Name
      <input
        value={name}
        maxlength="60"
        aria-invalid={fault !== ''}
        onchange={(event) => {
          name = event.currentTarget.value.trim();
          void look();
        }}
      /></label
    >
    <Button size="small" type="submit" disabled={working !== ''}
      >Publish {wb.project.info.pageOrder.length === 1
        ? 'the page'
        : `all ${wb.project.info.pageOrder.length} pages`}</Button
    >
    {#if working}
      <InlineLoading description={working} />
      <button type="button" class="link" onclick={() => control?.abort()}>Cancel</button>
    {/if}
  </form>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  {#if site?.current && site.address}
    <!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- the host is another origin -->
    <p>It is at <a href={site.address} target="_blank" rel="noopener noreferrer">{site.address}</a></p>
  {:else if site?.current}
    <p class="fault">It is published, but no port was free to show it at. Start Kymation again.</p>
  {:else if site}
    <p class="none">Nothing is published under this name yet.</p>
  {/if}
  {#if site && site.publishings.length > 0}
    <table>
      <thead
        ><tr
          ><th scope="col">Published</th><th scope="col">Size</th><th scope="col">Files</th><th scope="col"
            ><span class="visually-hidden">What can be done</span></th
          ></tr
        ></thead
      >
      <tbody>
        {#each site.publishings as publishing, i (publishing.id)}
          {@const isCurrent = publishing.id === site.current}
          <tr class:current={isCurrent}>
            <th scope="row">{when.format(new Date(publishing.at))}</th>
            <td>{size(sizeOf(publishing))}</td>
            <td>{changesSince(publishing, site.publishings[i + 1])}</td>
            <td>
              {#if isCurrent}on show{:else}<button
                  type="button"
                  class="link"
                  onclick={async () => take(await showAgain(name, publishing.id))}>Go back to it</button
                >{/if}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</Modal>

<style>
  form {
    display: flex;
    gap: 12px;
    align-items: center;
    margin-bottom: 10px;
  }
  label {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  input {
    width: 200px;
    height: 28px;
    padding: 0 7px;
    font: 11.5px var(--mono);
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  form :global(.bx--inline-loading) {
    width: auto;
  }
  p {
    margin: 0 0 10px;
    font-size: 13px;
    line-height: 1.4;
  }
  p a {
    color: var(--verdigris);
  }
  .about,
  .none {
    color: var(--ink-2);
  }
  .fault {
    color: var(--red);
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 5px 8px;
    font-weight: 400;
    text-align: left;
    border-bottom: 1px solid var(--faint-line);
  }
  thead th {
    font-size: 12px;
    color: var(--ink-2);
  }
  .current > * {
    font-weight: 600;
    background: var(--wash);
  }
</style>
