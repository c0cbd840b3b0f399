import type { ObjectSchema } from 'joi';
import { type DataFault, quoted } from '../fault/index.js';
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
    : more(value).map((f) => ({ path: joined(at, f.path), message: f.message }));
  return faults.length ? { ok: false, faults } : { ok: true, value };
}

/** A complaint as a path and a sentence. */
export const schemaFault = (c: Complaint, at = ''): DataFault => ({
  path: joined(at, pathText(c.path)) || 'the file',
  message: sentence(c),
});
const pathText = (path: readonly (string | number)[]): string =>
  path.map((p, i) => (typeof p === 'number' ? `[${p}]` : `${i === 0 ? '' : '.'}${p.slice(0, 40)}`)).join('');
const joined = (at: string, path: string): string => at + (at && path && !path.startsWith('[') ? '.' : '') + path;

const said = (value: unknown): string =>
  typeof value === 'string'
    ? quoted(value)
    : typeof value === 'number' || typeof value === 'boolean' || value === null
      ? String(value)
      : Array.isArray(value)
        ? 'a list'
        : 'something else';
const lengthOf = (value: unknown): number => (typeof value === 'string' || Array.isArray(value) ? value.length : 0);

/** What a complaint means, by its code; the library's own words speak of code, not of a file. */
function sentence({ type, context = {} }: Complaint): string {
  const { value, limit } = context;
  const most = typeof limit === 'number' ? String(limit) : 'the other figure';
  switch (type) {
    case 'any.required':
      return 'It is missing.';
    case 'object.unknown':
      return 'No such field belongs here.';
    case 'string.base':
      return `It is ${said(value)}; a text belongs here.`;
    case 'string.empty':
      return 'It is empty.';
    case 'string.max':
      return `It has ${lengthOf(value)} letters; ${most} are the most.`;
    case 'string.isoDate':
      return `${said(value)} is no date and time such as 2026-05-01T18:00:00.000Z.`;
    case 'date.year':
      return `${said(value)} is no day of practice: years run from ${FIRST_LOGGED_YEAR} to ${LAST_LOGGED_YEAR}.`;
    case 'name.unseen':
      return 'Nothing of this name can be seen; give it letters.';
    case 'number.base':
    case 'number.infinity':
    case 'number.unsafe':
      return `It is ${said(value)}; a number belongs here.`;
    case 'number.integer':
      return `It is ${said(value)}; a whole number belongs here.`;
    case 'number.min':
      return `It is ${said(value)}; ${most} is the least.`;
    case 'number.max':
      return `It is ${said(value)}; ${most} is the most.`;
    case 'number.positive':
      return `It is ${said(value)}; it has to be more than 0.`;
    case 'boolean.base':
      return `It is ${said(value)}; true or false belongs here.`;
    case 'array.base':
      return `It is ${said(value)}; a list belongs here.`;
    case 'array.max':
      return `It holds ${lengthOf(value)}; ${most} are the most.`;
    case 'array.min':
      return `It holds ${lengthOf(value)}; ${most} is the least.`;
    case 'array.length':
      return `It holds ${lengthOf(value)}; exactly ${most} belong here.`;
    case 'array.sparse':
      return 'An entry of the list is missing.';
    case 'array.unique':
      return 'Its id stands here twice.';
    case 'object.base':
      return `It is ${said(value)}; fields in { … } belong here.`;
    case 'any.only':
    case 'alternatives.match':
    case 'alternatives.types':
    case 'alternatives.any': {
      const known = (context.valids ?? []).filter((v) => v !== null).map(String);
      return `It is ${said(value)}; ${known.length ? `it can be ${known.join(', ')}` : 'something else belongs here'}.`;
    }
    default:
      return 'It is not what belongs here.';
  }
}
