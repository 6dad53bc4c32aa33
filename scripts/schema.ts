import { statesOf } from '../src/core/cascade/states';
import { writeFileSync } from 'node:fs';
import type { AnySchema, SchemaObjectDescription } from 'yup';
import { STYLE_PROPERTIES } from '../src/core/css/properties';
import { ID_PATTERN } from '../src/core/project/ids';
import {
  CONDITIONS,
  FACE_TYPES,
  FILM_TYPES,
  FORMAT,
  PICTURE_TYPES,
  SUPPORT_TARGETS,
  TOKEN_TYPES
} from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { defined } from '../src/core/data/compact';
import { SHOWN } from '../src/core/rows/binding';
import { strict, text } from './json-schema';
import { ADDRESS } from '../src/core/project/files';
import { cell, format, query, source } from './schema-data';

/** The JSON Schema of project.json, made from the kinds, so that it cannot fall behind them. */
export function projectSchema(): object {
  const id = { type: 'string', pattern: ID_PATTERN.source };
  const declarations = {
    type: 'object',
    propertyNames: { enum: [...STYLE_PROPERTIES.keys()] },
    additionalProperties: text(500)
  };
  const conditions = {
    type: 'object',
    propertyNames: { enum: [...CONDITIONS] },
    additionalProperties: declarations
  };
  const effects = registry.effects.map(({ effect }) => effect);
  const node = registry.kinds.map(({ kind: name }) => {
    // With every effect, since any piece may have any.
    const kind = registry.of({ kind: name, effects });
    const fields = kind.settings.describe().fields as Record<string, SchemaObjectDescription>;
    const settings = Object.fromEntries(
      Object.entries(fields).map(([name, field]) => {
        const choices = (kind.settings.fields[name] as AnySchema).describe() as unknown as {
          oneOf: unknown[];
          label?: string;
        };
        return [
          name,
          defined({
            type: field.type === 'mixed' ? undefined : field.type,
            title: choices.label ?? name,
            default: field.default,
            enum: choices.oneOf.length > 0 ? choices.oneOf : undefined
          })
        ];
      })
    );
    const responsive = Object.fromEntries(
      Object.entries(settings).filter(
        ([name]) => (kind.settings.fields[name] as AnySchema).meta()?.field?.responsive
      )
    );
    const states = {
      type: 'object',
      propertyNames: { enum: [...statesOf(kind)] },
      additionalProperties: conditions
    };
    return {
      title: kind.label,
      ...strict(
        {
          id,
          kind: { const: kind.kind },
          name: { type: 'string', minLength: 1, maxLength: 120 },
          settings: strict(settings, Object.keys(settings)),
          adapt: {
            type: 'object',
            propertyNames: { enum: CONDITIONS.filter((name) => name !== 'always') },
            additionalProperties: strict(responsive, Object.keys(responsive))
          },
          slots: strict(
            Object.fromEntries(Object.keys(kind.slots).map((slot) => [slot, { type: 'array', items: id }])),
            Object.keys(kind.slots)
          ),
          styles: strict(
            Object.fromEntries(Object.keys(kind.anatomy).map((part) => [part, states])),
            Object.keys(kind.anatomy)
          ),
          effects: { type: 'array', items: { enum: effects }, uniqueItems: true, minItems: 1 },
          rows: { type: 'array', maxItems: 2000, items: { type: 'object', additionalProperties: cell } },
          query,
          binds: {
            type: 'object',
            propertyNames: { enum: [...Object.keys(settings), 'name', SHOWN] },
            additionalProperties: strict({ column: text(120), otherwise: cell, format }, [
              'otherwise',
              'format'
            ])
          },
          was: {
            type: 'object',
            propertyNames: { enum: registry.kinds.map((each) => each.kind) },
            additionalProperties: strict(
              {
                settings: { type: 'object' },
                adapt: { type: 'object' },
                styles: { type: 'object' },
                slots: { type: 'object', additionalProperties: { type: 'array', items: id } }
              },
              ['slots']
            )
          },
          linked: id
        },
        ['adapt', 'effects', 'rows', 'query', 'binds', 'was', 'linked']
      )
    };
  });
  const width = { type: 'integer', minimum: 280, maximum: 2400 };
  const size = { type: ['number', 'null'], minimum: 1 };
  const em = { type: 'number', minimum: 0, maximum: 10 };
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $defs: { node: { oneOf: node }, id },
    title: `project.json of a Kymation project file, format ${FORMAT}`,
    ...strict(
      {
        format: { const: FORMAT },
        id,
        info: strict(
          {
            name: { type: 'string', minLength: 1, maxLength: 120 },
            bands: strict({ medium: width, narrow: width }),
            support: { enum: [...SUPPORT_TARGETS] },
            aside: { type: 'object', additionalProperties: text(300) },
            pageOrder: { type: 'array', items: id, minItems: 1 }
          },
          ['support', 'aside']
        ),
        pages: {
          type: 'object',
          additionalProperties: strict(
            {
              id,
              name: text(120),
              title: text(500),
              description: text(2000),
              language: text(40),
              root: id,
              picture: id,
              address: { type: 'string', maxLength: 60, pattern: ADDRESS.source }
            },
            ['picture', 'address']
          )
        },
        nodes: { type: 'object', propertyNames: id, additionalProperties: { $ref: '#/$defs/node' } },
        assets: {
          type: 'object',
          additionalProperties: strict(
            {
              id,
              file: text(100),
              type: { enum: [...PICTURE_TYPES, ...FILM_TYPES, ...FACE_TYPES] },
              width: size,
              height: size,
              bytes: { type: 'integer', minimum: 0 },
              face: strict(
                {
                  family: text(100),
                  style: { enum: ['normal', 'italic'] },
                  weight: { type: 'array', items: { type: 'number' }, minItems: 2, maxItems: 2 },
                  ascent: em,
                  descent: em,
                  lineGap: em,
                  width: em,
                  allows: { enum: ['all', 'whole', 'none'] },
                  late: { enum: ['changes'] }
                },
                ['late']
              ),
              tones: { type: 'array', maxItems: 32, items: { type: 'string', pattern: '^#[0-9a-f]{8}$' } }
            },
            ['tones', 'face']
          )
        },
        tokens: {
          type: 'object',
          propertyNames: id,
          additionalProperties: strict({
            id,
            name: { type: 'string', minLength: 1, maxLength: 80 },
            type: { enum: [...TOKEN_TYPES] },
            value: text(500)
          })
        },
        shelf: {
          type: 'object',
          propertyNames: id,
          additionalProperties: strict({
            id,
            name: text(80),
            fragment: strict({
              root: id,
              nodes: { type: 'object', propertyNames: id, additionalProperties: { $ref: '#/$defs/node' } }
            })
          })
        },
        sources: { type: 'object', propertyNames: id, additionalProperties: source }
      },
      ['tokens', 'shelf', 'sources']
    )
  };
}

if (process.argv[1]?.endsWith('schema.ts')) {
  writeFileSync(
    new URL('../docs/project.schema.json', import.meta.url),
    `${JSON.stringify(projectSchema(), null, 2)}\n`
  );
}
