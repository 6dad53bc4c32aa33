import { loadGrammar } from '$core/css/grammar';
import { registry } from '$core/registry';

/** What changes a project. */
export type Tools = typeof import('$core/commands/apply') & typeof import('$core/findings/fitting');

let coming: Promise<Tools> | null = null;

/**
 * Brings the commands, the grammar they check values by, and the code of all kinds. None of it is needed to show
 * a page, so the page is on show sooner without it. Asked again it gives what has come.
 */
export function bringTools(): Promise<Tools> {
  coming ??= everything();
  // Where the server did not answer it is asked anew the next time.
  coming.catch(() => (coming = null));
  return coming;
}

async function everything(): Promise<Tools> {
  const [commands, fitting] = await Promise.all([
    import('$core/commands/apply'),
    import('$core/findings/fitting'),
    loadGrammar(),
    registry.loadAll()
  ]);
  return { ...commands, ...fitting };
}
