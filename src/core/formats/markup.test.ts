import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { insertAll, sampleProject } from '../testing/project';
import { makeWith } from '../kinds/make';
import type { Fragment } from '../project/types';
import { runFindings } from '../findings/run';
import { registry } from '../whole';
import { readMarkup } from './markup';

const make = makeWith();
const read = (html: string) => readMarkup(make, html);

/** A piece as one reads it: its kind, what it says, and what is in it. */
function shape({ root, nodes }: Fragment): unknown {
  const of = (id: keyof typeof nodes): unknown => {
    const { kind, settings, slots, name } = nodes[id]!;
    const inside = Object.values(slots).flat().map(of);
    const own = kind === 'panel' || kind === 'link' ? { ...settings, name } : settings;
    return inside.length > 0 ? [kind, own, inside] : [kind, own];
  };
  return of(root);
}
const shapes = (html: string) => read(html).pieces.map(shape);

describe('HTML from elsewhere', () => {
  it('becomes headings, text and pictures, in their order', () => {
    expect(
      shapes(
        '<article><h2>Late <em>pears</em></h2><p>One <b>bold</b> word.</p><ul><li>a</li></ul><img src="https://example.org/p.jpg" alt="A pear"><p>After</p></article>'
      )
    ).toEqual([
      ['heading', { text: 'Late pears', level: '2' }],
      ['text', { html: '<p>One <strong>bold</strong> word.</p><ul><li>a</li></ul>' }],
      ['image', { alt: 'A pear' }],
      ['text', { html: '<p>After</p>' }]
    ]);
  });

  it('becomes links, figures, quotations, an accordion of disclosures, a line', () => {
    expect(
      shapes(
        '<nav><ul><li><a href="#one">One</a></li><li><a href="two.html">Two</a></li></ul></nav>' +
          '<figure><img alt="Press"><figcaption>The press</figcaption></figure>' +
          '<blockquote><p>Best cider</p><footer>— Ida Fenn</footer></blockquote>' +
          '<details><summary>When</summary><p>In May</p></details><details><summary>Where</summary>Here</details><hr>'
      )
    ).toEqual([
      [
        'links',
        { element: 'navigation' },
        [
          ['link', { href: '#one', name: 'One' }],
          ['link', { href: 'two.html', name: 'Two' }]
        ]
      ],
      ['figure', { caption: 'The press' }, [['image', { alt: 'Press' }]]],
      ['quote', { words: '<p>Best cider</p>', author: 'Ida Fenn' }],
      [
        'accordion',
        {},
        [
          ['panel', { name: 'When' }, [['text', { html: '<p>In May</p>' }]]],
          ['panel', { name: 'Where' }, [['text', { html: '<p>Here</p>' }]]]
        ]
      ],
      ['separator', {}]
    ]);
  });

  it('tells what it could not take, and what became something else', () => {
    const { pieces, notes, pictures } = read(
      '<style>p{color:red}</style><script>alert(1)</script><form><input></form><iframe src="https://example.org"></iframe><p>Words</p>' +
        '<table><tr><th>Kind</th><th>Ripe</th></tr><tr><td>Pear</td><td>May</td></tr></table><img src="https://example.org/a.png">'
    );
    expect(pieces.map(shape)).toEqual([
      ['text', { html: '<p>Words</p>' }],
      ['text', { html: '<ul><li>Kind: Pear · Ripe: May</li></ul>' }],
      ['image', {}]
    ]);
    expect(notes).toEqual(['a table became a list', 'left out: 1 style sheet, 1 script, 1 form, 1 frame']);
    expect(pictures).toEqual([{ node: pieces[2]!.root, address: 'https://example.org/a.png' }]);
  });

  it('keeps loose words and leaves nothing where there is nothing', () => {
    expect(shapes('Just <b>words</b>')).toEqual([['text', { html: '<p>Just <strong>words</strong></p>' }]]);
    expect(shapes('<div> <span></span> </div>')).toEqual([]);
    expect(shapes('')).toEqual([]);
  });

  it('carries nothing that could run, and nothing that is not looked at', () => {
    const html =
      '<a href="javascript:alert(1)">a</a><img src="javascript:x" alt="b" onerror="x"><nav><ul><li><a href="javascript:x">c</a></li></ul></nav><p onclick="x" style="color:red">d</p>';
    expect(JSON.stringify(read(html))).not.toMatch(/javascript:|onerror|onclick|color:red/);
  });

  it('never throws, however deep or broken', () => {
    expect(read('<div>'.repeat(5000) + 'deep').pieces).toHaveLength(1);
    fc.assert(
      fc.property(
        fc.array(
          fc.constantFrom(
            '<p>',
            '</p>',
            '<table>',
            '<tr>',
            '<td>',
            '<details>',
            '<summary>',
            '<ul>',
            '<li>',
            '<figure>',
            '<blockquote>',
            '<h1>',
            '<a href=x>',
            '</a>',
            '</div>',
            '<b>',
            'x',
            ' ',
            '<img>',
            '<nav>'
          )
        ),
        (parts) => {
          const { pieces } = read(parts.join(''));
          const project = insertAll(sampleProject(), pieces);
          expect(runFindings(registry, project)).toBeInstanceOf(Array);
        }
      ),
      { numRuns: 150 }
    );
  });
});
