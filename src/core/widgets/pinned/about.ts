import type { KindAbout } from '../../kinds/contract';

const HIDDEN = 'opacity: 0;';
const SHOWN = 'opacity: 1;';

export const about: KindAbout = {
  kind: 'pinned',
  label: 'Pinned picture',
  summary: 'Texts go by beside a picture that changes with them',
  group: 'Pictures',
  words: [
    'sticky picture',
    'pinned',
    'scrollytelling',
    'story',
    'steps',
    'side by side',
    'texts beside a picture'
  ],
  category: 'block',
  icon: 'M9 2h5v12H9zM2 4h5M2 6h4M2 10h5M2 12h4',
  insertable: true,
  keyframes: {
    'k-pinned-fade': { at: 'from', declarations: [HIDDEN] },
    'k-pinned-wipe': { at: 'from', declarations: ['clip-path: inset(100% 0 0 0);'] },
    'k-pinned-cut': { at: '0%, 50%', declarations: ['visibility: hidden;'] },
    'k-pinned-line': [
      { at: '0%, 25%, 75%, 100%', declarations: [HIDDEN] },
      { at: '35%, 65%', declarations: [SHOWN] }
    ],
    'k-pinned-dim': [
      { at: '0%, 25%, 75%, 100%', declarations: ['opacity: var(--k-dim);'] },
      { at: '35%, 65%', declarations: [SHOWN] }
    ]
  }
};
