<script lang="ts">
  import Foldout from './Foldout.svelte';

  interface Props {
    /** Of the text field. */
    id: string;
    label: string;
    describedBy?: string;
    /** `x% y%` of the picture. */
    value: string;
    /** Null: a plain field stands for the room. */
    picture: Blob | null;
    isInvalid: boolean;
    onchange: (text: string, isDrag: boolean) => void;
    onstart: () => void;
  }
  const { id, label, describedBy, value, picture, isInvalid, onchange, onstart }: Props = $props();

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
    const move = (moved: PointerEvent) =>
      onchange(
        `${share(moved.clientX - box.left, box.width)}% ${share(moved.clientY - box.top, box.height)}%`,
        true
      );
    move(event);
    field.addEventListener('pointermove', move);
    field.addEventListener('lostpointercapture', () => field.removeEventListener('pointermove', move), {
      once: true
    });
  }

  function keys(event: KeyboardEvent): void {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!by) return;
    event.preventDefault();
    const step = event.shiftKey ? 10 : 1;
    onchange(`${share(point[0] + by[0]! * step, 100)}% ${share(point[1] + by[1]! * step, 100)}%`, false);
  }
</script>

{#snippet shown()}
  <span class="small" aria-hidden="true">
    {#if address}<img src={address} alt="" />{/if}
    <span class="dot" style:left="{point[0]}%" style:top="{point[1]}%"></span>
  </span>
  <span class="visually-hidden">Place the point of {label}</span>
{/snippet}

<div class="focus">
  <input
    {id}
    {value}
    class="mono"
    aria-invalid={isInvalid}
    aria-describedby={describedBy}
    onchange={(event) => onchange(event.currentTarget.value.trim(), false)}
  />
  <div class="open">
    <Foldout id="{id}-point" value={shown}>
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
      <div
        class="pad"
        role="application"
        aria-label="{label}: drag the point, or use the arrow keys"
        tabindex="0"
        onpointerdown={drag}
        onkeydown={keys}
      >
        {#if address}<img src={address} alt="" draggable="false" />{:else}<div class="room"></div>{/if}
        <span class="point" style:left="{point[0]}%" style:top="{point[1]}%"></span>
      </div>
    </Foldout>
  </div>
</div>

<style>
  .focus {
    display: flex;
    gap: 4px;
  }
  input {
    flex: 1;
    min-width: 0;
    height: 26px;
    padding: 0 7px;
    font: 11.5px var(--mono);
    color: inherit;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  input[aria-invalid='true'] {
    border-color: var(--red);
    outline: 1px solid var(--red);
  }
  .open {
    flex: none;
    width: 54px;
  }
  .small {
    position: relative;
    width: 30px;
    height: 20px;
    background: var(--panel);
  }
  .small img {
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
  .dot {
    position: absolute;
    width: 5px;
    height: 5px;
    margin: -2.5px;
    background: var(--verdigris);
    border: 1px solid #fff;
    border-radius: 50%;
  }
  .pad {
    position: relative;
    display: inline-block;
    cursor: crosshair;
    touch-action: none;
  }
  .pad img {
    display: block;
    max-width: 320px;
    max-height: 200px;
  }
  .room {
    width: 240px;
    height: 135px;
    background:
      linear-gradient(var(--line) 0 0) center / 1px 100% no-repeat,
      linear-gradient(var(--line) 0 0) center / 100% 1px no-repeat,
      #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .point {
    position: absolute;
    width: 14px;
    height: 14px;
    margin: -7px;
    border: 2px solid #fff;
    border-radius: 50%;
    box-shadow: 0 0 0 2px var(--verdigris);
  }
</style>
