/**
 * What a type style holds, in the order it is written; the five values of the Design Tokens format's
 * `typography` (section 9.7).
 */
export const TYPE_MEMBERS = [
  'font-family',
  'font-size',
  'font-weight',
  'line-height',
  'letter-spacing'
] as const;
export type TypeMember = (typeof TYPE_MEMBERS)[number];
export type TypeStyle = Readonly<Record<TypeMember, string>>;

export type ReadTypeStyle =
  { readonly ok: true; readonly style: TypeStyle } | { readonly ok: false; readonly sentence: string };

export const isTypeMember = (property: string): property is TypeMember =>
  (TYPE_MEMBERS as readonly string[]).includes(property);

/**
 * Reads the value of a type-style token: all five properties as declarations, in any order. Whether each is a
 * value of its property is not looked at.
 */
export function readTypeStyle(text: string): ReadTypeStyle {
  const found = new Map<string, string>();
  for (const declaration of text.split(';').filter((each) => each.trim() !== '')) {
    const colon = declaration.indexOf(':');
    const property = declaration.slice(0, Math.max(0, colon)).trim().toLowerCase();
    if (!isTypeMember(property))
      return {
        ok: false,
        sentence: `A type style has ${TYPE_MEMBERS.join(', ')}; “${declaration.trim().slice(0, 60)}” is none of them.`
      };
    if (found.has(property)) return { ok: false, sentence: `The type style gives its ${property} twice.` };
    found.set(property, declaration.slice(colon + 1).trim());
  }
  const missing = TYPE_MEMBERS.filter((member) => !found.get(member));
  return missing.length === 0
    ? { ok: true, style: Object.fromEntries(found) as TypeStyle }
    : { ok: false, sentence: `The type style has no ${missing.join(' and no ')}.` };
}

/** @returns the style as the value of a token. */
export const printTypeStyle = (style: TypeStyle): string =>
  TYPE_MEMBERS.map((member) => `${member}: ${style[member]}`).join('; ');
