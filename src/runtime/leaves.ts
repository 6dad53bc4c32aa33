/**
 * Once a piece has come, leaves the page for somewhere else after `data-k-leaves` seconds, which are counted down in
 * sight; a press on the button stays.
 */
export function leaves(root: HTMLElement): (() => void) | undefined {
  const time = root.querySelector('[role=timer]')!;
  const notice = time.closest('div')!;
  let left = +root.dataset.kLeaves!;
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
