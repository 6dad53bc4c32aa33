import type { FindingRule } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { duplicateAnchor } from './anchors';
import { unchangedCopy } from './copies';
import { deadLink } from './dead-link';
import { deadReference } from './dead-reference';
import { headingOrder } from './headings';
import { lostColumn, lostSource, shortList, staleList } from './lists';
import { layoutMotion } from './motion';
import { markContrast } from './mark-contrast';
import { fullScreenMedia, grainyPicture, heavyPicture } from './pictures';
import { paddingOverHeight, paddingTwice } from './padding';
import { otherGround } from './other-ground';
import { seenOrder } from './seen-order';
import { crowdedTarget, cutText, sidewaysPage, wordsOver } from './sweep';
import { backwardStop, namelessStop, unseenStop } from './stops';
import { unfitEffect } from './unfit';
import { unheardState } from './unheard';
import { faintChangeRule, ringContrastRule, textContrastRule } from './text-contrast';

/** Rules about any kind, one line each. Rules about one kind stand in that kind's folder. */
export const pageRules = (registry: Registry): readonly FindingRule[] => [
  textContrastRule(registry),
  otherGround(registry),
  ringContrastRule(registry),
  markContrast(registry),
  faintChangeRule(registry),
  deadLink,
  deadReference(registry),
  headingOrder,
  duplicateAnchor,
  layoutMotion(registry),
  unchangedCopy(registry),
  grainyPicture(registry),
  heavyPicture(registry),
  fullScreenMedia(registry),
  paddingOverHeight(registry),
  paddingTwice(registry),
  seenOrder(registry),
  namelessStop,
  unseenStop,
  backwardStop,
  unheardState(registry),
  unfitEffect(registry),
  lostSource,
  lostColumn(registry),
  shortList(registry),
  staleList(registry),
  sidewaysPage(registry),
  crowdedTarget(registry),
  cutText(registry),
  wordsOver
];
