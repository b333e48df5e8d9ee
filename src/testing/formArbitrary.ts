import fc from 'fast-check';
import type * as z from 'zod';

/** What people type: numbers of any size and writing, days, words, nothing, and far too much. */
const typed = fc.oneof(
  {
    weight: 3,
    arbitrary: fc.constantFrom('', ' ', '0', '1', '2', '5', '35', '1,5', '0.0625', '-3'),
  },
  { weight: 2, arbitrary: fc.double({ noNaN: true }).map(String) },
  fc.constantFrom('1e308', '1e400', '999999', '1000001', '1e-9', 'NaN', 'Infinity', 'ten', '½'),
  fc.constantFrom('2026-11-04', '2026-02-31', '1026-01-01', '9999-12-31', 'yesterday', '12-11'),
  fc.string({ unit: 'grapheme', maxLength: 70 }),
  fc.constantFrom('x'.repeat(61), 'x'.repeat(4001)),
);

/** Keys of a record of the form: those of its enum, or a few letters. */
function keysOf(schema: z.core.$ZodType): fc.Arbitrary<string> {
  const entries = (schema as unknown as { def: { entries?: Record<string, string> } }).def.entries;
  return entries ? fc.constantFrom(...Object.values(entries)) : fc.string({ maxLength: 8 });
}

/**
 * Anything that a form's fields may hold, made from their schema.
 * @throws RangeError for a kind of field that no form had when this was written
 */
export function formArbitrary(schema: z.core.$ZodType): fc.Arbitrary<unknown> {
  const { def } = schema as z.ZodType & { def: { type: string } };
  const parts = def as unknown as {
    shape: Record<string, z.core.$ZodType>;
    innerType: z.core.$ZodType;
    element: z.core.$ZodType;
    entries: Record<string, string>;
    values: unknown[];
    keyType: z.core.$ZodType;
    valueType: z.core.$ZodType;
    options: z.core.$ZodType[];
  };
  switch (def.type) {
    case 'string':
      return typed;
    case 'boolean':
      return fc.boolean();
    case 'enum':
      return fc.constantFrom(...Object.values(parts.entries));
    case 'literal':
      return fc.constantFrom(...parts.values);
    case 'nullable':
      return fc.option(formArbitrary(parts.innerType), { nil: null });
    case 'optional':
      return fc.option(formArbitrary(parts.innerType), { nil: undefined });
    case 'union':
      return fc.oneof(...parts.options.map(formArbitrary));
    case 'record':
      return fc.dictionary(keysOf(parts.keyType), formArbitrary(parts.valueType), { maxKeys: 3 });
    case 'array':
      return fc.array(formArbitrary(parts.element), { maxLength: 4 });
    case 'object':
      return fc.record(
        Object.fromEntries(
          Object.entries(parts.shape).map(([name, field]) => [name, formArbitrary(field)]),
        ),
      );
  }
  throw new RangeError(`No arbitrary for a field of type ${def.type}.`);
}
