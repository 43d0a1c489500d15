/** What a JSON Schema says of one place of a text: which names may stand there, and what their values may be. */

export type JsonSchema = {
  $ref?: string;
  $defs?: Record<string, JsonSchema>;
  type?: string;
  properties?: Record<string, JsonSchema>;
  required?: string[];
  additionalProperties?: JsonSchema | boolean;
  items?: JsonSchema;
  prefixItems?: JsonSchema[];
  anyOf?: JsonSchema[];
  oneOf?: JsonSchema[];
  allOf?: JsonSchema[];
  enum?: unknown[];
  const?: unknown;
  default?: unknown;
  minimum?: number;
  exclusiveMinimum?: number;
  maximum?: number;
  minLength?: number;
  maxLength?: number;
};

export type JsonPath = readonly (string | number)[];

/** A schema may stand on itself; nothing honest is nested deeper. */
const DEEPEST = 20;

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Whether a value can still become one of a schema: what says which it is, says nothing else. */
const couldBe = (schema: JsonSchema, value: unknown): boolean => {
  if (schema.const !== undefined && value !== undefined && !isObject(value)) return schema.const === value;
  if (!isObject(value)) return true;
  return Object.entries(schema.properties ?? {}).every(([name, { const: only }]) => {
    const there = value[name];
    return only === undefined || there === undefined || there === only;
  });
};

/** A schema with everything it may be, those left away that the value cannot be. */
const alternatives = (root: JsonSchema, schema: JsonSchema, value: unknown, depth = 0): JsonSchema[] => {
  if (depth > DEEPEST) return [];
  if (schema.$ref !== undefined) {
    const name = schema.$ref.replace(/^#(\/\$defs\/)?/, '');
    const found = name === '' ? root : root.$defs?.[name];
    return found ? alternatives(root, found, value, depth + 1) : [];
  }
  const some = schema.anyOf ?? schema.oneOf ?? schema.allOf;
  if (some) return some.flatMap((one) => alternatives(root, one, value, depth + 1));
  return couldBe(schema, value) ? [schema] : [];
};

const within = (schema: JsonSchema, step: string | number): JsonSchema[] => {
  if (typeof step === 'number') {
    const one = schema.prefixItems?.[step] ?? schema.items;
    return one ? [one] : [];
  }
  const own = schema.properties?.[step];
  if (own) return [own];
  return typeof schema.additionalProperties === 'object' ? [schema.additionalProperties] : [];
};

const valueIn = (value: unknown, step: string | number): unknown =>
  typeof step === 'number' ? (Array.isArray(value) ? (value as unknown[])[step] : undefined) : isObject(value) ? value[step] : undefined;

/**
 * What a place may be.
 * @param value the whole as it was last read, so that of several kinds only the one that it is counts; undefined: unknown
 */
export const schemasAt = (root: JsonSchema, value: unknown, path: JsonPath): JsonSchema[] => {
  let [found, there] = [alternatives(root, root, value), value];
  for (const step of path) {
    there = valueIn(there, step);
    const inside = there;
    found = found.flatMap((schema) => within(schema, step)).flatMap((schema) => alternatives(root, schema, inside));
  }
  return found;
};

export type Name = { name: string; needed: boolean; schema: JsonSchema };

/** Names that may stand in an object at a place; those that are there already are left away. */
export const namesAt = (root: JsonSchema, value: unknown, path: JsonPath): Name[] => {
  const there = path.reduce(valueIn, value);
  const taken = new Set(isObject(there) ? Object.keys(there) : []);
  const names = new Map<string, Name>();
  for (const { properties = {}, required = [] } of schemasAt(root, value, path))
    for (const [name, schema] of Object.entries(properties))
      if (!taken.has(name) && !names.has(name)) names.set(name, { name, needed: required.includes(name), schema });
  return [...names.values()];
};

/** Values that a place may have, where they can be counted. */
export const valuesAt = (root: JsonSchema, value: unknown, path: JsonPath): unknown[] => [
  ...new Set(
    schemasAt(root, value, path).flatMap((schema) =>
      schema.const !== undefined ? [schema.const] : (schema.enum ?? (schema.type === 'boolean' ? [true, false] : [])),
    ),
  ),
];

export type Said =
  { is: 'one'; of: string[] } | { is: 'text' | 'figure' | 'list' | 'group' | 'yesNo'; from?: number | undefined; to?: number | undefined };

const sizeOf = (least: number | undefined, most: number | undefined) => ({
  ...(least === undefined ? {} : { from: least }),
  // Bounds that no figure comes near are none.
  ...(most === undefined || Math.abs(most) >= Number.MAX_SAFE_INTEGER ? {} : { to: most }),
});

/** What a value may be, for whoever writes it; nothing where a schema says nothing that helps. */
export const saidOf = (schema: JsonSchema): Said | undefined => {
  const { type, minimum, exclusiveMinimum, maximum, minLength, maxLength } = schema;
  const shown = (value: unknown): string => (typeof value === 'string' ? value : JSON.stringify(value));
  if (schema.const !== undefined) return { is: 'one', of: [shown(schema.const)] };
  if (schema.enum) return { is: 'one', of: schema.enum.map(shown) };
  if (type === 'string') return { is: 'text', ...sizeOf(minLength, maxLength) };
  if (type === 'number' || type === 'integer') {
    const least = minimum ?? exclusiveMinimum;
    return { is: 'figure', ...sizeOf(least !== undefined && Math.abs(least) < Number.MAX_SAFE_INTEGER ? least : undefined, maximum) };
  }
  if (type === 'boolean') return { is: 'yesNo' };
  if (type === 'array') return { is: 'list' };
  return type === 'object' ? { is: 'group' } : undefined;
};
