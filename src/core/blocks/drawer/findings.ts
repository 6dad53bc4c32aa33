import type { FindingRule } from '../../kinds/finding';
import { neverOpenedRule } from '../../kinds/opening-findings';

export const findings: readonly FindingRule[] = [neverOpenedRule('drawer', 'Menu')];
