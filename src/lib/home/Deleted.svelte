<script lang="ts">
  import type { ProjectRow } from '$lib/store/db';

  const { rows, onrestore }: { rows: readonly ProjectRow[]; onrestore: (row: ProjectRow) => void } = $props();

  const when = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
</script>

<details>
  <summary>Deleted within the last day: {rows.length}</summary>
  <ul aria-label="Deleted projects">
    {#each rows as row (row.id)}
      <li>
        <span class="name">{row.name}</span>
        <span class="when"
          >{row.pages} {row.pages === 1 ? 'page' : 'pages'} · deleted {when.format(row.deleted)}</span
        >
        <button type="button" class="link" aria-label="Bring {row.name} back" onclick={() => onrestore(row)}
          >Bring it back</button
        >
      </li>
    {/each}
  </ul>
</details>

<style>
  details {
    margin-top: 24px;
    color: var(--ink-2);
  }
  summary {
    width: fit-content;
    cursor: pointer;
  }
  ul {
    padding: 0;
    margin: 8px 0 0;
    list-style: none;
  }
  li {
    display: flex;
    gap: 14px;
    align-items: baseline;
    padding: 6px 0;
    border-top: 1px solid var(--line);
  }
  .name {
    overflow: hidden;
    font-weight: 600;
    color: var(--ink);
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .when {
    flex: none;
    font-size: 12px;
  }
  button {
    flex: none;
    margin-left: auto;
  }
</style>
