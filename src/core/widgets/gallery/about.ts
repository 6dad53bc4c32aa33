import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'gallery',
  label: 'Gallery',
  summary: 'Pictures of any shape in columns; each opens large',
  group: 'Pictures',
  words: ['pictures', 'photos', 'columns', 'masonry', 'lightbox', 'album', 'large'],
  category: 'block',
  icon: 'M2 2h3.5v7H2zM2 10.5h3.5V14H2zM6.5 2h3.5v4H6.5zM6.5 7.5h3.5V14H6.5zM11 2h3v5.5h-3zM11 9h3v5h-3z',
  insertable: true
};
