import { button } from './blocks/button';
import { column } from './blocks/column';
import { columns } from './blocks/columns';
import { drawer } from './blocks/drawer';
import { heading } from './blocks/heading';
import { embed } from './blocks/embed';
import { figure } from './blocks/figure';
import { icon } from './blocks/icon';
import { image } from './blocks/image';
import { layer } from './blocks/layer';
import { layers } from './blocks/layers';
import { link } from './blocks/link';
import { links } from './blocks/links';
import { page } from './blocks/page';
import { panel } from './blocks/panel';
import { quote } from './blocks/quote';
import { section } from './blocks/section';
import { separator } from './blocks/separator';
import { stack } from './blocks/stack';
import { text } from './blocks/text';
import { video } from './blocks/video';
import { enter } from './effects/enter';
import { sticky } from './effects/sticky';
import { accordion } from './widgets/accordion';
import { createRegistry } from './kinds/registry';
import { tabs } from './widgets/tabs';

/** Every kind there is, one line each, in the order they are offered. */
const kinds = [
  page,
  section,
  heading,
  text,
  image,
  button,
  icon,
  links,
  link,
  quote,
  figure,
  separator,
  drawer,
  video,
  embed,
  stack,
  columns,
  column,
  layers,
  layer,
  tabs,
  accordion,
  panel
];

/** Every effect there is, one line each, in the order they are offered. */
const effects = [sticky, enter];

export const registry = createRegistry(kinds, effects);
