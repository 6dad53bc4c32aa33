import { stopElements } from '../stops';
import type { Remark, SightReader } from './reader';

/** Least side of what can be pressed, CSS px (WCAG 2.2, 2.5.8). */
const LEAST = 24;

interface Target {
  readonly element: HTMLElement;
  readonly box: DOMRect;
}

const isSmall = ({ box }: Target): boolean => Math.min(box.width, box.height) < LEAST;
const middleOf = ({ left, top, width, height }: DOMRect) => ({ x: left + width / 2, y: top + height / 2 });

/** From a point to the nearest point of a box, px. */
function distance({ x, y }: { readonly x: number; readonly y: number }, box: DOMRect): number {
  const across = Math.max(box.left - x, 0, x - box.right);
  const along = Math.max(box.top - y, 0, y - box.bottom);
  return Math.hypot(across, along);
}

/** Whether a circle of 24 px around its middle meets another target, or the circle of another small one. */
function isCrowded(target: Target, others: readonly Target[]): boolean {
  const middle = middleOf(target.box);
  return others.some((other) => {
    if (other === target || other.element.contains(target.element)) return false;
    const its = middleOf(other.box);
    const isNear = distance(middle, other.box) < LEAST / 2;
    return isNear || (isSmall(other) && Math.hypot(middle.x - its.x, middle.y - its.y) < LEAST);
  });
}

/** Links in a line of text are as high as that (2.5.8, exception "inline"). */
const isInText = ({ element }: Target): boolean => getComputedStyle(element).display === 'inline';

export const targets: SightReader = {
  what: 'target',
  read: ({ page }) => {
    const all = stopElements(page)
      .map((element): Target => ({ element, box: element.getBoundingClientRect() }))
      .filter(({ box }) => box.width > 0 && box.height > 0);
    return all
      .filter((target) => isSmall(target) && !isInText(target) && isCrowded(target, all))
      .map(({ element, box }): Remark => [element, Math.floor(Math.min(box.width, box.height))]);
  }
};
