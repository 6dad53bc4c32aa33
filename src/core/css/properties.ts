/**
 * The properties a part can be given. No two of them set the same thing, so a cell of the state sheet has one
 * answer and the cascade needs no shorthand rules. Shorthands stand here only where their longhands do not.
 */
export interface StyleProperty {
  readonly property: string;
  readonly label: string;
  readonly control: 'colour' | 'length' | 'lengths' | 'text' | 'choice' | 'number' | 'angle';
  readonly choices?: readonly string[];
  /** Takes its parent's value where nothing is set (CSS Cascade 5, section 7.2). */
  readonly inherited?: boolean;
  /** The property's initial value, shown where nothing is set. */
  readonly initial: string;
}

const rows: readonly StyleProperty[] = [
  { property: 'background-color', label: 'Background', control: 'colour', initial: 'transparent' },
  { property: 'color', label: 'Text', control: 'colour', inherited: true, initial: '#000000' },
  { property: 'border-color', label: 'Border colour', control: 'colour', initial: 'currentcolor' },
  { property: 'border-width', label: 'Border width', control: 'lengths', initial: '0' },
  { property: 'border-radius', label: 'Radius', control: 'lengths', initial: '0' },
  { property: 'padding', label: 'Padding', control: 'lengths', initial: '0' },
  { property: 'outline', label: 'Ring', control: 'text', initial: 'none' },
  { property: 'outline-offset', label: 'Ring gap', control: 'length', initial: '0' },
  { property: 'font-size', label: 'Type size', control: 'length', inherited: true, initial: '16px' },
  {
    property: 'font-weight',
    label: 'Weight',
    control: 'choice',
    choices: ['300', '400', '500', '600', '700', '800'],
    inherited: true,
    initial: '400'
  },
  { property: 'line-height', label: 'Line height', control: 'number', inherited: true, initial: 'normal' },
  { property: 'font-family', label: 'Typeface', control: 'text', inherited: true, initial: 'serif' },
  {
    property: 'text-align',
    label: 'Alignment',
    control: 'choice',
    choices: ['start', 'center', 'end'],
    inherited: true,
    initial: 'start'
  },
  { property: 'letter-spacing', label: 'Letter gap', control: 'length', inherited: true, initial: 'normal' },
  {
    property: 'text-transform',
    label: 'Capitals',
    control: 'choice',
    choices: ['none', 'uppercase', 'capitalize'],
    inherited: true,
    initial: 'none'
  },
  {
    property: 'text-decoration-line',
    label: 'Underline',
    control: 'choice',
    choices: ['none', 'underline'],
    initial: 'none'
  },
  { property: 'opacity', label: 'Opacity', control: 'number', initial: '1' },
  { property: 'box-shadow', label: 'Shadow', control: 'text', initial: 'none' },
  { property: 'translate', label: 'Move', control: 'lengths', initial: 'none' },
  { property: 'scale', label: 'Scale', control: 'number', initial: 'none' },
  { property: 'rotate', label: 'Turn', control: 'angle', initial: 'none' },
  { property: 'gap', label: 'Gap', control: 'length', initial: 'normal' },
  {
    property: 'cursor',
    label: 'Cursor',
    control: 'choice',
    choices: ['auto', 'default', 'pointer', 'not-allowed'],
    inherited: true,
    initial: 'auto'
  },
  { property: 'order', label: 'Order', control: 'number', initial: '0' },
  {
    property: '--k-hide',
    label: 'Shown',
    control: 'choice',
    choices: ['initial', 'none'],
    initial: 'initial'
  },
  { property: 'transition', label: 'Change', control: 'text', initial: 'all' }
];

export const STYLE_PROPERTIES: ReadonlyMap<string, StyleProperty> = new Map(
  rows.map((row) => [row.property, row])
);

/**
 * Properties that settings take values of, beside those of the state sheet; the build keeps the grammar of
 * these and no others.
 */
export const FIELD_PROPERTIES = [
  'height',
  'width',
  'background',
  'column-gap',
  'row-gap',
  'rotate',
  'scale'
] as const;

/** Rows every state sheet shows; a part may ask for more (see `Part.properties`). */
export const SHEET_PROPERTIES = [
  'background-color',
  'color',
  'border-color',
  'border-width',
  'border-radius',
  'padding',
  'outline',
  'outline-offset',
  'box-shadow',
  'opacity',
  'translate',
  'transition'
] as const;
