import { canStop, stopCandidates } from '../stops';
import type { Remark, SightReader } from './reader';

/** Least side of what can be pressed, CSS px (WCAG 2.2, 2.5.8). */
const LEAST = 24;

interface Target {
  readonly element: HTMLElement;
  readonly box: DOMRect;
}

const targetOf = (element: HTMLElement): Target => ({ element, box: element.getBoundingClientRect() });
const leastSide = ({ box }: Target): number => Math.min(box.width, box.height);
const hasRoom = (target: Target): boolean => leastSide(target) > 0;
const isSmall = (target: Target): boolean => leastSide(target) < LEAST;
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
    const all = stopCandidates(page).map(targetOf).filter(hasRoom);
    // On most pages none is left here, and the others need not be asked more than their box.
    const small = all.filter((each) => isSmall(each) && !isInText(each) && canStop(each.element));
    if (small.length === 0) return [];
    const stops = all.filter(({ element }) => canStop(element));
    return small
      .filter((target) => isCrowded(target, stops))
      .map((target): Remark => [target.element, Math.floor(leastSide(target))]);
  }
};
