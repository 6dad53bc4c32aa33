<script lang="ts">
  import { TextInput } from 'carbon-components-svelte';

  interface Props {
    label: string;
    /** `x% y%` of the picture. */
    value: string;
    /** Null: a plain field stands for the room. */
    picture: Blob | null;
    help: string;
    fault: string;
    onchange: (text: string, isDrag: boolean) => void;
    onstart: () => void;
  }
  const { label, value, picture, help, fault, onchange, onstart }: Props = $props();

  const point = $derived(value.split(' ').map((each) => parseFloat(each)) as [number, number]);
  const address = $derived(picture ? URL.createObjectURL(picture) : '');
  $effect(() => {
    const shown = address;
    return () => shown && URL.revokeObjectURL(shown);
  });
  const share = (at: number, of: number) => Math.min(100, Math.max(0, Math.round((at / of) * 100)));

  function drag(event: PointerEvent): void {
    event.preventDefault();
    onstart();
    const field = event.currentTarget as HTMLElement;
    field.setPointerCapture(event.pointerId);
    const box = field.getBoundingClientRect();
    const move = (moved: PointerEvent) => onchange(`${share(moved.clientX - box.left, box.width)}% ${share(moved.clientY - box.top, box.height)}%`, true);
    move(event);
    field.addEventListener('pointermove', move);
    field.addEventListener('lostpointercapture', () => field.removeEventListener('pointermove', move), { once: true });
  }

  function keys(event: KeyboardEvent): void {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!by) return;
    event.preventDefault();
    const step = event.shiftKey ? 10 : 1;
    onchange(`${share(point[0] + by[0]! * step, 100)}% ${share(point[1] + by[1]! * step, 100)}%`, false);
  }
</script>

<div class="focus">
  <TextInput size="sm" labelText={label} helperText={help} invalid={fault !== ''} invalidText={fault} {value} on:change={({ detail }) => onchange(String(detail ?? '').trim(), false)} />
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
    <div class="field" role="application" aria-label="{label}: drag the point, or use the arrow keys" tabindex="0" onpointerdown={drag} onkeydown={keys}>
      {#if address}<img src={address} alt="" draggable="false" />{:else}<div class="room"></div>{/if}
      <span style:left="{point[0]}%" style:top="{point[1]}%"></span>
    </div>
</div>

<style>
  .field {
    position: relative;
    display: inline-block;
    margin-top: 6px;
    cursor: crosshair;
    touch-action: none;
  }
  img {
    display: block;
    max-width: 100%;
    max-height: 72px;
  }
  .room {
    width: 120px;
    height: 64px;
    background: linear-gradient(var(--line) 0 0) center / 1px 100% no-repeat, linear-gradient(var(--line) 0 0) center / 100% 1px no-repeat, #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  span {
    position: absolute;
    width: 14px;
    height: 14px;
    margin: -7px;
    border: 2px solid #fff;
    border-radius: 50%;
    box-shadow: 0 0 0 2px var(--verdigris);
  }
</style>
