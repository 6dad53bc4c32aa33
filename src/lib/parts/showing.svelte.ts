import type { Attachment } from 'svelte/attachments';

/**
 * Shows a text in a field that may come anew at any time, such as one that is measured: what is being typed stays until
 * it is taken or the field is left.
 */
export const showing =
  (text: () => string): Attachment<HTMLInputElement> =>
  (input) => {
    let isTyped = false;
    const type = () => (isTyped = true);
    const take = () => (isTyped = false);
    const leave = () => {
      take();
      input.value = text();
    };
    const heard = { input: type, change: take, blur: leave };
    $effect(() => {
      const now = text();
      if (!isTyped) input.value = now;
    });
    for (const [name, hear] of Object.entries(heard)) input.addEventListener(name, hear);
    return () => {
      for (const [name, hear] of Object.entries(heard)) input.removeEventListener(name, hear);
    };
  };
