import type { Ask } from '$core/facts/fact';
import type { FactName } from '$core/facts/index';
import { readBoxes } from './boxes';
import { measureRows } from './measure';
import { createRooms } from './rooms';
import { createLook, type Look } from './sights';
import { readStops } from './stops';

type ElementOf = (id: string) => HTMLElement | null;
type Read = readonly (readonly [node: string, value: unknown])[];

const rowOf = ({ node, part }: Ask) => ({ node, row: part });

const rooms = createRooms();

/** What was measured of the page holds no longer. */
export const forgetMeasured = (): void => rooms.forget();

/** Words in a typeface that has not come yet take another room: nothing is told before. */
const inTypefaces = (asks: readonly Ask[], read: (ask: Ask) => Read[number]): Read =>
  document.fonts.status === 'loaded' ? asks.map(read) : [];

type Reader = (asks: readonly Ask[], elementOf: ElementOf, look: Look) => Read;

/** Reads one fact about all pieces it is asked of. */
const READERS: Readonly<Record<FactName, Reader>> = {
  fit: (asks, elementOf) =>
    measureRows(asks.map(rowOf), elementOf).map(({ node, ...value }) => [node, value]),
  room: (asks, elementOf) => rooms.read(asks.map(rowOf), elementOf),
  stops: (asks) => asks.map(({ node }) => [node, readStops(document.body)]),
  sights: (asks, _, look) => inTypefaces(asks, ({ node, part }) => [node, look.whole(part)]),
  sightsIn: (asks, elementOf, look) =>
    inTypefaces(asks, ({ node }) => {
      const section = elementOf(node);
      return [node, section ? look.within(section) : []];
    }),
  sightsAcross: (asks, _, look) => inTypefaces(asks, ({ node }) => [node, look.across()]),
  // After the sights, for which the page may get other texts.
  shape: (asks, _, look) => inTypefaces(asks, ({ node }) => [node, look.shape()]),
  box: (asks, elementOf) => readBoxes(asks.flatMap(({ node }) => drawn(node, elementOf(node))))
};

/** A piece in a closed panel has no box. */
const drawn = (node: string, element: HTMLElement | null): [string, HTMLElement][] =>
  element && element.getClientRects().length > 0 ? [[node, element]] : [];

export interface Found {
  readonly fact: string;
  readonly node: string;
  readonly value: unknown;
}

/** @returns what was asked for, as far as it is drawn. */
export function measured(asks: readonly Ask[], elementOf: ElementOf): Found[] {
  const look = createLook(document.body);
  return Object.entries(READERS).flatMap(([fact, read]) => {
    const own = asks.filter((ask) => ask.fact === fact);
    return own.length === 0 ? [] : read(own, elementOf, look).map(([node, value]) => ({ fact, node, value }));
  });
}
