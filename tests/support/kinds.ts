import type { Command } from '../../src/core/commands/commands';
import { makeWith } from '../../src/core/kinds/make';
import { registry } from '../../src/core/whole';

const icon = { name: 'leaf', nodes: [['path', { d: 'M4 20C4 10 10 4 20 4c0 10-6 16-16 16z' }]] };

/** What a kind needs to draw all it can. */
const FILLED: Readonly<Record<string, Record<string, unknown>>> = {
  embed: { address: 'https://maps.example/quillmere', title: 'Where we are' },
  video: { address: 'https://films.example/press', title: 'The press at work', poster: 'press-house' },
  quote: {
    words: '<p>Best juice in the valley.</p>',
    author: 'A visitor',
    source: 'https://letters.example/1'
  },
  icon: { icon, alt: 'A leaf' },
  image: { asset: 'press-house', alt: 'The press house' },
  links: { foldUnder: 700 },
  // Every item at rest; `accordion.spec.ts` looks at open ones.
  accordion: { atLoad: 'none' }
};

/**
 * Commands that put one of every kind that stands in a section into one, each with a name of its own and a
 * look nobody sees.
 */
export function everyKind(section: string): Command[] {
  const kinds = registry.everyKind().filter(({ insertable, category }) => insertable && category === 'block');
  return kinds.flatMap((kind): Command[] => {
    const fragment = kind.create((name, label, settings, slots) =>
      makeWith({ exactIds: true })(name, `One ${label}`, { ...settings, ...(FILLED[name] as object) }, slots)
    );
    return [
      { type: 'insert', fragment, at: { parent: section, slot: 'content', index: 999 } },
      // A piece that nobody has tuned shares its class with others of its kind; here each is looked for by
      // its own.
      ...Object.values(fragment.nodes)
        .filter((node) => registry.of(node).markup)
        .map(
          (node) =>
            ({
              type: 'set-style',
              id: node.id,
              part: 'root',
              state: 'rest',
              condition: 'always',
              property: 'opacity',
              value: '1'
            }) as Command
        )
    ];
  });
}
