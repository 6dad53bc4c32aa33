import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { Fragment, PageId, Project, ProjectId } from '../src/core/project/types';

/**
 * A page of so many tabs widgets, ten (or `perSection`) to a section, each with two panels of text: five
 * nodes a widget. The first one is `tabs-0`.
 */
export function projectOf(widgets: number, perSection = 10): Project {
  const make = makeWith({ exactIds: true });
  const tabs = (n: number): Fragment =>
    make(
      'tabs',
      `Tabs ${n}`,
      {},
      {
        panels: ['a', 'b'].map((each) =>
          make(
            'panel',
            `Panel ${n} ${each}`,
            {},
            { content: [make('text', `Text ${n} ${each}`, { html: `<p>What stands in ${each}.</p>` })] }
          )
        )
      }
    );
  const sections: Fragment[] = [];
  for (let at = 0; at < widgets; at += perSection) {
    const content = Array.from({ length: Math.min(perSection, widgets - at) }, (_, i) => tabs(at + i));
    sections.push(make('section', `Section ${at}`, {}, { content }));
  }
  return createProject(`Bench ${widgets}`, make('page', 'Page', {}, { sections }), {
    project: `bench-${widgets}` as ProjectId,
    page: 'page' as PageId
  });
}
