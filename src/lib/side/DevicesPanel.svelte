<script lang="ts">
  import { onMount } from 'svelte';
  import type { Device } from '$lib/state/devices.svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import SidePanel from './SidePanel.svelte';

  const { wb }: { wb: Workbench } = $props();

  let fault = $state('');

  // What is chosen here is seen beside it.
  onMount(() => void (wb.preview.widths = 'devices'));

  const change = (id: string, more: Partial<Device>): void =>
    void (fault = wb.devices.change(id, more) ?? '');

  type Numbered = 'width' | 'height' | 'ratio' | 'type';
  const NUMBERS: readonly (readonly [key: Numbered, label: string, unit: string])[] = [
    ['width', 'Width', 'px wide'],
    ['height', 'Height', 'px high'],
    ['ratio', 'Pixels', '× pixels'],
    ['type', 'Type size', '% type']
  ];

  /** What was refused is not what is shown. */
  function setNumber(device: Device, key: Numbered, input: HTMLInputElement): void {
    change(device.id, { [key]: Number(input.value) });
    const now = wb.devices.all.find(({ id }) => id === device.id);
    if (now) input.value = String(now[key]);
  }

  function setName(device: Device, input: HTMLInputElement): void {
    const name = input.value.trim();
    if (name) change(device.id, { name });
    else input.value = device.name;
  }
</script>

<SidePanel {wb} label="Stand-in devices">
  <p class="note">
    Windows of these sizes stand side by side and are scrolled together. They stay in this browser and are no
    part of the project.
  </p>
  <label class="typing">
    <input type="checkbox" bind:checked={wb.devices.typing} />
    Someone is typing: a keyboard covers the lower half of what is touched
  </label>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  <ul>
    {#each wb.devices.all as device (device.id)}
      <li class:shown={device.isShown}>
        <div class="head">
          <input
            type="checkbox"
            aria-label="Show {device.name}"
            checked={device.isShown}
            onchange={(event) => {
              change(device.id, { isShown: event.currentTarget.checked });
              event.currentTarget.checked = wb.devices.all.some(
                ({ id, isShown }) => id === device.id && isShown
              );
            }}
          />
          <input
            class="name"
            aria-label="Name of {device.name}"
            value={device.name}
            maxlength="40"
            onchange={(event) => setName(device, event.currentTarget)}
          />
          <button
            type="button"
            class="link"
            aria-label="Remove {device.name}"
            disabled={wb.devices.all.length === 1}
            onclick={() => wb.devices.remove(device.id)}>Remove</button
          >
        </div>
        <div class="numbers">
          {#each NUMBERS as [key, label, unit] (key)}
            <label>
              <input
                class="mono"
                inputmode="decimal"
                aria-label="{label} of {device.name}"
                value={device[key]}
                onchange={(event) => setNumber(device, key, event.currentTarget)}
              />
              {unit}
            </label>
          {/each}
          <label>
            <input
              type="checkbox"
              aria-label="{device.name} is touched"
              checked={device.isTouch}
              onchange={(event) => change(device.id, { isTouch: event.currentTarget.checked })}
            />
            touched
          </label>
        </div>
      </li>
    {/each}
  </ul>
  <p class="do">
    <button type="button" class="link" onclick={() => wb.devices.add()}>Add a device</button>
    <button type="button" class="link" onclick={() => wb.devices.reset()}>Those it came with</button>
  </p>
</SidePanel>

<style>
  .note {
    margin: 0 0 8px;
    font-size: 12.5px;
    color: var(--ink-2);
  }
  .typing {
    display: flex;
    gap: 8px;
    align-items: center;
    margin-bottom: 8px;
    font-size: 12.5px;
  }
  ul {
    padding: 0;
    margin: 0;
    list-style: none;
  }
  li {
    padding: 8px 0;
    border-top: 1px solid var(--faint-line);
  }
  .head {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  input[type='checkbox'] {
    flex: none;
    width: 16px;
    height: 16px;
    margin: 0;
    accent-color: var(--verdigris);
  }
  .name {
    flex: 1;
    min-width: 0;
    height: 26px;
    padding: 0 6px;
    font: inherit;
    color: var(--ink-2);
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .shown .name {
    font-weight: 600;
    color: var(--ink);
  }
  .numbers {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 12px;
    margin: 6px 0 0 24px;
    font-size: 12px;
    color: var(--ink-2);
  }
  .numbers label {
    display: inline-flex;
    gap: 4px;
    align-items: center;
  }
  .numbers .mono {
    width: 46px;
    height: 24px;
    padding: 0 5px;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .do {
    display: flex;
    gap: 16px;
    margin: 10px 0 0;
  }
  .fault {
    margin: 0 0 8px;
    font-size: 12.5px;
    color: var(--red);
  }
</style>
