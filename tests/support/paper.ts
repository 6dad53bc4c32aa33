import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { Page } from './test';

export interface Paper {
  /** Words of each sheet, in the order they stand in the file. */
  readonly sheets: readonly string[];
}

/** Prints the page as a browser does, and reads the file it makes. */
export async function printed(page: Page, format: 'A4' | 'A5' | 'Letter'): Promise<Paper> {
  const bytes = await page.pdf({
    format,
    printBackground: true,
    margin: { top: '10mm', bottom: '10mm', left: '10mm', right: '10mm' }
  });
  const reading = getDocument({ data: new Uint8Array(bytes), useSystemFonts: true, verbosity: 0 });
  const document = await reading.promise;
  const sheets: string[] = [];
  for (let number = 1; number <= document.numPages; number += 1) {
    const sheet = await document.getPage(number);
    const { items } = await sheet.getTextContent();
    sheets.push(items.map((item) => ('str' in item ? item.str : '')).join(' '));
  }
  await reading.destroy();
  return { sheets };
}

/** Words as they can be compared: hyphens at the ends of lines, ligatures and spaces are the printer's. */
export const squeezed = (text: string): string => text.normalize('NFKC').replace(/\s+|\u00ad/g, '');
