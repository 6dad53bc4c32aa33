import { bytes, demo as project } from '../support/demo';
import { pictures } from '../../demo/pictures';
import { readDesignTokens, writeDesignTokens } from '../../src/core/formats/design-tokens';
import { readAsset } from '../../src/core/formats/picture';
import { readProjectFile, writeProjectFile } from '../../src/core/formats/project-file';
import { registry } from '../../src/core/whole';
import { NAMES } from './corpus';

/** What takes longer, ms, is told as slow. */
const WITHIN_MS = 2000;

/** A small generator of numbers that are the same at every run. */
export function random(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}

export interface Tally {
  /** What was thrown where nothing may be, each with the number of its input. */
  readonly thrown: readonly string[];
  readonly slow: readonly string[];
  /** Refusals without a sentence. */
  readonly mute: readonly string[];
  /** Inputs that were changed by being read. */
  readonly changed: number;
  readonly opened: number;
}

const JUNK = [
  'null',
  '-1',
  '1e999',
  '{}',
  '[]',
  '""',
  'true',
  '"javascript:alert(1)"',
  '"</style>"',
  '"\\u0000"',
  '"{leaf}"',
  '99999999',
  '{"toString":1}',
  '[[[[[[]]]]]]',
  ...NAMES.slice(0, 20).map((name) => JSON.stringify(name))
];

/** Puts junk in the place of one value of some JSON, or of one key. */
function damagedJson(json: string, next: () => number): string {
  const isKey = next() < 0.25;
  const pattern = isKey
    ? /"(?:[^"\\]|\\.)*"(?=:)/g
    : /(?<=[:,[])(?:"(?:[^"\\]|\\.)*"|-?\d+(?:\.\d+)?|true|false|null)/g;
  const places = [...json.matchAll(pattern)];
  const place = places[Math.floor(next() * places.length)]!;
  const junk = isKey
    ? JSON.stringify(NAMES[Math.floor(next() * NAMES.length)])
    : JUNK[Math.floor(next() * JUNK.length)]!;
  return json.slice(0, place.index) + junk + json.slice(place.index + place[0].length);
}

/** Turns bytes over, cuts, doubles or swaps stretches of a text. */
function damagedText(text: string, next: () => number): string {
  const at = Math.floor(next() * text.length);
  const length = 1 + Math.floor(next() * 60);
  const piece = text.slice(at, at + length);
  const kind = Math.floor(next() * 4);
  if (kind === 0) return text.slice(0, at) + text.slice(at + length);
  if (kind === 1) return text.slice(0, at) + piece.repeat(1 + Math.floor(next() * 200)) + text.slice(at);
  if (kind === 2)
    return text.slice(0, at) + String.fromCharCode(Math.floor(next() * 256)) + text.slice(at + 1);
  return text.slice(0, at) + [...piece].reverse().join('') + text.slice(at + length);
}

function tally(
  count: number,
  seed: number,
  input: (next: () => number, n: number) => Uint8Array,
  read: (bytes: Uint8Array) => { readonly ok: boolean; readonly sentence?: string }
): Tally {
  const next = random(seed);
  const [thrown, slow, mute] = [[], [], []] as [string[], string[], string[]];
  let [changed, opened] = [0, 0];
  for (let n = 0; n < count; n += 1) {
    const bytes = input(next, n);
    const before = Buffer.from(bytes).toString('base64');
    const from = performance.now();
    try {
      const outcome = read(bytes);
      if (outcome.ok) opened += 1;
      else if (!/\S.{10,}/.test(outcome.sentence ?? '')) mute.push(`${n}`);
    } catch (error) {
      thrown.push(`${n}: ${(error as Error).stack?.slice(0, 300)}`);
    }
    const ms = performance.now() - from;
    if (ms > WITHIN_MS) slow.push(`${n}: ${ms.toFixed(0)} ms`);
    if (Buffer.from(bytes).toString('base64') !== before) changed += 1;
  }
  return { thrown, slow, mute, changed, opened };
}

/** Damages bytes of a project file, or values and keys of its document, and reads it. */
export function damagedProjects(count: number): Tally {
  const whole = writeProjectFile(project, bytes);
  const json = JSON.stringify(project);
  const byBytes = (next: () => number, n: number) => {
    const file = whole.slice();
    const hits = 1 + Math.floor(next() * 20);
    for (let hit = 0; hit < hits; hit += 1) file[Math.floor(next() * file.length)] = Math.floor(next() * 256);
    return n % 10 === 0 ? file.slice(0, Math.floor(next() * file.length)) : file;
  };
  const byValues = (next: () => number) => {
    let text = json;
    const hits = 1 + Math.floor(next() * 3);
    for (let hit = 0; hit < hits; hit += 1) text = damagedJson(text, next);
    return writeProjectFile(JSON.parse(text), bytes);
  };
  const input = (next: () => number, n: number): Uint8Array => {
    if (n % 2 === 0) return byBytes(next, n);
    try {
      return byValues(next);
    } catch {
      // What JSON itself, or the writer, will not take is no project file.
      return byBytes(next, n);
    }
  };
  return tally(count, 11, input, (file) => readProjectFile(registry, file));
}

export function damagedTokenFiles(count: number): Tally {
  const json = JSON.stringify(JSON.parse(writeDesignTokens(project.tokens)));
  const encoder = new TextEncoder();
  const decoder = new TextDecoder();
  const input = (next: () => number, n: number) =>
    encoder.encode(n % 3 === 0 ? damagedText(json, next) : damagedJson(damagedJson(json, next), next));
  return tally(count, 5, input, (bytes) => readDesignTokens(decoder.decode(bytes)));
}

export function damagedDrawings(count: number): Tally {
  const drawings = Object.values(pictures);
  const encoder = new TextEncoder();
  const input = (next: () => number) =>
    encoder.encode(damagedText(damagedText(drawings[Math.floor(next() * drawings.length)]!, next), next));
  return tally(count, 7, input, (bytes) => readAsset(bytes, 'drawing.svg'));
}
