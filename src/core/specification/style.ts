/** Text between quotes in a style sheet (CSS Syntax 3, section 4.3.5). */
const quoted = (text: string): string => `"${text.replaceAll(/["\\\n\r<]/g, ' ')}"`;

/**
 * How a specification is set: A4, numbered pages (CSS Paged Media 3, section 5), nothing cut in two that is read as
 * one. Its own classes start with `s-`, so that nothing of it meets what is drawn.
 * @param foot stands at the foot of every page.
 */
export const sheetStyle = (foot: string): string => `
@page {
  size: A4;
  margin: 16mm 14mm 18mm;
  @bottom-left { content: ${quoted(foot)}; font: 8pt system-ui, sans-serif; color: #596167; }
  @bottom-right { content: counter(page) " / " counter(pages); font: 8pt system-ui, sans-serif; color: #596167; }
}
.s-sheet { max-width: 182mm; margin: 0 auto; padding: 8mm 4mm; color: #1f262a; background: #fff;
  font: 9.5pt/1.4 system-ui, sans-serif; font-feature-settings: 'tnum'; }
.s-sheet h1 { margin: 0; font-size: 22pt; line-height: 1.15; }
.s-sheet h2 { margin: 9mm 0 2mm; padding-top: 2mm; font-size: 14pt;
  border-top: 1.5pt solid #0b6a5f; break-after: avoid; }
.s-sheet h3 { margin: 5mm 0 1mm; font-size: 11.5pt; break-after: avoid; }
.s-sheet h4 { margin: 3mm 0 1mm; font-size: 9.5pt; color: #596167; break-after: avoid; }
.s-sheet p { margin: 0 0 2mm; }
.s-about { margin: 4mm 0; }
.s-about div { display: flex; gap: 4mm; padding: .6mm 0; border-bottom: .5pt solid #e4dfd3; }
.s-about dt { width: 34mm; color: #596167; }
.s-about dd { flex: 1; margin: 0; }
.s-contents { padding: 0; margin: 0; list-style: none; columns: 2; }
.s-contents li { padding: .4mm 0; break-inside: avoid; }
.s-contents a { color: #0b6a5f; }
.s-sheet table { width: 100%; margin: 0 0 3mm; border-collapse: collapse; table-layout: fixed; }
.s-sheet :is(th, td) { padding: 1mm 1.4mm; text-align: left; vertical-align: baseline; overflow-wrap: anywhere;
  border-bottom: .5pt solid #e4dfd3; }
.s-sheet thead th { font-weight: 600; border-bottom: 1pt solid #d5cfc1; }
.s-sheet tbody th { font-weight: 400; color: #596167; }
.s-sheet tr { break-inside: avoid; }
.s-value { font: 8pt/1.4 ui-monospace, monospace; }
.s-same { color: #6b7176; }
.s-token { display: block; font: 7.5pt/1.3 system-ui, sans-serif; color: #0b6a5f; }
.s-swatch { display: inline-block; width: 2.6mm; height: 2.6mm; margin-right: 1mm;
  vertical-align: -.3mm; border: .5pt solid #8b8678; }
.s-bad { font-weight: 600; color: #a3241a; }
.s-note { color: #596167; }
.s-cell { position: relative; display: grid; place-items: center; min-height: 9mm;
  max-height: 40mm; padding: 1.5mm; overflow: hidden; contain: paint;
  border: .5pt solid #e4dfd3; }
.s-cell > .s-large { place-self: start center; }
.s-small { width: max-content; }
.ks { all: initial; display: block; }
/* Where it stands on the page, over others or out of sight for now, is not drawn: it has its cell to itself. */
.s-cell [data-k-drawn] { position: relative !important; inset: auto !important; margin: 0 !important;
  transform: none !important; }
.s-cell [data-k-force] { visibility: visible !important; }
/* What is as high as what it stands in, such as a bar, has nothing to be as high as. */
.s-small :where(div:empty) { min-height: 4px; }
.s-settings { columns: 2; column-gap: 6mm; margin: 0 0 3mm; }
.s-settings div { display: flex; gap: 2mm; padding: .7mm 1.4mm; break-inside: avoid;
  border-bottom: .5pt solid #e4dfd3; }
.s-settings dt { flex: 1; color: #596167; }
.s-settings dd { flex: 1; margin: 0; }
.s-curve { width: 12mm; height: 8mm; overflow: visible; }
figure { margin: 0 0 3mm; break-inside: avoid; }
.s-chart { display: block; width: 100%; }
.s-bar { display: block; width: 100%; height: 3mm; background: #f2efe7; }
@media print { .s-sheet { max-width: none; padding: 0; } }
`;
