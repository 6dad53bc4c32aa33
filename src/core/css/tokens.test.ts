import type { Command } from '../commands/commands';
import { describe, expect, it } from 'vitest';
import type { Token, TokenId, TokenType } from '../project/types';
import { after, refusedWith, sampleProject } from '../testing/project';
import { apply } from '../commands/apply';
import { registry } from '../whole';
import { spelt, withNames } from './tokens';

const tokensOf = (
  count: number,
  valueOf: (n: number) => string,
  type: TokenType = 'typeface'
): Record<string, Token> =>
  Object.fromEntries(
    Array.from({ length: count }, (_, n) => [
      `t${n}`,
      { id: `t${n}` as TokenId, name: `T ${n}`, type, value: valueOf(n) }
    ])
  );

describe('tokens written out', () => {
  it('go through as many steps as people use', () => {
    const chain = tokensOf(20, (n) => (n === 19 ? 'Georgia' : `{t${n + 1}}`));
    expect(spelt('{t0}, serif', chain)).toEqual({ ok: true, value: 'Georgia, serif' });
  });

  it('that name the next one twice are counted, not written out', () => {
    const doubled = tokensOf(26, (n) => (n === 25 ? 'Georgia' : `{t${n + 1}}, {t${n + 1}}`));
    expect(spelt('{t0}', doubled)).toEqual({
      ok: false,
      sentence: expect.stringMatching(/more than 200 tokens/)
    });
  });

  it.each([1500, 3000])('in a chain of %i lead to a sentence', (count) => {
    expect(
      spelt(
        '{t0}',
        tokensOf(count, (n) => `{t${(n + 1) % count}}`)
      )
    ).toEqual({ ok: false, sentence: expect.stringMatching(/more than 32 tokens/) });
  });

  it('in a ring are named', () => {
    expect(
      spelt(
        '{t0}',
        tokensOf(2, (n) => `{t${1 - n}}`)
      )
    ).toEqual({ ok: false, sentence: expect.stringContaining('t0 → t1 → t0') });
  });

  it('are looked up among the tokens only, not among what every object has', () => {
    expect(spelt('{constructor}', {})).toEqual({
      ok: false,
      sentence: 'There is no token called “constructor”.'
    });
    expect(withNames('{constructor}', {})).toBe('constructor');
  });
});

describe('a token that others take', () => {
  const token = (id: string, value: string) =>
    ({
      type: 'set-token',
      token: { id, name: id, type: 'typeface', value }
    }) as Command;
  const wide = (id: string) => Array.from({ length: 15 }, () => `{${id}}`).join(', ');

  it('cannot be changed so that they no longer hold', () => {
    const project = after(sampleProject(), token('leaf', 'Georgia'), token('branch', wide('leaf')));
    const outcome = apply(
      registry,
      project,
      token('leaf', Array.from({ length: 20 }, () => 'Hanken Grotesk').join(', '))
    );
    expect(refusedWith(outcome)).toBe('breaks-others');
    expect(outcome.ok ? '' : outcome.refusal.sentence).toMatch(/branch takes leaf and would no longer hold/);
  });
});
