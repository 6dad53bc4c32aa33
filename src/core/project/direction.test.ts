import { describe, expect, it } from 'vitest';
import { isFromRight } from './direction';

describe('the direction of a page', () => {
  // Examples of the W3C's “Script direction and languages”, from memory.
  it.each([
    'ar',
    'ar-EG',
    'he',
    'fa',
    'ur',
    'ps',
    'sd',
    'ug',
    'yi',
    'dv',
    'syr',
    'nqo',
    'az-Arab',
    'ff-Adlm',
    'pa-PK'
  ])('%s is written from right to left', (language) => expect(isFromRight(language)).toBe(true));

  it.each(['en', 'en-GB', 'de', 'tr', 'az', 'ar-Latn', 'ja', 'pa', 'ff', '', 'not a tag'])(
    '“%s” is not',
    (language) => expect(isFromRight(language)).toBe(false)
  );
});
