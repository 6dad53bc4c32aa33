import type { Read } from '$core/heard/order';
import type { NodeId, StateName } from '$core/project/types';
import type { Switch, ToFrame } from '$preview/messages';
import type { InWindow } from './windows';

/** Widths a page can be looked at, px. */
export const WIDTH_LEAST = 280;
export const WIDTH_MOST = 1920;

/** How the page is looked at; nothing of it is part of the project. */
export class PreviewState {
  width = $state(1120);
  /** One width, the three bands side by side, or stand-in devices. */
  widths = $state<'one' | 'three' | 'devices'>('one');
  /** Widths shown side by side, px: wide, medium, narrow. */
  three = $state.raw<readonly [number, number, number] | null>(null);
  mode = $state<'select' | 'try'>('select');
  /** Conditions that are tried. */
  switches = $state.raw<readonly Switch[]>([]);
  /** A state shown on the picked part though nobody touches it. */
  forced = $state<Exclude<StateName, 'rest'> | null>(null);
  /** Pace of movements. */
  rate = $state<1 | 0.25>(1);
  /** How large the page is shown: 1 is its real size. */
  scale = $state(1);
  /** Margins, paddings and gaps of what is under the pointer. */
  showsGuides = $state(true);
  /** Distances of what is under the pointer, in words. */
  distances = $state.raw<{ readonly name: string; readonly words: string } | null>(null);
  /** The page is on show; frames that draw pieces of it wait for that. */
  isShown = $state(false);
  /** The page alone in the window. */
  isFull = $state(false);
  /** Heights of its window and of the whole page, px; null until it has been measured. */
  extent = $state.raw<{ readonly window: number; readonly page: number } | null>(null);
  /** Where pieces stand in other windows, while someone looks at the scroll map. */
  windows = $state.raw<readonly InWindow[]>([]);
  /** How far it is scrolled, as a share of the way, 0 to 1. */
  share = $state(0);
  /** The section that is being looked at; null until the page has told. */
  inSight = $state<NodeId | null>(null);
  /** Which of its stacked siblings a piece shares some room with, as the page stands; measured in the frame. */
  overlaps = $state.raw<{ readonly node: NodeId; readonly others: readonly NodeId[] } | null>(null);

  /** What is read of the page, in its order, while someone looks at that. */
  read = $state.raw<readonly Read[]>([]);

  /** Sends to every frame that shows the page; set by the pane they stand in. */
  sendToPreview: (message: ToFrame) => void = () => {};
  /** Sends to every frame that shows the page what belongs to the project it shows; null sends nothing. */
  sendToEach: (messageFor: (isKept: boolean) => ToFrame | null) => void = () => {};
  /** Sends to the one frame that a hand works in, and gives it the keys. */
  sendToPage: (message: ToFrame) => void = () => {};

  toggleSwitch(name: Switch): void {
    this.switches = this.switches.includes(name)
      ? this.switches.filter((each) => each !== name)
      : [...this.switches, name];
  }
}
