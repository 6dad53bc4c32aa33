import type { Strip } from './guides';

/** Room above a picked piece for the tag that names it, px. */
export const TAG_ROOM = 26;

/**
 * Outlines of the pick and of what is under the pointer. They stand beside the page, in a tree its style
 * cannot reach.
 */
export function createOverlay() {
  const host = document.createElement('k-overlay');
  const shadow = host.attachShadow({ mode: 'closed' });
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(`
    :host { position: fixed; inset: 0; width: auto; height: auto; margin: 0; padding: 0; border: 0; background: none;
      overflow: visible; pointer-events: none; z-index: 2147483647; }
    div { position: absolute; box-sizing: border-box; display: none; }
    .pick { border: 1.5px solid #0b6a5f; outline: 1px solid #ffffffb0; }
    .hover { border: 1px dashed #0b6a5f; }
    .around { border: 1.5px dotted #0b6a5f; outline: 1px dotted #ffffffb0; }
    .strip { display: grid; place-items: center; font: 600 11px/1 ui-monospace, monospace; color: #1f262a;
      overflow: visible; }
    .strip b { padding: 1px 3px; background: #fffffff0; border-radius: 2px; font-weight: 600; }
    .padding { background: #0b6a5f30; }
    .margin { background: #a8690040; }
    .gap { background: repeating-linear-gradient(45deg, #2b55a050 0 3px, #2b55a018 3px 6px); }
    span { position: absolute; left: -1.5px; bottom: 100%; margin-bottom: 2px; padding: 2px 7px; border-radius: 2px;
      background: #0b6a5f; color: #fff; font: 600 12px/1.3 system-ui, sans-serif; white-space: nowrap; }
    .under span { bottom: auto; top: 100%; margin: 2px 0 0; }
    .inside span { bottom: auto; top: 0; margin: 0; }
    span:empty { display: none; }
    .stop { display: grid; place-items: center; min-width: 22px; height: 22px; padding: 0 5px; border: 2px solid #fff;
      border-radius: 11px; background: #1f262a; color: #fff; font: 700 12px/1 ui-monospace, monospace;
      box-shadow: 0 1px 4px #00000066; translate: -30% -40%; }
    .stop.wrong { background: #a3261f; border-radius: 3px; }`);
  shadow.adoptedStyleSheets = [sheet];
  const pickBox = document.createElement('div');
  const hoverBox = document.createElement('div');
  const tag = document.createElement('span');
  const aroundBox = document.createElement('div');
  aroundBox.className = 'around';
  pickBox.className = 'pick';
  hoverBox.className = 'hover';
  pickBox.append(tag);
  shadow.append(aroundBox, hoverBox, pickBox);
  document.documentElement.append(host);
  // What the page brings into the browser's top layer would lie over the outlines, unless they are brought
  // there after it.
  host.popover = 'manual';
  host.showPopover();
  document.addEventListener(
    'toggle',
    ({ target }) => {
      if (target === host) return;
      host.hidePopover();
      host.showPopover();
    },
    { capture: true }
  );
  const place = (box: HTMLElement, target: HTMLElement | null) => {
    // Read before anything is written: a write first would have the page laid out once more.
    const { left, top, width, height, bottom } = target?.getBoundingClientRect() ?? new DOMRect();
    box.style.display = target ? 'block' : 'none';
    if (!target) return;
    Object.assign(box.style, {
      left: `${left}px`,
      top: `${top}px`,
      width: `${width}px`,
      height: `${height}px`
    });
    const fitsUnder = bottom + TAG_ROOM < innerHeight;
    box.classList.toggle('under', top < TAG_ROOM - 2 && fitsUnder);
    box.classList.toggle('inside', top < TAG_ROOM - 2 && !fitsUnder);
  };
  return {
    stops(stops: readonly Stop[]) {
      shadow.querySelectorAll('.stop').forEach((each) => each.remove());
      shadow.append(...stops.map(stopSign));
    },
    pick(target: HTMLElement | null, name: string) {
      if (tag.textContent !== name) tag.textContent = name;
      place(pickBox, target);
    },
    /** What the pick answers to. */
    around: (target: HTMLElement | null) => place(aroundBox, target),
    hover(target: HTMLElement | null, strips: readonly Strip[] = []) {
      place(hoverBox, target);
      shadow.querySelectorAll('.strip').forEach((each) => each.remove());
      for (const { kind, box, px } of strips) {
        const strip = document.createElement('div');
        strip.className = `strip ${kind}`;
        const number = document.createElement('b');
        number.textContent = String(Math.round(px * 10) / 10);
        strip.append(number);
        Object.assign(strip.style, {
          left: `${box.left}px`,
          top: `${box.top}px`,
          width: `${box.width}px`,
          height: `${box.height}px`
        });
        shadow.append(strip);
      }
    }
  };
}

/** A stop of the Tab key: its number, and whether something about it is wrong. */
export interface Stop {
  readonly element: Element;
  readonly number: number;
  readonly isWrong: boolean;
}

/** A number at the corner of what it stands for; one beyond the edge stands at the edge. */
function stopSign({ element, number, isWrong }: Stop): HTMLElement {
  const { left, top } = element.getBoundingClientRect();
  const sign = document.createElement('div');
  sign.className = isWrong ? 'stop wrong' : 'stop';
  sign.textContent = String(number);
  const across = Math.min(Math.max(left, 8), innerWidth - 20);
  Object.assign(sign.style, { left: `${across}px`, top: `${Math.max(top, top > -40 ? 10 : top)}px` });
  return sign;
}
