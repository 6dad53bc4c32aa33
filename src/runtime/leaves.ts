/**
 * Once a piece has come, leaves the page for somewhere else after the seconds its timer says, which are counted down in
 * sight; a press on the button stays.
 */
export function leaves(root: HTMLElement): (() => void) | undefined {
  // Its own notice stands at its end, after what it holds.
  const time = [...root.querySelectorAll('[role=timer]')].pop()!;
  const notice = time.closest('div')!;
  let left = +time.textContent!;
  let timer = 0;
  const stay = () => {
    clearInterval(timer);
    notice.removeAttribute('data-leaving');
  };
  const come = () => {
    notice.setAttribute('data-leaving', '');
    timer = window.setInterval(() => {
      time.textContent = `${(left -= 1)}`;
      if (left) return;
      stay();
      notice.querySelector('a')!.click();
    }, 1000);
  };
  notice.querySelector('button')!.onclick = stay;
  root.addEventListener('k-come', come);
  STOPPABLE: return () => {
    stay();
    root.removeEventListener('k-come', come);
  };
}
