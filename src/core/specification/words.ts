import type { AnySchema } from 'yup';
import type { FieldMeta } from '../kinds/contract';
import { moves, type Track } from '../motion/track';
import type { AssetId, NodeId, Project } from '../project/types';

/** A field of a kind's settings, as people meet it. */
export interface FieldWords extends FieldMeta {
  readonly key: string;
  readonly label: string;
}

type Entry = readonly [key: string, schema: AnySchema];

export function maybeField([key, schema]: Entry): FieldWords | null {
  const meta = schema.meta()?.field;
  return meta ? { ...meta, key, label: schema.spec.label ?? key } : null;
}

function trackWords(track: Track, { choices = {} }: FieldWords): string {
  if (!moves(track)) return choices.none ?? 'none';
  const delay = track.delay === 0 ? '' : `, after ${track.delay} ms`;
  const step = track.step === 0 ? '' : `, ${track.step} ms apart`;
  return `${choices[track.form] ?? track.form}, ${track.ms} ms ${track.easing}${delay}${step}`;
}

type Say = (value: unknown, field: FieldWords, project: Project) => string;

const nameOfPiece: Say = (value, _field, { nodes }) => nodes[value as NodeId]?.name ?? '—';

/** How values are said that are not simply written. */
const SAID: Readonly<Partial<Record<FieldMeta['control'], Say>>> = {
  toggle: (value) => (value ? 'yes' : 'no'),
  choice: (value, { choices = {} }) => choices[String(value)] ?? String(value),
  track: (value, field) => trackWords(value as Track, field),
  piece: nameOfPiece,
  item: nameOfPiece,
  asset: (value, _field, { assets }) => assets[value as AssetId]?.file ?? '—',
  icon: (value) => (value as { readonly name?: string } | null)?.name ?? '—',
  width: (value) => (value === 0 ? 'never' : `${String(value)} px`),
  number: (value, { unit = '' }) => `${String(value)} ${unit}`.trim()
};

/** @returns a setting's value as one reads it in the workbench; a dash for nothing. */
export function settingWords(value: unknown, field: FieldWords, project: Project): string {
  const say = SAID[field.control];
  if (say) return say(value, field, project);
  const plain =
    typeof value === 'string' || typeof value === 'number' ? String(value) : JSON.stringify(value ?? '');
  return plain === '' || plain === '""' ? '—' : plain;
}
