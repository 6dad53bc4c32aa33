import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'progress',
  label: 'Reading progress',
  summary: 'A bar that grows with how far the page has been read',
  group: 'Page',
  words: ['progress bar', 'scroll progress', 'reading bar', 'indicator'],
  category: 'block',
  icon: 'M2 6h12v4H2zM2 6h7v4H2z',
  insertable: true,
  keyframes: {
    'k-read': [
      { at: 'from', declarations: ['transform: scaleX(0);'] },
      { at: 'to', declarations: ['transform: none;'] }
    ]
  }
};
