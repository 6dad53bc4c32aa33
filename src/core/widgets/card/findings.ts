import type { AnySchema } from 'yup';
import { error, settingFix, warning, type FindingRule, type Fix, type KindOf } from '../../kinds/finding';
import { fieldsOf } from '../../kinds/settings';
import { freeName } from '../../data/free-name';
import { subtreeOf } from '../../project/tree';
import type { Fragment, Node, NodeId, Project } from '../../project/types';

/** A piece with all in it, under ids that nothing has. */
function copyOf(project: Project, id: NodeId): Fragment {
  const all = subtreeOf(project, id);
  const taken = new Set<string>(Object.keys(project.nodes));
  const names = new Map<NodeId, NodeId>();
  for (const node of all) {
    const free = freeName(`${node.id}-back`.slice(0, 70), taken) as NodeId;
    taken.add(free);
    names.set(node.id, free);
  }
  const renamed = all.map((node): [NodeId, Node] => {
    const slots = Object.entries(node.slots).map(([slot, ids]) => [
      slot,
      ids.map((each) => names.get(each)!)
    ]);
    const own = names.get(node.id)!;
    return [own, { ...node, id: own, slots: Object.fromEntries(slots) }];
  });
  return { root: names.get(id)!, nodes: Object.fromEntries(renamed) };
}

const backFromFront = (project: Project, node: Node): Fix => ({
  label: 'Make the back from the front',
  commands: (node.slots.front ?? []).map((id, index) => ({
    type: 'insert',
    fragment: copyOf(project, id),
    at: { parent: node.id, slot: 'back', index }
  }))
});

const isEmpty = (node: Node, slot: string): boolean => (node.slots[slot] ?? []).length === 0;

/** Whether a piece leads somewhere: one of its settings is an address. */
const isLink = (field: AnySchema): boolean => field.meta()?.field?.control === 'link';

const leads = (node: Node, of: KindOf): boolean =>
  fieldsOf(of(node)).some(([key, field]) => isLink(field) && Boolean(node.settings[key]));

const inFront = (project: Project, node: Node): readonly Node[] =>
  (node.slots.front ?? []).flatMap((id) => subtreeOf(project, id));

export const findings: readonly FindingRule[] = [
  {
    id: 'card-front-link',
    summary: 'What can be pressed on the front of a card is gone when one comes to it',
    kinds: ['card'],
    scope: 'project',
    check(node, project, _facts, of) {
      if ((node.settings.by ?? 'hover') === 'press') return null;
      const found = inFront(project, node).find((each) => leads(each, of));
      return found
        ? error({
            part: 'front',
            view: 'Behaviour',
            sentence: `${found.name} on the front of ${node.name} can never be pressed`,
            cause:
              'The card turns as soon as one comes to it, by pointer or by the Tab key, and then the front is out of reach. Put it on the back, or let the card turn when it is pressed.',
            fix: settingFix('Turn when pressed', node.id, 'by', 'press')
          })
        : null;
    }
  },
  {
    id: 'card-empty-back',
    summary: 'A card turns to an empty side',
    kinds: ['card'],
    scope: 'project',
    check: (node, project) =>
      isEmpty(node, 'back')
        ? warning({
            part: 'back',
            view: 'Fill',
            sentence: `The back of ${node.name} is empty`,
            cause:
              'Whoever turns it sees nothing. Put something on it, or begin with what stands on the front.',
            fix: isEmpty(node, 'front') ? null : backFromFront(project, node)
          })
        : null
  }
];
