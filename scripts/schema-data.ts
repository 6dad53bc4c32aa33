import { COLUMN_TYPES, COMPARISONS, ORIGINS } from '../src/core/project/types';
import { LIMITS } from '../src/core/tables/table';
import { strict, text } from './json-schema';

/** Parts of the JSON Schema that are about lists and where their rows come from. */

const column = text(LIMITS.name + 8);
export const cell = { type: ['string', 'number', 'boolean', 'null'] };

export const query = strict({
  source: { $ref: '#/$defs/id' },
  where: {
    type: 'array',
    maxItems: 20,
    items: strict({ column, is: { enum: [...COMPARISONS] }, value: text(500) })
  },
  any: { type: 'boolean' },
  by: column,
  down: { type: 'boolean' },
  most: { type: 'integer', minimum: 0, maximum: 2000 },
  skip: { type: 'integer', minimum: 0, maximum: LIMITS.rows }
});

/** How a value of a column is written. */
export const format = {
  oneOf: [
    strict({ as: { const: 'number' }, decimals: { type: 'integer', minimum: 0, maximum: 6 } }),
    strict({ as: { const: 'money' }, currency: { type: 'string', pattern: '^[A-Z]{3}$' } }),
    strict({ as: { const: 'date' }, style: { enum: ['short', 'medium', 'long'] } })
  ]
};

export const source = strict({
  id: { $ref: '#/$defs/id' },
  name: { type: 'string', minLength: 1, maxLength: 120 },
  origin: { enum: [...ORIGINS] },
  place: text(2000),
  taken: text(40),
  columns: {
    type: 'array',
    maxItems: LIMITS.columns,
    items: strict({ name: column, type: { enum: [...COLUMN_TYPES] } })
  },
  rows: { type: 'array', maxItems: LIMITS.rows, items: { type: 'object', additionalProperties: cell } }
});
