import type { Context } from './contract';

/** Whether opening the piece with this id takes a script: a popover opens without one. */
export const opensByScript = (id: string, ctx: Context): boolean =>
  Object.hasOwn(ctx.opener(id), 'dataKOpens');
