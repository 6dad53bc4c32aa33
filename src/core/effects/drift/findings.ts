import { effectKey } from '../../kinds/effects';
import { settingFix, warning, type FindingRule } from '../../kinds/finding';
import type { Node } from '../../project/types';

const drifts = ({ effects }: Node): boolean => effects?.includes('drift') ?? false;

/** Text over a picture that goes faster than the page is hard to follow (common practice, no source). */
const FAST = 60;

const tooFast: FindingRule = {
  id: 'drift-fast',
  summary: 'What drifts goes very much slower or faster than the page',
  kinds: null,
  scope: 'node',
  check(node) {
    const speed = Number(node.settings[effectKey('drift', 'speed')] ?? 0);
    if (!drifts(node) || Math.abs(speed) <= FAST) return null;
    return warning({
      view: 'Scroll',
      number: `${speed} %`,
      sentence: `${node.name} stays behind the page by ${speed} %: it hardly moves with it`,
      cause: 'Large differences make people with a sensitive balance unwell, and need a much larger picture.',
      fix: settingFix(
        'Let it stay behind by 30 %',
        node.id,
        effectKey('drift', 'speed'),
        30 * Math.sign(speed)
      )
    });
  }
};

const noPicture: FindingRule = {
  id: 'drift-no-picture',
  summary: 'A picture is to drift behind a section that has none',
  kinds: null,
  scope: 'node',
  check(node, _project, _facts, of) {
    const isOfPicture = (node.settings[effectKey('drift', 'what')] ?? 'picture') === 'picture';
    if (!drifts(node) || !of(node).backdrop || !isOfPicture || node.settings.picture) return null;
    return warning({
      view: 'Fill',
      sentence: `Nothing drifts behind ${node.name}: it has no picture behind it`,
      cause: 'Give it a background picture, or let all of it drift.',
      fix: settingFix('Let all of it drift', node.id, effectKey('drift', 'what'), 'itself')
    });
  }
};

export const findings: readonly FindingRule[] = [tooFast, noPicture];
