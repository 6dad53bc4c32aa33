import { describe, expect, it } from 'vitest';
import { apply } from '../../commands/apply';
import type { Command } from '../../commands/commands';
import { printPage } from '../../compile/page';
import { makeWith } from '../../kinds/make';
import type { PageId, Project } from '../../project/types';
import { after, refusedWith, sampleProject } from '../../testing/project';
import { registry } from '../../whole';
import { maybeAmount, writtenAmount } from './amount';

const project = after(sampleProject(), {
  type: 'insert',
  fragment: makeWith({ exactIds: true })('number', 'Trees', { value: '12480' }),
  at: { parent: 'section', slot: 'content', index: 0 }
} as Command);
const set = (key: string, value: unknown): Command =>
  ({ type: 'set-setting', id: 'trees', key, value }) as Command;
const html = (of: Project) => printPage(registry, of, 'first' as PageId, { addressOf: () => '' }).body;

describe('a number', () => {
  it.each(['12480', '4.5', '-3', '0', '999999999999999', '0.001'])('%s is one', (text) => {
    expect(maybeAmount(text)).toBe(Number(text));
  });

  it.each(['9 to 5', '', '1e5', '12,480', '٣٤', '4.', '.5', '1234567890123456789012345678901', 'NaN', '3 %'])(
    '%s is refused, and said why',
    (text) => {
      expect(maybeAmount(text)).toBeNull();
      expect(refusedWith(apply(registry, project, set('value', text)))).toBe('bad-setting');
    }
  );

  // ECMA-402, Intl.NumberFormat: the reference is the platform itself.
  it.each([
    ['en', 'en-GB'],
    ['de', 'de-DE'],
    ['fr', 'fr-FR']
  ])('is written as is usual: %s as %s', (locale, tag) => {
    for (const value of ['12480', '-1234.50', '7', '1234567.891']) {
      const decimals = value.split('.')[1]?.length ?? 0;
      const format = new Intl.NumberFormat(tag, {
        minimumFractionDigits: decimals,
        maximumFractionDigits: decimals
      });
      expect(writtenAmount(value, locale)).toBe(format.format(Number(value)));
    }
  });

  it('stands in the page as it ends, with its words, and with or without movement', () => {
    const worded = after(project, set('before', 'about '), set('after', ' trees'));
    expect(html(worded)).toMatch(/about <span[^>]*><span>12,480<\/span><span[^>]*aria-hidden/);
    const still = after(
      project,
      set('move', { form: 'none', ms: 0, delay: 0, easing: 'ease', step: 0, from: 'first' })
    );
    expect(html(still)).not.toContain('aria-hidden');
  });
});
