import type { Track } from '../motion/track';
import { trackOf } from '../motion/track';
import type { Json } from '../project/types';
import type { FieldMeta } from './contract';

/** What a sort of field is to everything that meets its values, without an editor or a schema. */
export interface Control {
  /** Values it takes, two at least, for whoever has to try some: tests, above all. */
  samples(field: FieldMeta): readonly unknown[];
  /** What a reader of the page gets of it; left out for what nobody reads. */
  readonly says?: 'words' | 'link' | 'picture';
  /** What its value is the id of. */
  readonly refers?: 'piece' | 'asset';
  /**
   * The value with `change` done to every text in it that may name tokens; the same where nothing changed.
   * Left out where none may.
   */
  withTokens?(value: Json, change: (text: string) => string): Json;
}

/** Two ways for each property that may change at moments. */
const SAMPLES: Readonly<Record<string, readonly string[]>> = {
  translate: ['0 0 → 0 -8px', '0 0 → 4px 0 at 30% → 0 0'],
  rotate: ['0deg → 4deg', '0deg → -4deg at 30% → 0deg'],
  scale: ['1 → 1.1', '1 → 1.1 at 30% → 1'],
  opacity: ['1 → 0.5', '1 → 0.5 at 30% → 1'],
  'background-color': ['#ffffff → #1f3329', '#1f3329 → #ffffff'],
  color: ['#777777 → #1b1f1d', '#1b1f1d → #777777'],
  'border-radius': ['50% → 0%', '0px → 8px'],
  filter: ['blur(8px) → blur(0px)', 'blur(0px) → blur(2px)'],
  'clip-path': ['inset(0 100% 0 0) → inset(0 0 0 0)', 'inset(0 0 0 0) → inset(0 20% 0 0)'],
  width: ['100px → 200px', '200px → 100px'],
  height: ['100px → 200px', '200px → 100px'],
  'letter-spacing': ['0px → 2px', '2px → 0px'],
  'font-size': ['16px → 24px', '24px → 16px']
};

const choices = ({ choices: all = {} }: FieldMeta): readonly unknown[] => Object.keys(all);

function trackWith(value: Json, change: (text: string) => string): Json {
  let next = value as unknown as Track;
  for (const key of ['lasts', 'eases'] as const) {
    const use = next[key];
    const now = use === undefined ? use : change(use);
    if (now !== use) next = { ...next, [key]: now };
  }
  return next as unknown as Json;
}

/** Every sort of field there is. Whatever has to know what a field means asks here. */
export const CONTROLS: Readonly<Record<FieldMeta['control'], Control>> = {
  text: { samples: () => ['One', 'Two'], says: 'words' },
  rich: { samples: () => ['<p>One</p>', '<p>Two</p>'], says: 'words' },
  choice: { samples: choices },
  toggle: { samples: () => [true, false] },
  width: { samples: () => [320, 640] },
  number: { samples: ({ range = [0, 24] }) => range },
  asset: { samples: () => ['', 'picture'], says: 'picture', refers: 'asset' },
  link: { samples: () => ['#one', 'https://example.org/'], says: 'link' },
  item: { samples: () => ['', 'item'], refers: 'piece' },
  piece: { samples: () => ['', 'piece'], refers: 'piece' },
  icon: { samples: () => [null, { name: 'line', nodes: [['path', { d: 'M0 0h8' }]] }] },
  track: {
    samples: (field) => choices(field).map((form) => trackOf({ form: String(form), ms: 100, step: 40 })),
    withTokens: trackWith
  },
  shares: { samples: () => ['1/4 3/4', '+2 4 6', '1/2 1/2'] },
  css: {
    samples: () => ['480px', '80svh'],
    withTokens: (value, change) => (typeof value === 'string' ? change(value) : value)
  },
  moments: { samples: ({ property = '' }) => SAMPLES[property] ?? [] },
  place: { samples: () => ['0% 100%', '30% 20%'] }
};
