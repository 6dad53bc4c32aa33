import { fromHtmlIsomorphic as fromHtml } from 'hast-util-from-html-isomorphic';
import { describe, expect, it } from 'vitest';
import { registry } from '../whole';
import { id, sampleProject } from '../testing/project';
import { printDrawing } from './drawing';

describe('a drawing', () => {
  const { html, css } = printDrawing(registry, sampleProject(), id('tabs'), 'drawn');

  it('is of the piece as its script would have it', () => {
    expect(JSON.stringify(fromHtml(html))).toContain('"dataKOn":""');
    expect(css).toMatch(/\[data-k-on\] > \* > \.drawn-[\w-]+-head \{ display: none;/);
  });

  it('has no name that is not its own', () => {
    for (const [, names] of html.matchAll(/class="([^"]*)"/g))
      for (const name of names!.split(' ')) expect(name).toMatch(/^drawn/);
    expect(css).not.toContain('\u0001');
  });
});
