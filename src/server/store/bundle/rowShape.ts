import { z } from 'zod';
import { bundleBytes } from '~/schema/values/bundle';
import { columnsOf, type BundledTable } from './bundledTables';

/**
 * A row as a bundle carries it: the record's own shape where it has one, else every column by its kind. Bytes are told by where
 * they lie. Also what is published under docs/schemas/bundle.
 */
export function rowShape(one: BundledTable): z.ZodType {
  const { shape, bytes } = one;
  if (shape instanceof z.ZodObject) {
    const whole = shape;
    return bytes ? whole.extend({ [bytes.column]: bundleBytes }) : whole;
  }
  const fields: Record<string, z.ZodType> = {};
  for (const [name, column] of Object.entries(columnsOf(one))) {
    const own = bytes?.column === name ? bundleBytes : byKind(column.dataType);
    fields[name] = column.notNull ? own : own.nullable();
  }
  return z.strictObject(fields);
}

function byKind(kind: string): z.ZodType {
  switch (kind) {
    case 'string':
      return z.string();
    case 'number':
      return z.number();
    case 'boolean':
      return z.boolean();
    default:
      return z.unknown();
  }
}

/** A row of an older bundle with what its table has got since: columns that may be empty, or begin with something. */
export function filledUp(one: BundledTable, row: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const filled: Record<string, unknown> = { ...row };
  for (const [name, column] of Object.entries(columnsOf(one))) {
    if (name in filled) continue;
    if (column.default !== undefined) filled[name] = column.default;
    else if (!column.notNull) filled[name] = null;
  }
  return filled;
}
