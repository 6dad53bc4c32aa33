import type { Properties } from 'hast';
import { isFromRight } from '../project/direction';

/** @returns attributes of the element that holds a text in this language (HTML standard, 3.2.6.2 and 3.2.6.4). */
export const saidIn = (language: string): Properties =>
  isFromRight(language) ? { lang: language, dir: 'rtl' } : { lang: language };
