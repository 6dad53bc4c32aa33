/**
 * Follows a pointer that was pressed on an element until it is let go.
 * @param over what is done then.
 */
export function followPointer(
  element: HTMLElement,
  { pointerId }: PointerEvent,
  move: (moved: PointerEvent) => void,
  over: () => void = () => {}
): void {
  element.setPointerCapture(pointerId);
  element.addEventListener('pointermove', move);
  const end = () => {
    element.removeEventListener('pointermove', move);
    over();
  };
  element.addEventListener('lostpointercapture', end, { once: true });
}
