import type { Effect, Kind } from '../kinds/contract';
import { createRegistry, type Registry } from '../kinds/registry';

/** A registry of these kinds and effects, with the code of all of them. Rejects where one is incomplete. */
export async function registryWith(
  kinds: readonly Kind[],
  effects: readonly Effect[] = []
): Promise<Registry> {
  const registry = createRegistry(
    kinds.map((kind) => ({ about: kind, load: () => Promise.resolve(kind) })),
    effects.map((effect) => ({ about: effect, load: () => Promise.resolve(effect) }))
  );
  await registry.loadAll();
  return registry;
}
