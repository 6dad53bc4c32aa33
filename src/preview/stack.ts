import type { FromFrame } from './messages';
import { clamp } from '$core/data/clamp';

interface Wanted {
  /** The picked piece and its stacked siblings; empty where it is not one of such. */
  readonly stack: readonly string[];
  readonly picked: string | null;
}

/** A press that moves less than this is a click, px. */
const SLACK = 3;

/** Room that a piece can be moved in within what it is stacked in: where it starts, and how much there is, px. */
function freeRoom(element: HTMLElement): {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
} {
  const around = element.parentElement!;
  const box = around.getBoundingClientRect();
  const own = element.getBoundingClientRect();
  const style = getComputedStyle(around);
  const px = (name: string) => parseFloat(style.getPropertyValue(name)) || 0;
  return {
    x: box.left + px('border-left-width') + px('padding-left'),
    y: box.top + px('border-top-width') + px('padding-top'),
    width: around.clientWidth - px('padding-left') - px('padding-right') - own.width,
    height: around.clientHeight - px('padding-top') - px('padding-bottom') - own.height
  };
}

/** Dragging of a piece among others it is stacked with, and what it covers there. */
export function createStack(
  elementOf: (id: string) => HTMLElement | null,
  tell: (message: FromFrame) => void
) {
  let wanted: Wanted = { stack: [], picked: null };
  let drag: {
    readonly element: HTMLElement;
    readonly dx: number;
    readonly dy: number;
    readonly x: number;
    readonly y: number;
    isMoved: boolean;
  } | null = null;
  let gesture = 0;
  let hasMoved = false;
  let told = '';

  const draggable = () =>
    wanted.picked && wanted.stack.includes(wanted.picked) ? elementOf(wanted.picked) : null;

  return {
    want(next: Wanted) {
      wanted = next;
    },
    press(event: PointerEvent) {
      hasMoved = false;
      const element = draggable();
      if (!element || event.button !== 0 || !element.contains(event.target as Node)) return;
      const { left, top } = element.getBoundingClientRect();
      drag = {
        element,
        dx: event.clientX - left,
        dy: event.clientY - top,
        x: event.clientX,
        y: event.clientY,
        isMoved: false
      };
      gesture += 1;
    },
    /** @returns whether a piece is being dragged. */
    move(event: PointerEvent): boolean {
      if (!drag) return false;
      if (event.buttons === 0) return ((drag = null), false);
      if (!drag.isMoved && Math.hypot(event.clientX - drag.x, event.clientY - drag.y) < SLACK) return true;
      drag.isMoved = true;
      const { stack, picked } = wanted;
      if (!picked || !stack.includes(picked)) return true;
      // The element is drawn anew while it moves.
      const element = elementOf(picked) ?? drag.element;
      const room = freeRoom(element);
      // A piece as large as its box has nowhere to go in that direction.
      const share = (at: number, from: number, free: number) =>
        Math.abs(free) < 1 ? 0.5 : clamp((at - from) / free, 0, 1);
      tell({
        type: 'dragged',
        node: picked,
        x: share(event.clientX - drag.dx, room.x, room.width),
        y: share(event.clientY - drag.dy, room.y, room.height),
        gesture
      });
      return true;
    },
    release() {
      hasMoved = drag?.isMoved ?? false;
      drag = null;
    },
    /** Whether the press that has just ended moved something, so that its click is none. */
    hasMoved: () => hasMoved,
    /** Tells which siblings the picked piece shares room with, where that has changed. */
    look() {
      const element = draggable();
      if (!element) return void (told = '');
      const own = element.getBoundingClientRect();
      const others = wanted.stack.filter((id) => {
        const box = id === wanted.picked ? null : elementOf(id)?.getBoundingClientRect();
        return (
          box &&
          box.left < own.right - 0.5 &&
          own.left < box.right - 0.5 &&
          box.top < own.bottom - 0.5 &&
          own.top < box.bottom - 0.5
        );
      });
      const text = `${wanted.picked} ${others.join()}`;
      if (text === told) return;
      told = text;
      tell({ type: 'overlaps', node: wanted.picked!, others });
    }
  };
}
