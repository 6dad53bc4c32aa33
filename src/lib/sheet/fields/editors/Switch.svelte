<script lang="ts">
  import type { EditorProps } from './editors';

  const { id, value, describedBy, set }: EditorProps = $props();
</script>

<span class="toggle"
  ><input
    {id}
    type="checkbox"
    role="switch"
    aria-describedby={describedBy}
    checked={value as boolean}
    onchange={(event) => set(event.currentTarget.checked)}
  /><span aria-hidden="true">{value ? 'yes' : 'no'}</span></span
>

<style>
  .toggle {
    display: inline-flex;
    gap: 7px;
    align-items: center;
    min-height: 26px;
    color: var(--ink-2);
    cursor: pointer;
  }
  input {
    position: relative;
    width: 30px;
    height: 16px;
    margin: 0;
    appearance: none;
    cursor: pointer;
    background: var(--control-line);
    border-radius: 8px;
  }
  input::before {
    position: absolute;
    top: 2px;
    left: 2px;
    width: 12px;
    height: 12px;
    content: '';
    background: #fff;
    border-radius: 50%;
  }
  input:checked {
    background: var(--verdigris);
  }
  input:checked::before {
    left: 16px;
  }
</style>
