import { allRules } from '../findings/run';
import { asideKey, type Finding } from '../kinds/finding';
import type { Registry } from '../kinds/registry';
import { pathTo } from '../project/tree';
import type { Project } from '../project/types';
import { defined } from '../data/compact';

/**
 * Findings as a log of the Static Analysis Results Interchange Format, version 2.1.0 (OASIS Standard). Places
 * are logical: the piece by its names from the section down, and its entry in project.json as a JSON Pointer.
 * @param uri the project file as the reader knows it.
 */
export async function sarifOf(
  registry: Registry,
  project: Project,
  findings: readonly Finding[],
  uri: string
): Promise<object> {
  const rules = await allRules(registry);
  const indexOf = new Map(rules.map(({ id }, index) => [id, index]));
  return {
    $schema: 'https://raw.githubusercontent.com/oasis-tcs/sarif-spec/master/Schemata/sarif-schema-2.1.0.json',
    version: '2.1.0',
    runs: [
      {
        tool: {
          driver: {
            name: 'Kymation',
            rules: rules.map(({ id, summary }) => ({ id, shortDescription: { text: `${summary}.` } }))
          }
        },
        results: findings.map((finding) => {
          const reason = project.info.aside[asideKey(finding)];
          const names = pathTo(project, finding.node).map((id) => project.nodes[id]!.name);
          return defined({
            ruleId: finding.rule,
            ruleIndex: indexOf.get(finding.rule) ?? -1,
            level: finding.severity,
            message: { text: `${finding.sentence}. ${finding.cause}` },
            locations: [
              {
                physicalLocation: { artifactLocation: { uri: encodeURI(uri) } },
                logicalLocations: [
                  { name: names.at(-1)!, fullyQualifiedName: `/nodes/${finding.node}`, kind: 'element' }
                ]
              }
            ],
            properties: finding.number
              ? { number: finding.number, place: names.slice(1).join(' › ') }
              : undefined,
            suppressions: reason === undefined ? undefined : [{ kind: 'external', justification: reason }]
          });
        })
      }
    ]
  };
}
