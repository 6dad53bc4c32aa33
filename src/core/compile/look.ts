import { isPointed } from '../cascade/states';
import { cells } from '../cascade/look';
import { defined } from '../data/compact';
import { emptyRecord } from '../data/record';
import type { Context, Kind, Part, Rule } from '../kinds/contract';
import type { Node, StateName } from '../project/types';

/**
 * A border needs a line style to be seen; its width starts at none and its colour at the text's, whatever the
 * browser's own style sheet gives the element. It has no weight, so that a kind's build may give another.
 */
const withoutLine = (selector: string): Rule => ({
  selector: `:where(${selector})`,
  when: [],
  declarations: { border: '0 solid currentcolor' }
});

const needsLine = (property: string): boolean =>
  property.startsWith('border-') && property !== 'border-radius';

/** The look as rules, part by part, in the order of the cascade. */
export function lookRules(kind: Kind, node: Node, ctx: Context): Rule[] {
  const rules: Rule[] = [];
  for (const [part, { states }] of Object.entries(kind.anatomy)) {
    const selector = ctx.sel(part);
    const found = cells(kind, node, part);
    if (found.some(({ property }) => needsLine(property))) rules.push(withoutLine(selector));
    let openKey = '';
    let declarations = emptyRecord<string>();
    for (const { property, value, state, condition } of found) {
      const key = `${state}/${condition}`;
      if (openKey !== key) {
        openKey = key;
        declarations = emptyRecord();
        const when = condition === 'always' ? [] : [condition];
        rules.push({ selector, when, declarations, isLook: true, ...stateOf(kind, state, states, ctx) });
      }
      declarations[property] = value;
    }
  }
  return rules;
}

/** The state a rule is of; at rest it is of none. */
function stateOf(
  kind: Kind,
  name: StateName,
  states: Part['states'],
  ctx: Pick<Context, 'sel'>
): Pick<Rule, 'state'> {
  if (name === 'rest') return {};
  const isPointedAt = isPointed(kind, name) || undefined;
  const { [name]: own, disabled } = states;
  const selector = own!.replaceAll('&', `:where(${ctx.sel('root')})`);
  return { state: defined({ name, selector, disabled, isPointed: isPointedAt }) };
}
