import { describe, expect, it } from 'vitest';
import { apply } from '../commands/apply';
import { runFindings } from '../findings/run';
import { makeWith } from '../kinds/make';
import { id, sampleProject } from '../testing/project';
import { registry } from '../whole';
import { templates } from '.';

describe.each(templates.map((each) => [each.template, each] as const))(
  'template %s',
  (_name, { root, category, build }) => {
    const fragment = build(makeWith());
    const at =
      category === 'section'
        ? { parent: id('page'), slot: 'sections', index: 0 }
        : { parent: id('section'), slot: 'content', index: 0 };

    it('is what it says it is, and stands where it may', () => {
      expect(fragment.nodes[fragment.root]!.kind).toBe(root);
      expect(registry.kindOf(root).category).toBe(category);
      const outcome = apply(registry, sampleProject(), { type: 'insert', fragment, at });
      expect(outcome.ok).toBe(true);
      for (const node of Object.values(fragment.nodes)) {
        const kind = registry.of(node);
        expect(() =>
          kind.settings.validateSync(
            { ...(kind.settings.getDefault() as object), ...node.settings },
            { strict: true }
          )
        ).not.toThrow();
      }
    });

    it('brings no finding of poor contrast with it', () => {
      const outcome = apply(registry, sampleProject(), { type: 'insert', fragment, at });
      if (!outcome.ok) throw new Error(outcome.refusal.sentence);
      expect(
        runFindings(registry, outcome.project).filter(
          ({ node, sentence }) => Object.hasOwn(fragment.nodes, node) && /contrast/i.test(sentence)
        )
      ).toEqual([]);
    });
  }
);
