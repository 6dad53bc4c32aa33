import { describe, expect, it } from 'vitest';
import { tidyHtml } from './tidy';

describe('tidy HTML', () => {
  it('writes an entry of a list without the paragraph editors put into it', () => {
    expect(
      tidyHtml(
        '<ul><li><p>One <strong>two</strong></p></li><li><p>Three</p><ul><li><p>Four</p></li></ul></li></ul>'
      )
    ).toBe('<ul><li>One <strong>two</strong></li><li>Three<ul><li>Four</li></ul></li></ul>');
  });

  it('keeps paragraphs where there are several, and everywhere else', () => {
    expect(tidyHtml('<ol><li><p>One</p><p>Two</p></li></ol><p>Three</p>')).toBe(
      '<ol><li><p>One</p><p>Two</p></li></ol><p>Three</p>'
    );
  });

  it('leaves out the empty line after a list, and keeps one that stands between', () => {
    expect(tidyHtml('<p>One</p><p></p><ul><li>Two</li></ul><p></p><p></p>')).toBe(
      '<p>One</p><p></p><ul><li>Two</li></ul>'
    );
  });

  it('is the same when done again, and clean', () => {
    const once = tidyHtml('<ul><li><p onclick="x()">One<script>x()</script></p></li></ul>');
    expect(once).toBe('<ul><li>One</li></ul>');
    expect(tidyHtml(once)).toBe(once);
  });
});
