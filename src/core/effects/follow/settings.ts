import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { choiceField, momentsField, numberField } from '../../kinds/fields';
import type { TiedProperty } from './tied';

/** Least and greatest share of the way, %. */
export const SHARE_LEAST = -100;
export const SHARE_MOST = 200;

const tiedField = (property: TiedProperty, label: string, help: string, fallback = '') =>
  momentsField(fallback, { label, view: 'behaviour', help, property });

const NAMED = [
  'over=entry',
  'over=cover',
  'over=contain',
  'over=exit',
  'over=section',
  'over=sideways',
  'over=page'
];

const share = (fallback: number, label: string, help: string) =>
  numberField(fallback, SHARE_LEAST, SHARE_MOST, { label, unit: '%', view: 'behaviour', needs: NAMED, help });

const px = (fallback: number, label: string) =>
  numberField(fallback, 0, 100_000, { label, unit: 'px', view: 'behaviour', needs: ['over=px'] });

export const settings = object({
  on: onField('Follows the scroll'),
  over: choiceField(
    'cover',
    {
      entry: 'as it comes in',
      cover: 'as it crosses the window',
      contain: 'as all of it is in sight',
      exit: 'as it goes out',
      section: 'as its section crosses',
      sideways: 'as its section goes sideways',
      page: 'over the whole page',
      px: 'from px to px'
    },
    { label: 'It changes', view: 'behaviour' }
  ),
  from: share(0, 'From', 'Share of that way at which it begins. Below 0 is before it.'),
  to: share(100, 'To', 'Share of that way at which it is done. Above 100 is after it.'),
  start: px(0, 'From'),
  end: px(600, 'To'),
  easing: choiceField(
    'linear',
    {
      linear: 'evenly',
      'ease-in': 'slow, then fast',
      'ease-out': 'fast, then slow',
      'ease-in-out': 'slow at both ends'
    },
    { label: 'Pace', view: 'behaviour' }
  ),
  translate: tiedField(
    'translate',
    'Goes',
    'Across and down, such as 0 40px. Empty: it stays.',
    '0 40px → 0 0'
  ),
  scale: tiedField('scale', 'Grows', 'Such as 0.8. Empty: it keeps its size.'),
  rotate: tiedField('rotate', 'Turns', 'Such as -8deg. Empty: it does not.'),
  opacity: tiedField('opacity', 'Fades', 'Such as 0. Empty: it keeps its strength.'),
  'background-color': tiedField('background-color', 'Its fill', 'Such as #1f3329.'),
  color: tiedField('color', 'Its text', 'Such as #777777.'),
  'border-radius': tiedField('border-radius', 'Its corners', 'Such as 50%.'),
  filter: tiedField('filter', 'Its filter', 'Such as blur(8px).'),
  'clip-path': tiedField('clip-path', 'Its cut', 'Such as inset(0 100% 0 0).'),
  width: tiedField('width', 'Its width', 'Lays the page out anew at each step; growing it costs less.'),
  height: tiedField('height', 'Its height', 'Lays the page out anew at each step; growing it costs less.'),
  'letter-spacing': tiedField('letter-spacing', 'Its letter gap', 'Lays the page out anew at each step.'),
  'font-size': tiedField(
    'font-size',
    'Its type size',
    'Lays the page out anew at each step; growing it costs less.'
  )
});

export type FollowSettings = InferType<typeof settings>;
