import { object, type InferType } from 'yup';
import { isFilmFile } from '../../html/clean';
import {
  assetField,
  choiceField,
  cssField,
  linkField,
  numberField,
  placeField,
  textField,
  widthField
} from '../../kinds/fields';

const PLACE = 'Where it stands';
const GROUND = 'Background';

export const settings = object({
  element: choiceField(
    'section',
    { section: 'section', header: 'header', footer: 'footer', aside: 'aside', nav: 'nav' },
    {
      label: 'Element',
      help: 'What the section is to a screen reader. Sections stand inside the page’s one main element.'
    }
  ),
  label: textField('', 120, {
    label: 'Name for screen readers',
    names: true,
    needs: ['element=aside', 'element=nav'],
    help: 'Such as “On this page”, where a page has more than one.'
  }),
  anchor: textField('', 60, {
    label: 'Anchor',
    names: true,
    help: 'Letters, digits and hyphens; links reach it as #anchor.'
  }).matches(/^([a-z][a-z0-9-]*)?$/, {
    message: 'An anchor starts with a letter and goes on with small letters, digits and hyphens.'
  }),
  span: choiceField(
    'inner',
    { inner: 'an inner width', bleed: 'the whole width' },
    { label: 'Content takes', help: 'The whole width reaches the edges of the window.' }
  ),
  inner: widthField(1120, 320, 2400, {
    label: 'Inner width',
    help: 'The greatest width of the content, in px.'
  }),
  height: cssField('height', '', {
    label: 'Least height',
    responsive: true,
    help: 'In any unit: 480px, 80svh, 200vh. 200vh is two screens. Empty: as high as its content.'
  }),
  place: choiceField(
    'start',
    { start: 'at the top', center: 'in the middle', end: 'at the bottom', 'space-between': 'apart' },
    { label: 'Content stands', responsive: true, needs: ['height'] }
  ),
  header: choiceField(
    'flow',
    { flow: 'in the flow', over: 'over the next section' },
    {
      group: PLACE,
      label: 'Stands',
      help: 'Over the next section, it lies on its top edge and takes no room of its own.'
    }
  ),
  aside: cssField('width', '', {
    group: PLACE,
    label: 'Stands at the side, this wide',
    help: 'Such as 240px: at the left of the whole page, as high as the window, and in sight while the rest scrolls. In the narrow band it is as any other. Empty: it does not.'
  }),
  overlap: numberField(0, 0, 100, {
    group: PLACE,
    label: 'Overlaps the one before',
    needs: ['height', 'overlap'],
    unit: '%',
    help: 'Share of its own least height that it is drawn up by: half of an 80 px bar is 40 px.'
  }),
  picture: assetField({ group: GROUND, label: 'Background picture' }),
  film: assetField({
    group: GROUND,
    label: 'Background film',
    media: 'film',
    help: 'The picture shows until it plays, and for people who asked for less motion.'
  }),
  video: linkField({
    group: GROUND,
    label: 'Film from elsewhere',
    help: 'Address of a file (.mp4, .webm). The picture shows until it plays, and for people who asked for less motion.'
  }),
  focus: placeField('50% 50%', {
    group: GROUND,
    label: 'What stays in sight',
    needs: ['picture', 'film', 'video']
  }),
  fit: choiceField(
    'cover',
    { cover: 'fills the section', contain: 'is seen whole', tile: 'is repeated' },
    { group: GROUND, label: 'The picture', needs: ['picture', 'film', 'video'] }
  ),
  tile: numberField(0, 0, 2000, {
    group: GROUND,
    label: 'One of it is this wide',
    needs: ['fit=tile'],
    unit: 'px',
    help: '0 is as wide as it was made.'
  }),
  layer: cssField('background', '', {
    group: GROUND,
    label: 'Layer over it',
    needs: ['picture', 'film', 'video'],
    help: 'A colour or a gradient: #000, linear-gradient(#0000, #000c).'
  }),
  opacity: numberField(70, 0, 100, {
    group: GROUND,
    label: 'Opacity of the layer',
    unit: '%',
    needs: ['layer'],
    help: '100 hides the picture, 0 is no layer.'
  }),
  blend: choiceField(
    'normal',
    {
      normal: 'lies over it',
      multiply: 'multiply',
      screen: 'screen',
      overlay: 'overlay',
      'soft-light': 'soft light',
      color: 'colour',
      luminosity: 'luminosity'
    },
    { group: GROUND, label: 'Blend of the layer', needs: ['layer'] }
  )
});

export type SectionSettings = InferType<typeof settings>;

/** Whether a film plays behind the content. */
export const plays = ({ film, video }: SectionSettings): boolean => film !== '' || isFilmFile(video);

/** Whether a picture or a film stands behind the content. */
export const hasBackdrop = (own: SectionSettings): boolean => own.picture !== '' || plays(own);
