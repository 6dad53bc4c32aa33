import { describe, expect, it } from 'vitest';
import { printPage } from '../core/compile/page';
import type { PageId } from '../core/project/types';
import { registry } from '../core/whole';
import { sampleProject } from '../core/testing/project';
import { finish, finishRequest, snippetRequest } from './finish';

const {
  features: _features,
  assets: _assets,
  id: _id,
  ...printed
} = printPage(registry, sampleProject(), 'first' as PageId, { addressOf: (asset) => asset.file });
const { css, ...own } = printed;
const page = { ...own, css: '', file: 'index', behaviours: [...own.behaviours] };
const request = (more: object = {}, site: object = {}) => ({
  single: false,
  minified: false,
  css,
  ...site,
  pages: [{ ...page, ...more }]
});
const refusal = (value: unknown) =>
  finishRequest.validate(value, { strict: true }).then(
    () => null,
    (error: Error) => error.message
  );

describe('what the finishing step takes', () => {
  it('is what the compiler prints', async () => {
    expect(await refusal(request())).toBeNull();
  });

  it.each([
    ['a behaviour that is none', { behaviours: ['tabs', 'melt'] }, /no behaviour/],
    ['a behaviour every object has', { behaviours: ['constructor'] }, /no behaviour/],
    ['code in place of a behaviour', { behaviours: ['tabs }; alert(1); {'] }, /no behaviour/],
    ['a style sheet that ends its element', { css: 'a{}</style><script>alert(1)</script>' }, /closing tag/],
    [
      'brackets without end',
      { css: `a{width:${'calc('.repeat(20_000)}1px${')'.repeat(20_000)}}` },
      /more than 64 deep/
    ],
    ['blocks without end', { css: '@media print{'.repeat(20_000) }, /more than 64 deep/],
    [
      'boxes without end',
      { body: `<body>${'<div>'.repeat(5000)}${'</div>'.repeat(5000)}</body>` },
      /more than 2000 deep/
    ],
    ['a file name that climbs', { file: '../index' }, /small letters/]
  ])('is not %s', async (_what, more, sentence) => expect(await refusal(request(more))).toMatch(sentence));

  it('is no snippet of the sort either', async () => {
    const snippet = {
      prefix: 'ky-a',
      language: 'en',
      html: '<div></div>',
      css: '(('.repeat(5000),
      behaviours: []
    };
    await expect(snippetRequest.validate({ snippet }, { strict: true })).rejects.toThrow(/more than 64 deep/);
  });
});

describe('a style sheet that cannot be read', () => {
  it.each(['rgb(200 30 30', '"Gill Sans', 'calc(1px + ('])(
    'with %s in it is broken, not a thing to know',
    async (value) => {
      const { broken } = await finish(request({}, { css: `h1 { color: ${value}; }\n${css}` }) as never);
      expect(broken.length).toBeGreaterThan(0);
      expect(broken[0]).toMatch(/^style\.css/);
    }
  );

  it('is none of those the compiler prints', async () => {
    expect(await finish(request() as never)).toMatchObject({ broken: [] });
  });
});
