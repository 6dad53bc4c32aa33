import { describe, expect, it } from 'vitest';
import type { Stops } from '../facts/stops';
import { NO_FACTS } from '../kinds/finding';
import { runFindings } from './run';
import { registry } from '../whole';
import { sampleProject } from '../testing/project';
import type { NodeId } from '../project/types';

const project = sampleProject();
const page = project.pages[project.info.pageOrder[0]!]!.root;
const button = Object.values(project.nodes).find(({ kind }) => kind === 'heading')!;
const stop: Stops[number] = {
  node: button.id,
  part: 'root',
  isNamed: true,
  isSeen: true,
  comesBack: false,
  top: 120
};

const found = (stops: Stops) =>
  runFindings(registry, project, { ...NO_FACTS, stops: new Map([[page, stops]]) })
    .filter(({ rule }) => rule.startsWith('stop-'))
    .map(({ rule, node, number }) => ({ rule, node, number }));

describe('stops of the Tab key', () => {
  it('have a name and are seen, or the piece is named', () => {
    expect(found([stop])).toEqual([]);
    expect(found([{ ...stop, isNamed: false }])).toEqual([
      { rule: 'stop-nameless', node: button.id, number: undefined }
    ]);
    expect(found([{ ...stop, isSeen: false, top: -300 }])).toEqual([
      { rule: 'stop-unseen', node: button.id, number: '-300 px' }
    ]);
  });

  it('come in the order they are seen in', () => {
    expect(found([stop, { ...stop, comesBack: true }])).toEqual([
      { rule: 'stop-backwards', node: button.id, number: undefined }
    ]);
  });

  it('that a style has put elsewhere are told of by that style alone', () => {
    const styles = { root: { rest: { narrow: { order: '-1' } } } };
    const moved = { ...project, nodes: { ...project.nodes, [button.id]: { ...button, styles } } };
    const stops = new Map([[page, [stop, { ...stop, comesBack: true }]]]);
    const rules = runFindings(registry, moved, { ...NO_FACTS, stops }).map(({ rule }) => rule);
    expect(rules).not.toContain('stop-backwards');
  });

  it('of pieces that are gone are forgotten', () => {
    expect(found([{ ...stop, node: 'gone' as NodeId, isNamed: false }])).toEqual([]);
  });
});
