/** What the rest of the code has to know of a behaviour. */
interface BehaviourInfo {
  /**
   * Attributes it sets while the page runs: rules that ask for them can hold, though no markup has them.
   * `hidden` and the like among them.
   */
  readonly sets: readonly string[];
  /** It keeps a piece out of sight until something happens, so it runs only where the page is tried. */
  readonly isHiding?: boolean;
}

/** Behaviours by name, each of a file in `src/runtime`; a test holds the two lists to each other. */
export const BEHAVIOURS: Readonly<Record<string, BehaviourInfo>> = {
  closes: { sets: [] },
  counts: { sets: [], isHiding: true },
  drags: { sets: [] },
  enter: { sets: ['data-waiting'], isHiding: true },
  flips: { sets: ['data-turned', 'data-k-on', 'aria-pressed'] },
  fresh: { sets: [] },
  glide: { sets: [] },
  grow: { sets: [] },
  hides: { sets: ['data-hides'], isHiding: true },
  large: { sets: ['open'] },
  leave: { sets: [] },
  leaves: { sets: ['data-leaving'] },
  linked: { sets: [] },
  menu: { sets: ['aria-expanded', 'data-open'] },
  opens: { sets: [] },
  panels: { sets: [] },
  plays: { sets: [] },
  raise: { sets: [] },
  rounds: { sets: ['data-looped'] },
  scrolls: { sets: [] },
  slider: {
    sets: ['aria-current', 'aria-disabled', 'data-current', 'data-k-on', 'hidden']
  },
  spy: { sets: ['aria-current'] },
  stuck: { sets: ['data-stuck'] },
  sublists: { sets: ['aria-expanded', 'data-open'] },
  tabs: {
    sets: [
      'aria-selected',
      'aria-expanded',
      'aria-current',
      'hidden',
      'role',
      'data-k-on',
      'data-k-live',
      'data-current'
    ]
  },
  turns: { sets: ['aria-pressed', 'data-held', 'data-away'] },
  unfolds: { sets: [] },
  wait: { sets: ['data-waiting'], isHiding: true }
};
