import { defined } from '../data/compact';
import type { FieldMeta } from './contract';
import { toggleField } from './fields';

/**
 * The switch every effect has; it may be off under any condition.
 * @param fixed conditions under which it cannot be off, and why.
 */
export const onField = (label: string, fixed?: FieldMeta['fixed']) =>
  toggleField(true, { label, view: 'behaviour', responsive: true, ...defined({ fixed }) });
