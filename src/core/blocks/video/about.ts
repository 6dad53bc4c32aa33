import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'video',
  label: 'Video',
  summary: 'A film from a file, or a picture that leads to one',
  group: 'Pictures',
  words: ['film', 'movie', 'mp4'],
  category: 'block',
  icon: 'M2 3h12v10H2zM6.5 6v4L10 8z',
  insertable: true
};
