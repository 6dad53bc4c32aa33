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
  place: { samples: () => ['0% 100%', '30% 20%'] }
};
