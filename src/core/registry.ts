import { button } from './blocks/button';
import { column } from './blocks/column';
import { columns } from './blocks/columns';
import { heading } from './blocks/heading';
import { image } from './blocks/image';
import { page } from './blocks/page';
import { panel } from './blocks/panel';
import { section } from './blocks/section';
import { text } from './blocks/text';
import { createRegistry } from './kinds/registry';
import { tabs } from './widgets/tabs';

/** Every kind there is, one line each, in the order they are offered. */
export const registry = createRegistry([
  page,
  section,
  heading,
  text,
  image,
  button,
  columns,
  column,
  tabs,
  panel
]);
