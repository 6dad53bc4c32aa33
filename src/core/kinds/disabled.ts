import type { Node } from '../project/types';

/** Whether an item is there and cannot be chosen. */
export const isDisabled = ({ settings }: Node): boolean => settings.disabled === true;
