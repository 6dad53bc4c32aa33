import type { Command } from '../commands/commands';
import { expect, it } from 'vitest';
import { registry } from '../whole';
import { after, sampleProject } from '../testing/project';
import { groupedFindings } from './groups';
import { runFindings } from './run';

const grey = (node: string) =>
  ({
    type: 'set-style',
    id: node,
    part: 'root',
    state: 'rest',
    condition: 'always',
    property: 'color',
    value: '#999999'
  }) as Command;

it('what one rule says of several pieces is one entry, in the order it came', () => {
  const findings = runFindings(
    registry,
    after(sampleProject(), grey('heading'), grey('text-one'), {
      type: 'set-setting',
      id: 'heading',
      key: 'level',
      value: '4'
    })
  );
  const groups = groupedFindings(findings);
  expect(groups.flatMap((group) => group.findings).length).toBe(findings.length);
  expect(groups.find(({ rule }) => rule === 'text-contrast')!.findings).toHaveLength(2);
  expect(groups.map(({ rule }) => rule)).toEqual([...new Set(findings.map(({ rule }) => rule))]);
});
