import { printDrawing } from '$core/compile/drawing';
import { makeWith } from '$core/kinds/make';
import { createProject } from '$core/project/create';
import { registry } from '$core/registry';
import type { Entry } from './entries';

/** Width and height of what is drawn, px; the drawer shows it smaller. */
export const DRAWN = { width: 720, height: 360 } as const;

const make = makeWith();
const made = new Map<string, string>();

/** Shows where a picture will be, and keeps everything as it is at the first moment. */
const FRAME = `
  * { animation-play-state: paused !important; }
  .sheet { display: grid; place-items: center stretch; height: ${DRAWN.height}px; padding: 28px; overflow: hidden; font: 26px/1.4 Georgia, serif; color: #21362b; background: #f2efe7; }
  .sheet.whole { place-items: start stretch; padding: 0; background: #fff; }
  .sheet:not(.whole) > * { zoom: 1.9; }
  .sheet [data-empty], .sheet img:not([src]) { min-height: 90px; background: #cfe2da; border-radius: 3px; }
  .sheet [data-empty='icon'] { min-height: 0; font-size: 48px; }
  .sheet :is(div, section, header, footer, li):empty { min-height: 70px; outline: 1px dashed #9a927d; outline-offset: -1px; }
  .sheet [data-first] ~ div { display: none; }
  .sheet [popover] { position: absolute; top: 0; bottom: 0; left: 0; display: block; width: 34%; height: auto; }
  .sheet [popover] { opacity: 1 !important; translate: none !important; scale: none !important; }
`;

/**
 * Draws a piece as it comes: the compiler's own markup and rules, as a picture that nothing runs in.
 * @returns an address for an `img`, which has to be `DRAWN` large.
 */
export function drawingOf(entry: Entry): string {
  const known = made.get(entry.id);
  if (known) return known;
  const fragment = entry.build();
  const category = registry.of(entry).category;
  const isSection = category === 'section';
  const content = isSection
    ? fragment
    : make('section', 'Around', { span: 'bleed' }, { content: [fragment] });
  const project = createProject('Drawing', make('page', 'Page', {}, { sections: [content] }));
  const { html, css } = printDrawing(registry, project, fragment.root, `ky-${fragment.root}`);
  const document = new DOMParser().parseFromString(
    `<div class="sheet${isSection ? ' whole' : ''}">${html}</div>`,
    'text/html'
  );
  const xhtml = new XMLSerializer().serializeToString(document.body.firstElementChild!);
  // The page's own policy would refuse a style element in a document of its making; a picture has a document
  // of its own.
  const style = `<style><![CDATA[${FRAME}${css}]]></style>`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${DRAWN.width}" height="${DRAWN.height}">${style}<foreignObject width="100%" height="100%">${xhtml}</foreignObject></svg>`;
  const address = `data:image/svg+xml,${encodeURIComponent(svg)}`;
  made.set(entry.id, address);
  return address;
}
