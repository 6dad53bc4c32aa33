import { toggleField } from './fields';

/** The switch every effect has; it may be off under any condition. */
export const onField = (label: string) => toggleField(true, { label, view: 'behaviour', responsive: true });
