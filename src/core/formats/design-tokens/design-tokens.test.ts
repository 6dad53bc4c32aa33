import { defineConfig, parse } from '@terrazzo/parser';
import { describe, expect, it } from 'vitest';
import type { Token, TokenId, TokenType } from '../../project/types';
import { readDesignTokens, writeDesignTokens } from './index';

const token = (id: string, type: TokenType, value: string, name = id): Token => ({
  id: id as TokenId,
  name,
  type,
  value
});
const asRecord = (tokens: readonly Token[]) => Object.fromEntries(tokens.map((each) => [each.id, each]));
const read = (document: unknown, before = {}) => {
  const result = readDesignTokens(JSON.stringify(document), before);
  if (!result.ok) throw new Error(result.sentence);
  return result;
};

const all = [
  token('leaf', 'colour', '#0b6a5f', 'Leaf / deep'),
  token('veil', 'colour', '#1f262a80'),
  token('brand', 'colour', '{leaf}', 'Brand'),
  token('space', 'length', '24px'),
  token('wide', 'length', '5vw'),
  token('quick', 'duration', '240ms'),
  token('out', 'easing', 'ease-out'),
  token('bounce', 'easing', 'spring(0.3)'),
  token('lift', 'shadow', '0 2px 8px 0 #1f262a33'),
  token('serif', 'typeface', 'Georgia, "Times New Roman", serif'),
  token('strong', 'weight', '600'),
  token('tight', 'number', '1.2'),
  token(
    'title',
    'type-style',
    'font-family: {serif}; font-size: 32px; font-weight: {strong}; line-height: 1.25; letter-spacing: 0px'
  ),
  token(
    'fluid',
    'type-style',
    'font-family: {serif}; font-size: 3vw; font-weight: 400; line-height: 20px; letter-spacing: 0.02em'
  )
];

describe('design tokens', () => {
  it('leave and come back as they were', () => {
    const { tokens, notes } = read(JSON.parse(writeDesignTokens(asRecord(all))));
    expect(notes).toEqual([]);
    const back = asRecord(tokens);
    for (const each of all)
      expect({
        ...back[each.id]!,
        value: back[each.id]!.value.replace('0px 2px', '0 2px').replace('8px 0px', '8px 0')
      }).toEqual(each);
  });

  it('are what an independent parser of the format reads', async () => {
    const src = JSON.parse(
      writeDesignTokens(asRecord(all.filter(({ id }) => !['wide', 'bounce', 'fluid'].includes(id))))
    ) as object;
    const config = defineConfig({ lint: { rules: {} } }, { cwd: new URL('file:///') });
    const { tokens } = await parse([{ filename: new URL('file:///kymation.tokens.json'), src }], { config });
    expect(tokens['Leaf .  deep'] ?? tokens['Leaf.deep']).toMatchObject({
      $type: 'color',
      $value: { colorSpace: 'srgb', hex: '#0b6a5f' }
    });
    expect(tokens.Brand).toMatchObject({ $type: 'color', $value: { hex: '#0b6a5f' } });
    expect(tokens.space).toMatchObject({ $type: 'dimension', $value: { value: 24, unit: 'px' } });
    expect(tokens.quick).toMatchObject({ $type: 'duration', $value: { value: 240, unit: 'ms' } });
    expect(tokens.out).toMatchObject({ $type: 'cubicBezier', $value: [0, 0, 0.58, 1] });
    expect(tokens.strong).toMatchObject({ $type: 'fontWeight', $value: 600 });
    expect(tokens.title).toMatchObject({
      $type: 'typography',
      $value: {
        fontFamily: ['Georgia', 'Times New Roman', 'serif'],
        fontSize: { value: 32, unit: 'px' },
        fontWeight: 600,
        lineHeight: 1.25,
        letterSpacing: { value: 0, unit: 'px' }
      }
    });
  });

  // The shapes of the Design Tokens Format Module 2025.10, sections 5 to 9, written anew; values are our own.
  it('take groups with a type, aliases, $root, colour spaces, named weights and lists of fonts', () => {
    const { tokens, notes } = read({
      colour: {
        $type: 'color',
        $root: { $value: { colorSpace: 'srgb', components: [1, 0.5, 0] } },
        dusk: { $value: { colorSpace: 'oklch', components: [0.4, 0.1, 260], alpha: 0.5 } },
        alias: { $value: '{colour.dusk}' }
      },
      body: { $type: 'fontFamily', $value: ['Hanken Grotesk', 'sans-serif'] },
      heavy: { $type: 'fontWeight', $value: 'extra-bold' },
      soft: {
        $type: 'shadow',
        $value: [
          {
            color: { colorSpace: 'srgb', components: [0, 0, 0], alpha: 0.2 },
            offsetX: { value: 0, unit: 'px' },
            offsetY: { value: 1, unit: 'px' },
            blur: { value: 2, unit: 'px' },
            spread: { value: 0, unit: 'px' },
            inset: true
          }
        ]
      }
    });
    expect(notes).toEqual([]);
    expect(tokens.map(({ id, value }) => [id, value])).toEqual([
      ['colour', '#ff8000'],
      ['colour-dusk', 'oklch(0.4 0.1 260 / 0.5)'],
      ['colour-alias', '{colour-dusk}'],
      ['body', '"Hanken Grotesk", sans-serif'],
      ['heavy', '800'],
      ['soft', 'inset 0px 1px 2px 0px #00000033']
    ]);
  });

  it('take a type style whose values are its own, other tokens’, or those of another style', () => {
    const { tokens, notes } = read({
      face: { $type: 'fontFamily', $value: ['Hanken Grotesk', 'sans-serif'] },
      size: { small: { $type: 'dimension', $value: { value: 0.8, unit: 'rem' } } },
      aside: {
        $type: 'typography',
        $value: {
          fontFamily: '{face}',
          fontSize: '{size.small}',
          fontWeight: 'medium',
          letterSpacing: { value: 0.1, unit: 'px' },
          lineHeight: 1.3
        }
      },
      note: { $type: 'typography', $value: '{aside}' },
      draft: {
        $type: 'typography',
        $value: { fontFamily: 'Georgia', fontSize: '20px', fontWeight: 700, lineHeight: '1.4' }
      },
      lost: { $type: 'typography', $value: { fontFamily: '{nobody}', fontSize: '20px', fontWeight: 700 } }
    });
    expect(notes).toEqual([expect.stringMatching(/^lost was left out/)]);
    const style =
      'font-family: {face}; font-size: {size-small}; font-weight: 500; line-height: 1.3; letter-spacing: 0.1px';
    expect(tokens.map(({ id, value }) => [id, value]).slice(2)).toEqual([
      ['aside', style],
      ['note', style],
      [
        'draft',
        'font-family: Georgia; font-size: 20px; font-weight: 700; line-height: 1.4; letter-spacing: 0px'
      ]
    ]);
  });

  it('of earlier drafts, with colours and lengths as text, are taken too', () => {
    expect(
      read({
        ink: { $type: 'color', $value: '#123456' },
        gap: { $type: 'dimension', $value: '12px' }
      }).tokens.map(({ value }) => value)
    ).toEqual(['#123456', '12px']);
  });

  it('of the same name keep their id, so that cells follow', () => {
    const { tokens } = read(
      { ink: { $type: 'color', $value: '#000000' } },
      asRecord([token('k1', 'colour', '#ffffff', 'ink')])
    );
    expect(tokens).toEqual([token('k1', 'colour', '#000000', 'ink')]);
  });

  it('name first what others name', () => {
    const ids = read({
      a: { $type: 'color', $value: '{b}' },
      b: { $type: 'color', $value: '#111111' }
    }).tokens.map(({ id }) => id);
    expect(ids).toEqual(['b', 'a']);
  });

  it.each([
    [
      'a ring',
      {
        a: { $type: 'color', $value: '{b}' },
        b: { $type: 'color', $value: '{a}' },
        c: { $type: 'number', $value: 1 }
      },
      /name each other in a ring/
    ],
    [
      'a type we have no tokens of',
      { g: { $type: 'gradient', $value: [] }, c: { $type: 'number', $value: 1 } },
      /no tokens of the type gradient/
    ],
    [
      'a missing target',
      { a: { $type: 'color', $value: '{nobody}' }, c: { $type: 'number', $value: 1 } },
      /no token nobody/
    ],
    [
      'a wrong value',
      {
        a: { $type: 'color', $value: { colorSpace: 'srgb', components: ['red', 0, 0] } },
        c: { $type: 'number', $value: 1 }
      },
      /a was left out/
    ],
    [
      'a hostile value',
      {
        a: { $type: 'color', $value: 'red;}</style><script>alert(1)</script>' },
        c: { $type: 'number', $value: 1 }
      },
      /a was left out/
    ],
    [
      'a key of every object',
      JSON.parse('{"__proto__":{"$type":"number","$value":2},"c":{"$type":"number","$value":1}}') as object,
      /^$/
    ]
  ])('leave out %s and say why', (_what, document, note) => {
    const { tokens, notes } = read(document);
    expect(tokens.map(({ name }) => name)).toContain('c');
    expect(notes.join('\n')).toMatch(note);
  });

  it('with the names of every object’s own entries change no object, and come back', () => {
    const names = [
      '__proto__/then',
      '__proto__',
      'constructor/prototype/x',
      'toString',
      'hasOwnProperty / valueOf'
    ];
    const named = names.map((name, n) => token(`t${n}`, 'number', String(n), name));
    const text = writeDesignTokens(asRecord(named));
    expect([
      ({} as Record<string, unknown>).then,
      ({} as Record<string, unknown>).x,
      ({} as Record<string, unknown>).$value
    ]).toEqual([undefined, undefined, undefined]);
    const result = readDesignTokens(text);
    expect(result.ok && result.tokens.map(({ name }) => name).toSorted()).toEqual(names.toSorted());
  });

  it('of which one has the name of a group, or two are written alike, all come back, and follow each other', () => {
    const named = [
      token('a', 'colour', '#111111', 'Brand'),
      token('b', 'colour', '#222222', 'Brand/dark'),
      token('c', 'colour', '{a}', 'Follows'),
      token('d', 'colour', '#333333', 'Brand.x'),
      token('e', 'colour', '#444444', 'Brand-x')
    ];
    const back = read(JSON.parse(writeDesignTokens(asRecord(named)))).tokens;
    expect(back.toSorted((one, other) => (one.id < other.id ? -1 : 1))).toEqual(named);
  });

  it.each(['{a}', '{b.$root}'])('take %s for a group’s own token where a file writes it so', (alias) => {
    const { tokens } = read({
      a: { $type: 'number', $value: 1, below: { $type: 'number', $value: 2 } },
      b: { $root: { $type: 'number', $value: 3 } },
      c: { $type: 'number', $value: alias }
    });
    expect(tokens.map(({ id }) => id).toSorted()).toEqual(['a', 'a-below', 'b', 'c']);
  });

  it('in a chain of 2,000 aliases are read or left out within a second, and say so', () => {
    const chain = Object.fromEntries(
      Array.from({ length: 2000 }, (_, n) => [
        `t${n}`,
        { $type: 'color', $value: n === 1999 ? '#123456' : `{t${n + 1}}` }
      ])
    );
    const { tokens, notes } = read(chain);
    expect(tokens.length).toBeGreaterThan(0);
    expect(notes.join('\n')).toMatch(/more than 32 (?:aliases|tokens)/);
  });

  it('whose type or weight is the name of what every object has are left out', () => {
    const { tokens, notes } = read({
      a: { $value: '1', $extensions: { kymation: { type: 'constructor' } } },
      b: { $type: 'fontWeight', $value: 'toString' },
      c: { $type: 'number', $value: 1 },
      d: { $type: 'dimension', $value: { value: 1, unit: { toString: 1 } } }
    });
    expect(tokens.map(({ name }) => name)).toEqual(['c']);
    expect(notes).toHaveLength(3);
  });

  it('get a name that can be seen', () => {
    expect(
      read({ a: { $type: 'number', $value: 1, $extensions: { kymation: { name: '\u200b\u2060' } } } })
        .tokens[0]!.name
    ).toBe('token');
  });

  it.each([
    ['[', 'not JSON'],
    [`${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}`, 'more than 40 deep'],
    ['[]', 'no group'],
    ['{}', 'no tokens'],
    ['{"a":{"$type":"gradient","$value":[]}}', 'None of the tokens']
  ])('refuse %j in a sentence', (text, sentence) => {
    const result = readDesignTokens(text);
    expect(result.ok ? '' : result.sentence).toContain(sentence);
  });
});
