import { describe, expect, it } from 'vitest';
import { printPage } from '../compile/page';
import { trackOf } from '../motion/track';
import type { PageId, SupportTarget } from '../project/types';
import { registry } from '../whole';
import { after, sampleProject } from '../testing/project';
import { isSafe, PLATFORM_FEATURES, statusOf, type PlatformFeature } from './features';
import { platformUse } from './use';

const leaving = (support: SupportTarget) => {
  const project = after(
    sampleProject(),
    { type: 'set-setting', id: 'tabs', key: 'out', value: trackOf({ ms: 120 }) },
    { type: 'set-support', support }
  );
  const page = printPage(registry, project, 'first' as PageId, { addressOf: (asset) => asset.file });
  return { page, uses: platformUse(page, support) };
};

describe('support target', () => {
  it('decides what the browser does and what a script does', () => {
    const widely = leaving('widely');
    expect(widely.page.behaviours).toContain('leave');
    expect(widely.page.css).not.toContain('allow-discrete');
    expect(widely.uses.find(({ feature }) => feature === 'transition-behavior')).toMatchObject({
      form: 'scripted',
      behaviour: 'leave',
      isSafe: true
    });
    const newly = leaving('newly');
    expect(newly.page.behaviours).not.toContain('leave');
    expect(newly.page.css).toContain('allow-discrete');
    expect(newly.uses.find(({ feature }) => feature === 'transition-behavior')).toMatchObject({
      form: 'native',
      isSafe: true
    });
  });

  it('is not read off what people write', () => {
    const prose =
      '<p>Write popover= or data-k-tabs="find", (scripting: none), :has(a), linear(0, 1) and display: grid.</p>';
    const project = after(
      sampleProject(),
      { type: 'remove', ids: ['tabs', 'columns'] },
      { type: 'set-setting', id: 'heading', key: 'text', value: prose }
    );
    const page = printPage(registry, project, 'first' as PageId, { addressOf: (asset) => asset.file });
    expect(platformUse(page, 'widely').map(({ feature }) => feature)).toEqual([]);
  });

  it('nothing a page uses is out of reach for its target', () => {
    for (const support of ['widely', 'newly', 'current'] as const)
      expect(leaving(support).uses.filter(({ isSafe: safe }) => !safe)).toEqual([]);
  });

  it('takes what is widely available for everyone, and the rest by the target', () => {
    for (const feature of Object.keys(PLATFORM_FEATURES) as PlatformFeature[]) {
      expect(isSafe(feature, 'current')).toBe(true);
      expect(isSafe(feature, 'widely')).toBe(statusOf(feature).baseline === 'high');
      expect(isSafe(feature, 'newly')).toBe(statusOf(feature).baseline !== false);
    }
  });
});
