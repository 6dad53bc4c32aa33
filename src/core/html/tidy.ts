import type { ElementContent } from 'hast';
import { cleanHtml } from './clean';
import { printHtml } from './print';

/** @returns foreign HTML as it is kept: cleaned, and always written the same way. */
export const tidyHtml = (html: string): string => cleanHtml(html).children.map((child) => printHtml(child as ElementContent)).join('');
