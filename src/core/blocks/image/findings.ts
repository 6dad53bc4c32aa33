import { error, settingFix, warning, type FindingRule, type Remark } from '../../kinds/finding';
import { ownSettings } from '../../kinds/settings';
import { bestShape, covering, shapeOf, SHAPES } from '../../kinds/shapes';
import { ownOf } from '../../data/record';
import type { Asset, AssetId, ConditionName, Node } from '../../project/types';
import { settings } from './settings';

const saysNothing = ({ id, name }: Node) =>
  error({
    sentence: `${name} says nothing to people who do not see it`,
    cause: 'It has no alternative text. Write what it shows, or mark it as decorative.',
    fix: settingFix('Mark as decorative', id, 'decorative', true)
  });

/** What may be cut off a picture, as a share, before it is another one (common practice, no source). */
const CUT_MOST = 0.5;

/** What is cut off a picture under each condition that gives it a shape. @param natural width by height. */
const cutsOf = ({ settings: own, adapt }: Node, natural: number) =>
  Object.entries({ always: own, ...adapt }).map(([condition, set]) => ({
    condition: condition as ConditionName,
    cut: covering(natural, shapeOf(set?.shape)).cut
  }));

/** The shape of ours nearest to a picture's own, or its own where each of them would cut too much off. */
function shapeFor(natural: number): { readonly value: string; readonly label: string } {
  const best = bestShape([natural]);
  return covering(natural, shapeOf(best)).cut > CUT_MOST
    ? { value: 'own', label: 'Leave it its own shape' }
    : { value: best, label: `Cut it to ${SHAPES[best]}` };
}

function cutToLittle(node: Node, { file, width, height }: Asset): Remark | null {
  if (!width || !height) return null;
  const natural = width / height;
  const tooMuch = cutsOf(node, natural).filter(({ cut }) => cut > CUT_MOST);
  if (tooMuch.length === 0) return null;
  const cut = Math.max(...tooMuch.map((each) => each.cut));
  const { value, label } = shapeFor(natural);
  return warning({
    view: 'Fill',
    number: `${Math.round(cut * 100)} %`,
    sentence: `${Math.round(cut * 100)} % of ${file} is cut off in ${node.name}`,
    cause: 'It is of quite another shape than its place. Take a shape nearer to its own, or another picture.',
    fix: {
      label,
      commands: tooMuch.map(({ condition }) => ({
        type: 'set-setting',
        id: node.id,
        key: 'shape',
        value,
        condition
      }))
    }
  });
}

export const findings: readonly FindingRule[] = [
  {
    id: 'picture-without-text',
    summary: 'A picture has neither alternative text nor is it marked as decorative',
    kinds: ['image'],
    check(node) {
      const { asset, alt, decorative } = ownSettings(settings, node);
      return asset && !alt && !decorative ? saysNothing(node) : null;
    }
  },
  {
    id: 'picture-cut',
    summary: 'More than half of a picture is cut off by its shape',
    kinds: ['image'],
    check(node, project) {
      const asset = ownOf(project.assets, ownSettings(settings, node).asset as AssetId);
      return asset ? cutToLittle(node, asset) : null;
    }
  }
];
