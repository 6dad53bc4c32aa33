import { object, type InferType } from 'yup';
import { choiceField, itemField, textField, toggleField, widthField } from '../../kinds/fields';

export const settings = object({
  label: textField('', 120, {
    label: 'Name for screen readers',
    help: 'Read out before the tabs; left empty, the widget’s own name is used.'
  }),
  side: choiceField('top', { top: 'top', bottom: 'bottom', left: 'left', right: 'right' }, { label: 'Tab list on', view: 'behaviour' }),
  align: choiceField('start', { start: 'start', center: 'centre', end: 'end', stretch: 'stretched' }, { label: 'Tabs stand at', view: 'behaviour' }),
  first: itemField('panels', { label: 'First panel chosen', view: 'behaviour', help: 'The panel that is open when the page loads.' }),
  activation: choiceField('automatic', { automatic: 'arrow keys choose at once', manual: 'arrow keys move, Enter chooses' }, {
    label: 'By keyboard',
    view: 'behaviour'
  }),
  several: toggleField(false, { label: 'Several panels open', view: 'behaviour', help: 'Only where it is folded into an accordion.' }),
  foldUnder: widthField(640, 0, 2400, {
    label: 'Fold under',
    view: 'fallbacks',
    flag: 'folds',
    help: 'Below this viewport width the tabs are an accordion. 0: never.'
  }),
  level: choiceField('3', { '2': '2', '3': '3', '4': '4', '5': '5', '6': '6' }, {
    label: 'Heading level',
    view: 'fallbacks',
    help: 'Of the panel headings that the folded form and the page without script show.'
  })
});

export type TabsSettings = InferType<typeof settings>;
