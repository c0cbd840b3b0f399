import type { ObjectSchema } from 'joi';
import { type DataFault, dataFault, type Fact, fact, quoted } from '../fault/index.js';
import { FIRST_LOGGED_YEAR, LAST_LOGGED_YEAR } from '../practice/index.js';

export type Checked<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly faults: readonly DataFault[] };

/** A complaint of the schema library, as it gives it. */
export interface Complaint {
  readonly type: string;
  readonly path: readonly (string | number)[];
  readonly message: string;
  readonly context?: { readonly limit?: unknown; readonly value?: unknown; readonly valids?: readonly unknown[] };
}
/** Values in one thing up to which all of its faults are looked for; a larger one is told its first fault. */
const MOST_LOOKED_THROUGH = 2_000;

/** How many values a thing holds, counted no further than `most`. */
function sizeOf(thing: unknown, most: number): number {
  const open: unknown[] = [thing];
  let n = 0;
  while (open.length && n <= most) {
    const next = open.pop();
    n++;
    if (typeof next === 'object' && next !== null) {
      const values: unknown[] = Object.values(next);
      // A list of a million entries is not spread out to be counted.
      if (values.length > most) return most + 1;
      open.push(...values);
    }
  }
  return n;
}

/** What the schema says of a thing: its value, or complaints, whose number stays small whatever the thing is. */
export function complaints<T>(
  schema: ObjectSchema,
  thing: unknown,
): { readonly value: T; readonly found: readonly Complaint[] } {
  type Result = { error?: { details: readonly Complaint[] }; value: T };
  const first = schema.required().validate(thing, { abortEarly: true, convert: false }) as Result;
  if (!first.error || sizeOf(thing, MOST_LOOKED_THROUGH) > MOST_LOOKED_THROUGH)
    return { value: first.value, found: first.error?.details ?? [] };
  const all = schema.required().validate(thing, { abortEarly: false, convert: false }) as Result;
  return { value: all.value, found: all.error?.details ?? [] };
}

/**
 * A thing through its schema and what the schema can't say.
 * @param at put before every path
 */
export function check<T>(
  schema: ObjectSchema,
  thing: unknown,
  more: (value: T) => readonly DataFault[] = () => [],
  at = '',
): Checked<T> {
  const { value, found } = complaints<T>(schema, thing);
  const faults = found.length
    ? found.map((c) => schemaFault(c, at))
    : more(value).map((f) => ({ ...f, path: joined(at, f.path) }));
  return faults.length ? { ok: false, faults } : { ok: true, value };
}

/** A complaint with its place, in our codes: the library's own speak of code, not of a file. */
export const schemaFault = (c: Complaint, at = ''): DataFault<SchemaFaultCode> => {
  const { code, about } = meant(c);
  return dataFault(joined(at, pathText(c.path)) || 'the file', code, ...about);
};
const pathText = (path: readonly (string | number)[]): string =>
  path.map((p, i) => (typeof p === 'number' ? `[${p}]` : `${i === 0 ? '' : '.'}${p.slice(0, 40)}`)).join('');
const joined = (at: string, path: string): string => at + (at && path && !path.startsWith('[') ? '.' : '') + path;

export type SchemaFaultCode =
  | 'missing'
  | 'no such field'
  | 'empty'
  | 'too many letters'
  | 'no date'
  | 'no day of practice'
  | 'name unseen'
  | 'not above 0'
  | 'below the least'
  | 'above the most'
  | 'list too long'
  | 'list too short'
  | 'list’s length'
  | 'entry missing'
  | 'id twice'
  | 'not one of these'
  | 'something else wanted'
  | 'can’t be read'
  | `${'text' | 'number' | 'whole number' | 'true or false' | 'list' | 'fields'} wanted`;

/** A value as it can be repeated to the player; '' for what is too large or too odd to be. */
const shown = (value: unknown): string =>
  typeof value === 'string'
    ? quoted(value)
    : typeof value === 'number' || typeof value === 'boolean' || value === null
      ? String(value)
      : Array.isArray(value)
        ? '[…]'
        : '';
const lengthOf = (value: unknown): number => (typeof value === 'string' || Array.isArray(value) ? value.length : 0);

function meant({ type, context = {} }: Complaint): Fact<SchemaFaultCode> {
  const value = shown(context.value);
  const length = lengthOf(context.value);
  const limit = typeof context.limit === 'number' ? context.limit : '';
  switch (type) {
    case 'any.required':
      return fact('missing');
    case 'object.unknown':
      return fact('no such field');
    case 'string.base':
      return fact('text wanted', value);
    case 'string.empty':
      return fact('empty');
    case 'string.max':
      return fact('too many letters', length, limit);
    case 'string.isoDate':
      return fact('no date', value);
    case 'date.year':
      return fact('no day of practice', value, FIRST_LOGGED_YEAR, LAST_LOGGED_YEAR);
    case 'name.unseen':
      return fact('name unseen');
    case 'number.base':
    case 'number.infinity':
    case 'number.unsafe':
      return fact('number wanted', value);
    case 'number.integer':
      return fact('whole number wanted', value);
    case 'number.min':
      return fact('below the least', value, limit);
    case 'number.max':
      return fact('above the most', value, limit);
    case 'number.positive':
      return fact('not above 0', value);
    case 'boolean.base':
      return fact('true or false wanted', value);
    case 'array.base':
      return fact('list wanted', value);
    case 'array.max':
      return fact('list too long', length, limit);
    case 'array.min':
      return fact('list too short', length, limit);
    case 'array.length':
      return fact('list’s length', length, limit);
    case 'array.sparse':
      return fact('entry missing');
    case 'array.unique':
      return fact('id twice');
    case 'object.base':
      return fact('fields wanted', value);
    default: {
      const known = (context.valids ?? []).filter((v) => v !== null).map(String);
      return known.length ? fact('not one of these', value, ...known) : fact('something else wanted', value);
    }
  }
}
