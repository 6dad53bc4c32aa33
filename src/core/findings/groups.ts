import type { Finding } from '../kinds/finding';
import { remembered } from '../data/remembered';

/** Findings that say the same of several pieces or places. */
export interface FindingGroup {
  readonly rule: string;
  /** In the order they came; never empty. */
  readonly findings: readonly Finding[];
}

/** @returns findings of one rule together, in the order in which each rule first had something to say. */
export function groupedFindings(findings: readonly Finding[]): readonly FindingGroup[] {
  const byRule = new Map<string, Finding[]>();
  for (const finding of findings) {
    remembered(byRule, finding.rule, () => []).push(finding);
  }
  return [...byRule].map(([rule, all]) => ({ rule, findings: all }));
}
