import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { Page } from './test';

export interface Paper {
  /** Words of each sheet, in the order they stand in the file. */
  readonly sheets: readonly string[];
  /** Words that stand, wholly or in part, outside the margins of their sheet, where a printer cuts them. */
  readonly cut: readonly string[];
}

/** Of each side, mm. */
const MARGIN = 10;
/** Points of a PDF to a mm (ISO 32000-1, 8.3.2.3: 72 to an inch). */
const POINTS = 72 / 25.4;

/** Prints the page as a browser does, and reads the file it makes. */
export async function printed(page: Page, format: 'A4' | 'A5' | 'Letter'): Promise<Paper> {
  const bytes = await page.pdf({
    format,
    printBackground: true,
    margin: { top: `${MARGIN}mm`, bottom: `${MARGIN}mm`, left: `${MARGIN}mm`, right: `${MARGIN}mm` }
  });
  const reading = getDocument({ data: new Uint8Array(bytes), useSystemFonts: true, verbosity: 0 });
  const document = await reading.promise;
  const sheets: string[] = [];
  const cut: string[] = [];
  for (let number = 1; number <= document.numPages; number += 1) {
    const sheet = await document.getPage(number);
    const { items } = await sheet.getTextContent();
    const lines = items.filter((item) => 'str' in item);
    sheets.push(lines.map(({ str }) => str).join(' '));
    const [left, bottom, right, top] = sheet.view as [number, number, number, number];
    for (const { str, transform, width, height } of lines) {
      const [x, y] = transform.slice(4) as [number, number];
      const margin = MARGIN * POINTS - 1;
      const isWithin =
        x >= left + margin &&
        x + width <= right - margin &&
        y >= bottom + margin &&
        y + height <= top - margin;
      if (!isWithin && str.trim() !== '') cut.push(`${number}: ${str}`);
    }
  }
  await reading.destroy();
  return { sheets, cut };
}

/** Words as they can be compared: hyphens at the ends of lines, ligatures and spaces are the printer's. */
export const squeezed = (text: string): string => text.normalize('NFKC').replace(/\s+|\u00ad/g, '');
