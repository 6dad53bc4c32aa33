<script lang="ts">
  import { Modal } from 'carbon-components-svelte';
  import { actions, shownKey } from '$lib/state/actions';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const groups = ['Insert', 'Piece', 'View', 'Project'] as const;
</script>

<Modal
  open
  passiveModal
  size="lg"
  hasScrollingContent
  modalHeading="All keys"
  on:close={() => (wb.open = null)}
>
  <div class="groups">
    {#each groups as group (group)}
      <section>
        <h3>{group}</h3>
        <dl>
          {#each actions.filter((action) => action.group === group && action.keys.length > 0) as action (action.id)}
            <div>
              <dt>{action.label}</dt>
              <dd>
                {#each action.keys as key (key)}<kbd>{shownKey(key)}</kbd>
                {/each}
              </dd>
            </div>
          {/each}
        </dl>
      </section>
    {/each}
    <section>
      <h3>Everywhere</h3>
      <dl>
        <div>
          <dt>Walk the outline, fold and unfold</dt>
          <dd><kbd>↑ ↓ ← →</kbd></dd>
        </div>
        <div>
          <dt>Leave a field, then what is open, then what is picked</dt>
          <dd><kbd>Esc</kbd></dd>
        </div>
      </dl>
    </section>
  </div>
</Modal>

<style>
  .groups {
    columns: 3 280px;
    column-gap: 28px;
  }
  section {
    margin-bottom: 14px;
  }
  h3 {
    margin: 0 0 4px;
    break-after: avoid;
    font-size: 12px;
    font-weight: 600;
    color: var(--ink-2);
  }
  dl {
    margin: 0;
  }
  dl div {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    padding: 3px 0;
    break-inside: avoid;
    border-top: 1px solid var(--faint-line);
  }
  dd {
    margin: 0;
    white-space: nowrap;
  }
  kbd {
    padding: 0 5px;
    font: 11px/18px var(--mono);
    border: 1px solid var(--line);
    border-radius: 2px;
  }
</style>
