import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Browser, Page as Tab } from '@playwright/test';
import { createPreviewSession } from '../core/compile/preview';
import { allKeyframes, BASE_CSS } from '../core/compile/rules';
import type { Sights } from '../core/facts/sights';
import type { AssetBytes } from '../core/formats/project-file';
import { pageOf } from '../core/project/tree';
import type { Asset, NodeId, PageId, Project } from '../core/project/types';
import { expanded } from '../core/rows/rows';
import { firstSeedsOf, halvesOf, restOf, seedsOf } from '../core/sweep/halving';
import { asksAtWidth, seenAtWidth, shapeAtWidth } from '../core/layout/at-width';
import { worstOfEach } from '../core/sweep/merging';
import { lanesOf, type Lane } from '../core/sweep/runs';
import { registry } from '../core/whole';
import type { FromFrame, Measured, ToFrame } from '../preview/messages';
import { probeScript, sourceFolder } from '../server/bundle';

/** Where Debian and others put it. */
const CHROMIUMS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser'];

/** @returns the browser that `CHROMIUM` names, else the one that is found; null where there is none. */
export function maybeChromium(): string | null {
  const { CHROMIUM } = process.env;
  return (CHROMIUM ? [CHROMIUM] : CHROMIUMS).find((path) => existsSync(path)) ?? null;
}

/** Nothing answers there: what the frame is made of is given to it, and all else is refused. */
const ADDRESS = 'http://frame.invalid/';
/** As the workbench's own frame has it. */
const POLICY = [
  "default-src 'none'",
  "script-src 'self'",
  "style-src 'self'",
  'img-src blob: data:',
  'media-src blob: data:'
].join('; ');
const DOCUMENT =
  '<!doctype html><html lang="en"><head><meta charset="utf-8">' +
  '<meta name="viewport" content="width=device-width, initial-scale=1"><title>Sweep</title>' +
  '<link rel="stylesheet" href="/frame.css"><script src="/probe.js" defer></script></head><body></body></html>';

const HEIGHT = 800;

interface Waiting {
  port: MessagePort;
  heard: FromFrame[];
}

type File = readonly [contentType: string, body: string];

/** What the frame is made of, by where it asks for it. */
async function frameFiles(): Promise<ReadonlyMap<string, File>> {
  const style = await readFile(join(sourceFolder(), '../static/frame.css'), 'utf8');
  return new Map<string, File>([
    [ADDRESS, ['text/html', DOCUMENT]],
    [`${ADDRESS}probe.js`, ['text/javascript', await probeScript()]],
    [`${ADDRESS}frame.css`, ['text/css', style]]
  ]);
}

async function giveOnly(tab: Tab, files: ReadonlyMap<string, File>): Promise<void> {
  await tab.route('**', (route) => {
    const found = files.get(route.request().url());
    if (!found) return route.abort();
    const [contentType, body] = found;
    return route.fulfill({ contentType, body, headers: { 'content-security-policy': POLICY } });
  });
}

/** Runs in the tab: what the frame says is kept until someone asks for it. */
function listen(): void {
  const { port1, port2 } = new MessageChannel();
  const waiting: Waiting = { port: port1, heard: [] };
  port1.onmessage = ({ data }) => void waiting.heard.push(data as FromFrame);
  Object.assign(window, { waiting });
  window.postMessage('kymation', '*', [port2]);
}

/** The workbench's own preview frame, in a browser without a window. */
async function openFrame(browser: Browser): Promise<Tab> {
  const tab = await browser.newPage({ viewport: { width: 1120, height: HEIGHT } });
  await giveOnly(tab, await frameFiles());
  await tab.goto(ADDRESS);
  await tab.evaluate(listen);
  return tab;
}

/** The frame has not said what it was asked for, ms. */
const PATIENCE = 30_000;

/** A page that cannot be laid out: its frame says nothing, or never takes a width. */
export class NeverRests extends Error {}

/** What a frame can be sent from here; no bytes can go into the tab. */
type Message = Exclude<ToFrame, { type: 'asset' }>;

/** Runs in the tab: sends the frame a message and waits for the next one of a type; null where none comes. */
async function ask([sent, wanted, patience]: readonly [Message, string, number]): Promise<FromFrame | null> {
  const { waiting } = window as unknown as { waiting: Waiting };
  const until = performance.now() + patience;
  waiting.heard.length = 0;
  waiting.port.postMessage(sent);
  while (performance.now() < until) {
    const found = waiting.heard.find((each) => each.type === wanted);
    if (found) return found;
    await new Promise(requestAnimationFrame);
  }
  return null;
}

/** Sends the frame a message. @returns the next one of a type that comes after it. */
async function answer<Type extends FromFrame['type']>(
  tab: Tab,
  message: Message,
  type: Type
): Promise<Extract<FromFrame, { type: Type }>> {
  const found = await tab.evaluate(ask, [message, type, PATIENCE] as const);
  if (!found) throw new NeverRests(`The page says nothing of what is ${type} on it.`);
  return found as Extract<FromFrame, { type: Type }>;
}

type AssetMessage = Extract<ToFrame, { type: 'asset' }>;

/** A picture or a typeface as it goes to the tab: its content as a text, since no bytes can go there. */
type Coded = Omit<AssetMessage, 'blob'> & { readonly content: string; readonly as: string };

/** Runs in the tab. */
function take({ content, as, ...message }: Coded): void {
  const { waiting } = window as unknown as { waiting: Waiting };
  const bytes = Uint8Array.from(atob(content), (each) => each.charCodeAt(0));
  waiting.port.postMessage({ ...message, blob: new Blob([bytes], { type: as }) });
}

const faceOf = ({ face }: Asset): AssetMessage['face'] =>
  face ? { family: face.family, style: face.style, weight: face.weight.join(' ') } : null;

const codedAsset = (asset: Asset, bytes: Buffer): Coded => ({
  type: 'asset',
  id: asset.id,
  face: faceOf(asset),
  content: bytes.toString('base64'),
  as: asset.type
});

/** Puts a page of a project into the frame, with its pictures and typefaces. */
async function show(tab: Tab, project: Project, bytes: AssetBytes, page: PageId): Promise<void> {
  for (const [id, content] of bytes)
    await tab.evaluate(take, codedAsset(project.assets[id]!, Buffer.from(content)));
  const patch = createPreviewSession(registry).patchFor(project, page)!;
  const keyframes = BASE_CSS + allKeyframes(registry);
  await answer(tab, { type: 'patch', seq: 1, keyframes, ...patch } as Message, 'patched');
  await tab.evaluate(() => document.fonts.ready);
}

/** A page that has not taken its width after so many looks never will. */
const LOOKS_MOST = 600;

/** What was seen, and how large the words are. */
interface Look {
  readonly sights: Sights;
  readonly shape: number | null;
}

/** What was seen, where the page has taken its width by then. */
function maybeLook({ viewport, found }: Measured, project: Project, width: number): Look | null {
  const sights = viewport === width ? seenAtWidth(registry, project, found, width) : null;
  return sights && { sights, shape: shapeAtWidth(found) };
}

/** What is seen of the page at a width, px. */
async function look(tab: Tab, project: Project, root: NodeId, width: number): Promise<Look> {
  await tab.setViewportSize({ width, height: HEIGHT });
  const sights: ToFrame = { type: 'measure', asks: [...asksAtWidth(registry, project, root, 'own')] };
  for (let n = 0; n < LOOKS_MOST; n += 1) {
    const seen = maybeLook(await answer(tab, sights, 'measured'), project, width);
    if (seen) return seen;
  }
  throw new NeverRests(`The page never comes to rest in a window of ${width} px.`);
}

const bandEdges = ({ info: { bands } }: Project): readonly number[] =>
  [bands.narrow, bands.medium].flatMap((px) => [px, px + 1]);

async function lanesOn(tab: Tab, project: Project, page: PageId): Promise<readonly Lane[]> {
  const { root } = pageOf(project, page);
  const { templateOf } = expanded(registry, project);
  const ownerOf = (node: string) => templateOf(node as NodeId);
  const samples = new Map<number, Sights>();
  const shapes = new Map<number, number | null>();
  const lookAt = async (seeds: readonly number[]): Promise<void> => {
    for (let due = seeds; due.length > 0; due = halvesOf(samples))
      for (const width of due) {
        const { sights, shape } = await look(tab, project, root, width);
        samples.set(width, worstOfEach(sights, ownerOf));
        shapes.set(width, shape);
      }
  };
  const edges = bandEdges(project);
  await lookAt(firstSeedsOf(edges));
  await lookAt(restOf(seedsOf(edges), shapes));
  return lanesOf(samples);
}

async function launched(executablePath: string): Promise<Browser> {
  // Only here: nothing else of the command line needs a browser.
  const { chromium } = await import('@playwright/test');
  // Chromium has no sandbox for the superuser, as whom containers often run.
  const args = process.getuid?.() === 0 ? ['--no-sandbox', '--disable-gpu'] : ['--disable-gpu'];
  return chromium.launch({ executablePath, args });
}

async function sweptIn(browser: Browser, project: Project, bytes: AssetBytes, page: PageId) {
  const tab = await openFrame(browser);
  await show(tab, project, bytes, page);
  const lanes = await lanesOn(tab, project, page);
  await tab.close();
  return lanes;
}

/**
 * Lays pages out at all widths, as the workbench does. Throws NeverRests where one cannot be.
 * @param executablePath of Chromium.
 * @returns what is seen over the widths, by the root of each page.
 */
export async function sweptPages(
  executablePath: string,
  project: Project,
  bytes: AssetBytes,
  pages: readonly PageId[]
): Promise<ReadonlyMap<NodeId, readonly Lane[]>> {
  const browser = await launched(executablePath);
  try {
    const found = new Map<NodeId, readonly Lane[]>();
    for (const page of pages)
      found.set(pageOf(project, page).root, await sweptIn(browser, project, bytes, page));
    return found;
  } finally {
    await browser.close();
  }
}
