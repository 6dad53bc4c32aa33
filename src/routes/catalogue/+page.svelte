<script lang="ts">
  import { resolve } from '$app/paths';
  import type { PageData } from './$types';

  const { data }: { data: PageData } = $props();

  let fault = $state('');
  let said = $state('');

  async function set(id: string, name: string, flag: string, box: HTMLInputElement): Promise<void> {
    const response = await fetch('/api/catalogue', {
      method: 'PATCH',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id, flag, value: box.checked })
    }).catch(() => null);
    fault = response?.ok ? '' : 'The server does not answer, so the flag was not set. Start it again.';
    if (response?.ok) said = `${name} is ${box.checked ? '' : 'no longer '}${flag}.`;
    else box.checked = !box.checked;
  }
</script>

<svelte:head><title>Orchard catalogue</title></svelte:head>

<main>
  <p><a href={resolve('/')}>All projects</a></p>
  <h1>Orchard catalogue</h1>
  <p class="about">
    A stand-in for a shop’s own catalogue, which comes with Kymation. Prices, stock and sales change by the
    day. Flag records here, then refresh the source in a project to see them come.
  </p>
  <p class="said" role="status">{said}</p>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  <table>
    <thead>
      <tr>
        <th scope="col">Name</th><th scope="col">Kind</th><th scope="col" class="number">Price</th>
        <th scope="col" class="number">Reduced</th><th scope="col">Added</th><th scope="col" class="number"
          >Stock</th
        >
        <th scope="col" class="number">Sold</th>
        {#each data.flags as flag (flag)}<th scope="col" class="flag">{flag}</th>{/each}
      </tr>
    </thead>
    <tbody>
      {#each data.records as record (record.id)}
        <tr>
          <th scope="row">{record.name}</th>
          <td>{record.kind}</td>
          <td class="number">{record.price.toFixed(2)}</td>
          <td class="number">{record.reduced?.toFixed(2) ?? '—'}</td>
          <td>{record.added}</td>
          <td class="number">{record.stock}</td>
          <td class="number">{record.sold}</td>
          {#each data.flags as flag (flag)}
            <td class="flag">
              <input
                type="checkbox"
                aria-label="{record.name}: {flag}"
                checked={record[flag]}
                onchange={(event) => set(record.id, record.name, flag, event.currentTarget)}
              />
            </td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</main>

<style>
  main {
    max-width: 1040px;
    padding: 20px 24px 60px;
    margin: 0 auto;
  }
  h1 {
    margin: 10px 0 4px;
    font: 600 26px/1.2 var(--mark);
  }
  .about {
    max-width: 70ch;
    color: var(--ink-2);
  }
  .said {
    min-height: 1.5em;
    margin: 8px 0;
    color: var(--verdigris);
  }
  .fault {
    color: var(--red);
  }
  table {
    width: 100%;
    font-size: 14px;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 5px 8px;
    font-weight: 400;
    text-align: left;
    border-bottom: 1px solid var(--line);
  }
  thead th {
    position: sticky;
    top: 0;
    font-size: 12.5px;
    font-weight: 600;
    background: var(--panel);
  }
  tbody th {
    font-weight: 600;
  }
  .number {
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  .flag {
    text-align: center;
  }
  .flag input {
    width: 18px;
    height: 18px;
    accent-color: var(--verdigris);
  }
</style>
