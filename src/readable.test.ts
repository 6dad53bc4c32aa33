import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

/** Columns a line has at most, and the share of lines that may have more. */
const COLUMNS_MOST = 120;
const LONG_SHARE_MOST = 0.005;
/** Tokens of a function, its types counted, at the median of all. */
const TOKENS_MOST = 50;

const isSource = (path: string): boolean =>
  /\.(?:ts|svelte)$/.test(path) && !/\.test\.ts$/.test(path) && !path.includes('/testing/');

const sources = readdirSync(import.meta.dirname, { recursive: true, encoding: 'utf8' })
  .map((path) => join(import.meta.dirname, path))
  .filter(isSource);

/** A function that has a name: declared, a method, or given to a variable or a property. */
function maybeFunction(node: ts.Node): ts.Node | null {
  if (
    ts.isFunctionDeclaration(node) ||
    ts.isMethodDeclaration(node) ||
    ts.isConstructorDeclaration(node) ||
    ts.isGetAccessor(node)
  )
    return node.body ? node : null;
  const isNamed = ts.isVariableDeclaration(node) || ts.isPropertyDeclaration(node);
  if (!isNamed && !ts.isPropertyAssignment(node)) return null;
  const { initializer } = node;
  return initializer && (ts.isArrowFunction(initializer) || ts.isFunctionExpression(initializer))
    ? initializer
    : null;
}

function tokensIn(node: ts.Node, file: ts.SourceFile): number {
  if (ts.isTokenKind(node.kind)) return 1;
  if (ts.isJSDoc(node)) return 0;
  return node.getChildren(file).reduce((sum, child) => sum + tokensIn(child, file), 0);
}

function functionLengths(path: string): readonly number[] {
  const file = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
  const lengths: number[] = [];
  const look = (node: ts.Node): void => {
    const found = maybeFunction(node);
    if (found) lengths.push(tokensIn(found, file));
    ts.forEachChild(node, look);
  };
  look(file);
  return lengths;
}

describe('the source', () => {
  it(`has functions of ${TOKENS_MOST} tokens at the median`, () => {
    const lengths = sources.filter((path) => path.endsWith('.ts')).flatMap(functionLengths);
    lengths.sort((a, b) => a - b);
    expect(lengths.length).toBeGreaterThan(1000);
    expect(lengths[Math.floor(lengths.length / 2)]).toBeLessThanOrEqual(TOKENS_MOST);
  });

  it(`has hardly a line of more than ${COLUMNS_MOST} columns`, () => {
    const lines = sources.flatMap((path) => readFileSync(path, 'utf8').split('\n'));
    const long = lines.filter((line) => line.length > COLUMNS_MOST);
    expect(long.length / lines.length).toBeLessThanOrEqual(LONG_SHARE_MOST);
  });
});
