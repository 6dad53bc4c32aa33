import { toHtml } from 'hast-util-to-html';
import { describe, expect, it } from 'vitest';
import { cleanHtml, isSafeLink } from './clean';

const clean = (text: string) => toHtml(cleanHtml(text));

describe('cleanHtml', () => {
  it('keeps what rich text is made of', () => {
    const text =
      '<p>A <strong>b</strong> <em>c</em> <a href="https://example.org/a?b=1">d</a> <code>e</code><br></p><ul><li>f</li></ul>';
    expect(clean(text)).toBe(text);
  });

  it.each([
    ['<p onclick="alert(1)">x</p>', '<p>x</p>'],
    ['<script>alert(1)</script><p>x</p>', '<p>x</p>'],
    ['<style>p{color:red}</style>x', 'x'],
    ['<img src=x onerror=alert(1)>x', 'x'],
    ['<a href="javascript:alert(1)">x</a>', '<a>x</a>'],
    ['<a href=" java\nscript:alert(1)">x</a>', '<a>x</a>'],
    ['<a href="//evil.example/">x</a>', '<a>x</a>'],
    ['<p style="position:fixed">x</p>', '<p>x</p>'],
    ['<iframe srcdoc="<script>alert(1)</script>"></iframe>x', 'x'],
    ['<svg><script>alert(1)</script></svg>x', 'x'],
    ['<p id="app" class="bx--modal">x</p>', '<p>x</p>'],
    ['<p>never closed', '<p>never closed</p>'],
    ['<math><mi//xlink:href="data:x,<script>alert(1)</script>">', '']
  ])('%s', (dirty, expected) => {
    expect(clean(dirty)).toBe(expected);
  });
});

describe('isSafeLink', () => {
  it.each([
    'https://example.org/',
    'http://localhost:4173/x',
    'mailto:a@b.example',
    'tel:+44 1632 960001',
    '#plan',
    '#',
    'harvest.html',
    '/about/us',
    'a/b#c'
  ])('takes %s', (href) => {
    expect(isSafeLink(href)).toBe(true);
  });
  it.each([
    '',
    'javascript:alert(1)',
    'JaVaScRiPt:x',
    'data:text/html,x',
    'vbscript:x',
    '//example.org',
    ' https://example.org',
    'https://a b',
    'x:y',
    'file:///etc/passwd',
    `https://${'a'.repeat(2000)}`
  ])('refuses %s', (href) => {
    expect(isSafeLink(href)).toBe(false);
  });
});
