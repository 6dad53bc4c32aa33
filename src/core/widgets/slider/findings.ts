import type { FindingRule } from '../../kinds/finding';

export const findings: readonly FindingRule[] = [];
