import type { Command } from './commands';
import { describe, expect, it } from 'vitest';
import { fragmentOf } from '../project/tree';
import type { Fragment, Project, Token, TokenId } from '../project/types';
import { registry } from '../whole';
import { after, id, sampleProject } from '../testing/project';
import { withTokens } from './carry';

const token = (name: string, value: string, type: Token['type'] = 'colour', as = name) =>
  ({
    type: 'set-token',
    token: { id: as as TokenId, name, type, value }
  }) as Command;
const paint = (value: string, property = 'color') =>
  ({
    type: 'set-style',
    id: 'heading',
    part: 'root',
    state: 'rest',
    condition: 'always',
    property,
    value
  }) as Command;
const source = after(
  sampleProject(),
  token('Leaf', '#0b6a5f', 'colour', 'leaf'),
  token('Brand', '{leaf}', 'colour', 'brand'),
  token('Unused', '#123456', 'colour', 'unused'),
  paint('{brand}')
);
const piece = fragmentOf(source, id('heading'));
const colour = ([fragment]: readonly Fragment[]) =>
  fragment!.nodes[fragment!.root]!.styles.root!.rest!.always!.color;
const into = (project: Project, isOwn = false) =>
  withTokens(registry, project, [piece], source.tokens, isOwn);

describe('pieces with tokens', () => {
  it('bring those they take where there are none, what others name first, and no more', () => {
    const { fragments, added } = into(sampleProject());
    expect(added.map(({ id }) => id)).toEqual(['leaf', 'brand']);
    expect(colour(fragments)).toBe('{brand}');
  });

  it('take those of the same name here, whatever their value', () => {
    const { fragments, added } = into(after(sampleProject(), token('Brand', '#aa0000', 'colour', 'house')));
    expect(colour(fragments)).toBe('{house}');
    expect(added.map(({ id }) => id)).toEqual(['leaf']);
  });

  it('get another id and name where those mean something else here', () => {
    const { fragments, added } = into(after(sampleProject(), token('Brand', '12px', 'length', 'brand')));
    const [, brand] = added;
    expect(brand).toMatchObject({ name: 'Brand 2', type: 'colour', value: '{leaf}' });
    expect(brand!.id).not.toBe('brand');
    expect(colour(fragments)).toBe(`{${brand!.id}}`);
  });

  it('keep to the length a name may have', () => {
    const long = 'x'.repeat(80);
    const from = after(sampleProject(), token(long, '#0b6a5f', 'colour', 'long'), paint('{long}'));
    const { added } = withTokens(
      registry,
      after(sampleProject(), token(long, '12px', 'length', 'long')),
      [fragmentOf(from, id('heading'))],
      from.tokens,
      false
    );
    expect(added[0]!.name).toHaveLength(76);
  });

  it('of the same project keep theirs, though the values have changed since', () => {
    const now = after(source, token('Leaf', '#ffffff', 'colour', 'leaf'));
    expect(withTokens(registry, now, [piece], source.tokens, true)).toEqual({
      fragments: [piece],
      added: []
    });
  });

  it('keep their prose, whatever it looks like', () => {
    const prose = {
      type: 'set-setting',
      id: 'text-one',
      key: 'html',
      value: '<p>Write {brand} in a cell.</p>'
    } as Command;
    const told = after(source, prose, { ...paint('{brand}'), id: 'tabs' } as Command);
    const carried = withTokens(
      registry,
      after(sampleProject(), token('Brand', '#aa0000', 'colour', 'house')),
      [fragmentOf(told, id('tabs'))],
      told.tokens,
      false
    );
    const { nodes } = carried.fragments[0]!;
    expect(nodes[id('text-one')]!.settings.html).toBe('<p>Write {brand} in a cell.</p>');
    expect(nodes[id('tabs')]!.styles.root!.rest!.always!.color).toBe('{house}');
    const alone = fragmentOf(after(sampleProject(), prose), id('text-one'));
    expect(withTokens(registry, sampleProject(), [alone], told.tokens, false).added).toEqual([]);
  });

  it('carry what settings of CSS and movements take', () => {
    const quick = {
      type: 'set-token',
      token: { id: 'quick', name: 'Quick', type: 'duration', value: '240ms' }
    } as Command;
    const enter = {
      form: 'fade',
      ms: 240,
      delay: 0,
      easing: 'ease',
      step: 0,
      from: 'first',
      lasts: '{quick}'
    };
    const moved = after(source, quick, { type: 'set-setting', id: 'tabs', key: 'enter', value: enter });
    const carried = withTokens(
      registry,
      after(sampleProject(), token('Quick', '12px', 'length', 'quick')),
      [fragmentOf(moved, id('tabs'))],
      moved.tokens,
      false
    );
    const [added] = carried.added;
    expect(added).toMatchObject({ type: 'duration', value: '240ms' });
    expect(carried.fragments[0]!.nodes[id('tabs')]!.settings.enter).toMatchObject({
      lasts: `{${added!.id}}`
    });
  });

  it('carry a value of a type style as such', () => {
    const styled = after(
      source,
      token(
        'Title',
        'font-family: Georgia; font-size: 30px; font-weight: 600; line-height: 1.2; letter-spacing: 0',
        'type-style',
        'title'
      ),
      paint('{title.font-size}', 'font-size')
    );
    const { fragments, added } = withTokens(
      registry,
      after(
        sampleProject(),
        token(
          'Title',
          'font-family: Arial; font-size: 20px; font-weight: 400; line-height: 1.5; letter-spacing: 0',
          'type-style',
          'head'
        )
      ),
      [fragmentOf(styled, id('heading'))],
      styled.tokens,
      false
    );
    expect(fragments[0]!.nodes[id('heading')]!.styles.root!.rest!.always!['font-size']).toBe(
      '{head.font-size}'
    );
    expect(added.map(({ id }) => id)).toEqual(['leaf', 'brand']);
  });
});
