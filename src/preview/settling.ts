/** Whether it is this animation that a `transitionrun` event tells of: of an element, or of its pseudo-element. */
function isToldBy(event: TransitionEvent, each: Animation): boolean {
  if (!(each instanceof CSSTransition) || each.transitionProperty !== event.propertyName) return false;
  const { target, pseudoElement } = each.effect as KeyframeEffect;
  return target === event.target && (pseudoElement ?? '') === event.pseudoElement;
}

/**
 * Shows at once what was edited. A page fades from one state to the next; what a hand sets is no state, and would be
 * seen only after the fade, or, while a value is dragged, always late.
 * @returns to be called when the page was edited.
 */
export function createSettling(): () => void {
  let isEdited = false;
  document.addEventListener(
    'transitionrun',
    (event) => {
      if (!isEdited || !(event.target instanceof Element)) return;
      event.target
        .getAnimations({ subtree: event.pseudoElement !== '' })
        .filter((each) => isToldBy(event, each))
        .forEach((each) => each.finish());
    },
    { capture: true }
  );
  return () => {
    isEdited = true;
    // Before a frame asks for its callbacks it tells of the transitions that have begun since the last one
    // (HTML, "update the rendering"; CSS Transitions 2, section 5).
    requestAnimationFrame(() => (isEdited = false));
  };
}
