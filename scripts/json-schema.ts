/** Pieces that the JSON Schema of a project is written with. */

/** @param most greatest length in characters. */
export const text = (most: number) => ({ type: 'string', maxLength: most });

/** An object with these properties and no other. @param optional those that may be left out. */
export const strict = (properties: Record<string, object>, optional: readonly string[] = []) => ({
  type: 'object',
  properties,
  required: Object.keys(properties).filter((key) => !optional.includes(key)),
  additionalProperties: false
});
