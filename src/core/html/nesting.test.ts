import fc from 'fast-check';
import { defaultTreeAdapter, parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import { toHtml } from 'hast-util-to-html';
import { describe, expect, it } from 'vitest';
import { cleanHtml } from './clean';
import { NESTING_MOST, nestingOf, wordsOf } from './nesting';

type ParentNode = DefaultTreeAdapterTypes.ParentNode;

/** Elements that end by themselves count for nothing: neither side has them. */
const UNCOUNTED = new Set(
  'p li dt dd tr td th thead tbody tfoot option optgroup html head body br'.split(' ')
);

/** How deep a browser's parser nests some HTML; parse5 follows the HTML standard's algorithm. */
function parsedDepth(html: string): number {
  let most = 0;
  const open: [ParentNode, number][] = [[parseFragment(html), 0]];
  for (let next = open.pop(); next; next = open.pop()) {
    const [parent, depth] = next;
    for (const child of parent.childNodes) {
      if (!defaultTreeAdapter.isElementNode(child)) continue;
      const below = depth + (UNCOUNTED.has(child.tagName) ? 0 : 1);
      most = Math.max(most, below);
      open.push([child, below]);
    }
  }
  return most;
}

describe('nesting', () => {
  it('is counted without parsing', () => {
    expect(nestingOf('<ul><li>a<ul><li>b</ul></ul><p>c<p>d<br>')).toBe(2);
    expect(nestingOf('<em>'.repeat(5000))).toBe(5000);
    expect(nestingOf('<svg><g><path d="M0 0"/><path d="M1 1"/></g></svg>', true)).toBe(2);
  });

  it('counts what only a parser could tell from text', () => {
    // Each was found by the random texts below, once in some 50,000.
    for (const html of [
      '<select><style><select><em><em><em>',
      '<svg><title><em></title><em>',
      '<svg><title><p></title><em>',
      '<svg><![CDATA[<em><!--]]><g/>'
    ])
      expect(nestingOf(html), html).toBeGreaterThanOrEqual(parsedDepth(html));
    const drawing = '<svg><style><![CDATA[ .a > .b { fill: red } ]]></style><g></g><g></g></svg>';
    expect(nestingOf(drawing, true)).toBe(2);
  });

  it('is never less than what a parser makes of it', () => {
    const part = fc.constantFrom(
      '<em>',
      '</em>',
      '<em ">',
      '<em =">"',
      '<b x="a>b">',
      '</b>',
      '<a href=x>',
      '</a>',
      '<!--',
      '-->',
      '<!-->',
      '<p>',
      '</p>',
      '<div/>',
      '<div>',
      '</div>',
      '<i <b>',
      'x',
      '"',
      "'",
      '=',
      '<',
      '>',
      '<em',
      '</',
      '<a ="',
      "<u x= '>'>",
      '<ul><li>',
      '</ul>',
      '<br>',
      '<svg>',
      '<g/>',
      '</svg>',
      '<b/>',
      '<![CDATA[',
      ']]>',
      '<?x>',
      '<title>',
      '</title>',
      '<em/x>',
      '<textarea>',
      '</textarea>',
      '<script>',
      '</script>',
      '<style>',
      '</style>',
      '<select>',
      '<table>',
      '<em\n>',
      '<EM>'
    );
    fc.assert(
      fc.property(fc.array(part, { maxLength: 14 }), (parts) => {
        const html = parts.join('');
        expect(nestingOf(html)).toBeGreaterThanOrEqual(parsedDepth(html));
      }),
      { numRuns: 5000 }
    );
  });

  it('without end keeps the words and takes no time', () => {
    const unclosed = Array.from({ length: 1000 }, (_, n) => `<p><em x=${n}>word`).join('');
    expect(toHtml(cleanHtml(unclosed))).toBe(Array.from({ length: 1000 }, () => 'word').join(' '));
    expect(toHtml(cleanHtml('<em>'.repeat(5000) + 'a &lt; b'))).toBe('a &#x26;lt; b');
    const allowed = '<em>'.repeat(NESTING_MOST) + 'x';
    expect(toHtml(cleanHtml(allowed))).toContain('<em><em>');
  });

  it('words are what stands between tags', () => {
    expect(wordsOf('<p title="a>b">one<!-- two --> <b>three</b> 4 < 5</p><script>six</script>')).toBe(
      'one three 4 < 5'
    );
  });
});
