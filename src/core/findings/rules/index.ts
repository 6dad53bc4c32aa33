import type { FindingRule } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { deadLink } from './dead-link';
import { textContrastRule } from './text-contrast';

/** Rules about any kind, one line each. Rules about one kind stand in that kind's folder. */
export const pageRules = (registry: Registry): readonly FindingRule[] => [textContrastRule(registry), deadLink];
