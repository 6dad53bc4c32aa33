<script lang="ts">
  import { evaluate } from '$core/css/arithmetic';
  import { parseQuantity } from '$core/css/quantity';
  import type { EditorProps } from './editors';

  const { field, id, value, fault, describedBy, set, refuse }: EditorProps = $props();

  const isWidth = $derived(field.control === 'width');
  const unit = $derived(isWidth ? 'px' : field.unit);

  function takeWidth(text: string): void {
    // The field shows “640 px”; CSS itself has no space there.
    const worked = parseQuantity(evaluate(text.replace(/\s+px/g, 'px'), 'px') ?? '');
    if (!worked || (worked.unit !== 'px' && worked.value !== 0))
      refuse(`${field.label} takes a width in px, such as 640 or 720-80.`);
    else set(worked.value);
  }

  function takeNumber(text: string): void {
    const worked = parseQuantity(evaluate(text.replace(/[%\sa-z]/gi, ''), '') ?? '');
    if (!worked) refuse(`${field.label} takes a number, such as 50.`);
    else set(worked.value);
  }

  const take = (text: string) => (isWidth ? takeWidth(text) : takeNumber(text));

  function keys(event: KeyboardEvent): void {
    const by = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (event.key === 'Enter') take((event.target as HTMLInputElement).value);
    if (!by) return;
    event.preventDefault();
    set(Math.max(0, (value as number) + by * (event.shiftKey ? 10 : 1)), 'step');
  }
</script>

<input
  {id}
  class="mono"
  aria-describedby={describedBy}
  aria-invalid={fault !== ''}
  value={`${value as number} ${unit}`}
  onchange={(event) => take(event.currentTarget.value)}
  onkeydown={keys}
/>
