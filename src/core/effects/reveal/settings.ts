import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { choiceField, toggleField, trackField } from '../../kinds/fields';
import { trackOf } from '../../motion/track';

export const settings = object({
  on: onField('Answers hover'),
  as: choiceField(
    'show',
    { show: 'shows', hide: 'goes away', cover: 'covers the box, and goes away' },
    { label: 'While the box is pointed at, it', view: 'behaviour' }
  ),
  track: trackField(
    trackOf({ form: 'fade', ms: 200, easing: 'ease-out' }),
    { fade: 'fades', slide: 'slides', grow: 'grows', wipe: 'is wiped' },
    { label: 'How it comes and goes', event: 'hover of its box', tone: 'state' }
  ),
  side: choiceField(
    'bottom',
    { top: 'the top', bottom: 'the bottom', left: 'the left', right: 'the right' },
    { label: 'From, and to', view: 'behaviour', help: 'For what slides or is wiped.' }
  ),
  touch: choiceField(
    'shown',
    { shown: 'all is shown', press: 'by a press' },
    {
      label: 'Without hover',
      view: 'behaviour',
      help: 'On screens that are touched. “All” is what shows, and what lies under a cover.'
    }
  ),
  focusable: toggleField(false, {
    label: 'Takes the focus itself',
    view: 'behaviour',
    help: 'For a box in which nothing else takes it, so that it is reached by keys.'
  })
});

export type RevealSettings = InferType<typeof settings>;
