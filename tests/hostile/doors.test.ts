import type { Command } from '../../src/core/commands/commands';
import { parse as parseCss, walk } from 'css-tree';
import { strFromU8, strToU8, zipSync } from 'fflate';
import { defaultTreeAdapter, parse as parseHtml, type DefaultTreeAdapterTypes } from 'parse5';
import { afterAll, describe, expect, it } from 'vitest';
import { apply } from '../../src/core/commands/apply';
import { printPage } from '../../src/core/compile/page';
import { readDesignTokens, writeDesignTokens } from '../../src/core/formats/design-tokens';
import { readFragment, readTokens } from '../../src/core/formats/document';
import { readAsset } from '../../src/core/formats/picture';
import { readProjectFile } from '../../src/core/formats/project-file';
import type { PageId, Project, Token, TokenId } from '../../src/core/project/types';
import { registry } from '../../src/core/whole';
import { after, sampleProject } from '../../src/core/testing/project';
import { CSS, HTML, NAMES, SVG } from './corpus';

/**
 * How many times as long as the usual door the slowest may take: what takes more than that for its input grows with
 * it as nothing may. In time of the processor, by the middle of all: what else the machine does fails none.
 */
const TIMES_MOST = 2000;
/** ms of the processor, of each that was gone through. */
const took: number[] = [];
let slowest = { door: (): unknown => null, ms: 0 };

const PLAIN = JSON.stringify(Object.getOwnPropertyNames(Object.prototype).toSorted());
const isUnpolluted = () => JSON.stringify(Object.getOwnPropertyNames(Object.prototype).toSorted()) === PLAIN;

/** Goes through a door: nothing is thrown, nothing changes what every object has, and how long it takes is kept. */
function through<T>(door: () => T): T {
  const { outcome, ms } = timed(door);
  took.push(ms);
  if (ms > slowest.ms) slowest = { door, ms };
  expect(isUnpolluted()).toBe(true);
  return outcome;
}

/** How long something takes, ms of the processor: of all this process does meanwhile, in other threads too. */
function timed<T>(work: () => T): { outcome: T; ms: number } {
  const from = process.cpuUsage();
  const outcome = work();
  const { user, system } = process.cpuUsage(from);
  return { outcome, ms: (user + system) / 1000 };
}

type ParentNode = DefaultTreeAdapterTypes.ParentNode;

/**
 * What a browser would make of a printed page that it must not: scripts, handlers, addresses that run or lead
 * out unasked.
 */
function dangersIn(html: string): string[] {
  const found: string[] = [];
  const open: ParentNode[] = [parseHtml(html)];
  for (let next = open.pop(); next; next = open.pop()) {
    for (const child of next.childNodes) {
      if (!defaultTreeAdapter.isElementNode(child)) continue;
      open.push(child);
      if (
        /^(?:script|style|iframe|object|embed|base|link|meta|form|template|frameset|noscript|foreignobject|animate|set)$/i.test(
          child.tagName
        )
      )
        found.push(`<${child.tagName}>`);
      for (const { name, value } of child.attrs) {
        if (/^on/i.test(name) || name === 'style' || name === 'srcdoc' || name === 'ping')
          found.push(`${name}=${value.slice(0, 40)}`);
        if (
          /^(?:href|src|action|formaction|data|xlink:href)$/i.test(name) &&
          !/^(?:https?:\/\/|mailto:|tel:|#|[\w./-]*$|[\w.-]+[/?#])/i.test(value)
        )
          found.push(`${name}=${value.slice(0, 40)}`);
      }
    }
  }
  return found;
}

const bodyOf = (project: Project) =>
  printPage(registry, project, 'first' as PageId, { addressOf: (asset) => asset.file });
const set = (project: Project, id: string, key: string, value: unknown) => {
  const outcome = apply(registry, project, { type: 'set-setting', id, key, value });
  return outcome.ok ? outcome.project : project;
};

it('has more than three hundred cases', () => {
  expect(NAMES.length + HTML.length + CSS.length + SVG.length).toBeGreaterThan(300);
});

describe('hostile markup', () => {
  it('in rich text, a heading, a label, a link and a name: none of it is in the page', () => {
    for (const html of HTML) {
      const project = through(() => {
        let now = set(sampleProject(), 'text-one', 'html', html);
        now = set(now, 'heading', 'text', html.slice(0, 500));
        const renamed = apply(registry, now, { type: 'rename', id: 'one', name: html.slice(0, 120) });
        return renamed.ok ? renamed.project : now;
      });
      const { body } = through(() => bodyOf(project));
      expect([html, dangersIn(body)]).toEqual([html, []]);
    }
  });

  it('in a project file: it opens clean, or says why not', () => {
    for (const html of HTML) {
      const document = JSON.parse(JSON.stringify(sampleProject()));
      document.info.name = html.slice(0, 120);
      document.nodes['text-one'].settings.html = html;
      document.nodes.heading.settings.text = html.slice(0, 500);
      document.nodes.one.name = html.slice(0, 120);
      document.nodes.section.settings.anchor = html;
      const opened = through(() =>
        readProjectFile(registry, zipSync({ 'project.json': strToU8(JSON.stringify(document)) }))
      );
      if (!opened.ok) expect(opened.sentence).toMatch(/\S.{10,}/);
      else expect([html, dangersIn(bodyOf(opened.project).body)]).toEqual([html, []]);
    }
  });

  it('on the clipboard: pieces are clean, or are not taken', () => {
    for (const html of HTML) {
      const node = {
        id: 'a',
        kind: 'text',
        name: html,
        settings: { html },
        adapt: { [html]: {} },
        slots: { [html]: [] },
        styles: { [html]: {} }
      };
      const fragment = through(() => readFragment(registry, { root: 'a', nodes: { a: node } }));
      expect(fragment === null || Object.keys(Object.values(fragment.nodes)[0]!.styles).length === 0).toBe(
        true
      );
    }
  });
});

describe('hostile values of CSS', () => {
  const cells = [
    'color',
    'background-color',
    'padding',
    'outline',
    'box-shadow',
    'font-family',
    'transition',
    'translate'
  ];

  it('in any cell, a setting or a token: refused, or they stay where they are', () => {
    for (const value of CSS) {
      const project = through(() => {
        let now = sampleProject();
        for (const property of cells) {
          const outcome = apply(registry, now, {
            type: 'set-style',
            id: 'heading',
            part: 'root',
            state: 'rest',
            condition: 'always',
            property,
            value
          });
          if (outcome.ok) now = outcome.project;
        }
        now = set(now, 'section', 'height', value);
        const token = apply(registry, now, {
          type: 'set-token',
          token: { id: 'face', name: 'Face', type: 'typeface', value }
        });
        return token.ok ? token.project : now;
      });
      const { css } = through(() => bodyOf(project));
      const selectors: string[] = [];
      walk(parseCss(`${css}\nsentinel { color: red; }`), (node) => {
        if (node.type === 'TypeSelector') selectors.push(node.name);
      });
      expect([value, selectors.at(-1)]).toEqual([value, 'sentinel']);
      expect([value, /evil|url\(|expression|javascript/i.test(css)]).toEqual([value, false]);
    }
  });
});

describe('hostile names', () => {
  it('of tokens: out to a file and back, they are names', () => {
    for (const name of NAMES) {
      const project = through(() => {
        const outcome = apply(registry, sampleProject(), {
          type: 'set-token',
          token: { id: 'a', name, type: 'number', value: '2' }
        });
        return outcome.ok ? outcome.project : null;
      });
      if (!project) continue;
      const text = through(() => writeDesignTokens(project.tokens));
      const back = through(() => readDesignTokens(text));
      expect([name, back.ok && back.tokens.map((token) => token.name)]).toEqual([
        name,
        [project.tokens['a' as TokenId]!.name]
      ]);
    }
  });

  it('as every key of a token file, a project file and the clipboard: refused or read, never more', () => {
    for (const name of NAMES) {
      const entry = (value: unknown) => Object.fromEntries([[name, value]]);
      through(() =>
        readDesignTokens(
          JSON.stringify(
            entry({
              $type: name,
              $value: name,
              [name]: entry({ $type: 'number', $value: 1, $extensions: { kymation: entry(name) } })
            })
          )
        )
      );
      through(() => readTokens(registry, entry({ id: name, name, type: name, value: name })));
      const document = JSON.parse(JSON.stringify(sampleProject()));
      for (const table of ['pages', 'nodes', 'assets'])
        document[table] = {
          ...document[table],
          ...entry({ id: name, kind: name, name, root: name, file: name, type: name })
        };
      document.tokens = entry({ id: name, name, type: 'number', value: '1' });
      document.shelf = entry({ id: name, name, fragment: { root: name, nodes: entry({}) } });
      document.info.aside = entry('why');
      document.nodes.tabs.settings = { ...document.nodes.tabs.settings, ...entry(name), first: name };
      document.nodes.tabs.styles = entry(entry(entry(entry('red'))));
      document.nodes.tabs.slots = { ...document.nodes.tabs.slots, ...entry([name]) };
      document.nodes.section.settings = { picture: name, film: name };
      const opened = through(() =>
        readProjectFile(registry, zipSync({ 'project.json': strToU8(JSON.stringify(document)) }))
      );
      if (opened.ok) through(() => bodyOf(opened.project));
    }
  });

  it('as ids in commands: refused', () => {
    for (const name of NAMES) {
      for (const command of [
        { type: 'rename', id: name, name: 'x' },
        { type: 'set-setting', id: 'heading', key: name, value: 'x' },
        {
          type: 'set-style',
          id: 'heading',
          part: name,
          state: 'rest',
          condition: 'always',
          property: 'color',
          value: 'red'
        },
        {
          type: 'set-style',
          id: 'heading',
          part: 'root',
          state: 'rest',
          condition: 'always',
          property: name,
          value: 'red'
        },
        { type: 'swap', id: 'heading', kind: name },
        { type: 'remove-token', id: name },
        { type: 'take-shelved', id: name },
        { type: 'set-page', id: name, key: 'name', value: 'x' },
        { type: name }
      ]) {
        expect([command, through(() => apply(registry, sampleProject(), command as Command)).ok]).toEqual([
          command,
          false
        ]);
      }
    }
  });
});

describe('hostile drawings', () => {
  it('are clean, or refused in a sentence', () => {
    for (const svg of SVG) {
      const read = through(() => readAsset(strToU8(svg), 'drawing.svg'));
      if (!read.ok) expect(read.sentence).toMatch(/\S.{10,}\.$/);
      else
        expect([
          svg.slice(0, 120),
          /<(?:script|style|foreignObject|iframe|animate|set)\b|\son\w+=|evil|javascript:/i.test(
            strFromU8(read.bytes)
          )
        ]).toEqual([svg.slice(0, 120), false]);
    }
  });
});

it('what every door takes is what the project’s own commands take', () => {
  const tokens = { a: { id: 'a', name: 'A', type: 'colour', value: '#111111' } as unknown as Token };
  expect(Object.keys(readTokens(registry, tokens))).toEqual(['a']);
  expect(after(sampleProject(), { type: 'set-token', token: tokens.a }).tokens).toEqual(
    readTokens(registry, tokens)
  );
});

afterAll(() => {
  const sorted = took.toSorted((a, b) => a - b);
  const usual = Math.max(0.01, sorted[Math.floor(sorted.length / 2)]!);
  // It may have looked slow for what the other threads did meanwhile: the least of several counts.
  const least = Math.min(...[1, 2, 3].map(() => timed(slowest.door).ms));
  expect(least / usual).toBeLessThan(TIMES_MOST);
});
