import { quoted, type Range, type TextFault, textFault } from '../fault/index.js';
import { LONGEST_FORM, type Section } from './model.js';

export type FormFaultCode =
  | 'form too long'
  | 'form too large'
  | 'no such section'
  | 'two sections of the name'
  | 'nothing to close'
  | 'never closed'
  | 'how often'
  | 'number wanted'
  | 'too deep'
  | 'quotation open'
  | 'ending outside'
  | 'ending’s number'
  | 'nothing between';
export type FormFault = TextFault<FormFaultCode>;
/** A part of a form as it is written. */
export type FormItem =
  | { readonly kind: 'section'; readonly section: string; readonly range: Range }
  | { readonly kind: 'repeat'; readonly items: readonly FormItem[]; readonly times: number; readonly range: Range }
  /** Played in these passes of the repeat it stands in, counted from 1. */
  | {
      readonly kind: 'ending';
      readonly items: readonly FormItem[];
      readonly passes: readonly number[];
      readonly range: Range;
    };
export interface ReadForm {
  readonly items: readonly FormItem[];
  readonly faults: readonly FormFault[];
}
const MOST_TIMES = 64;
const DEEPEST = 6;
/** Sections of a form with its repeats written out. */
export const MOST_PARTS = 2_048;

export const FORM_TOKEN = /"((?:[^"]|"")*)("?)|\}(?:x([^\s{}[\]"]*))?|[{[\]]|[^\s{}[\]"]+/g;
/** A section’s name as a form writes it: in quotation marks where it would be read as something else. */
export const formName = (name: string): string =>
  /[\s{}[\]"]/.test(name) || name === '' ? `"${name.replace(/"/g, '""')}"` : name;

interface Open {
  readonly from: number;
  readonly sign: '{' | '[' | '';
  readonly items: FormItem[];
  passes: readonly number[] | null;
}

/**
 * Reads a form: sections by name, `{ … }x2` for repeats, `[1 First] [2 Second]` for endings inside them, quotation marks
 * round a name with white space. No text: every section once, in order.
 */
export function readForm(text: string, sections: readonly Pick<Section, 'id' | 'name'>[]): ReadForm {
  const faults: FormFault[] = [];
  if (text.length > LONGEST_FORM) {
    const beyond = { from: LONGEST_FORM, to: text.length };
    return { items: [], faults: [textFault(beyond, 'form too long', [LONGEST_FORM, text.length])] };
  }
  if (text.trim() === '')
    return { items: sections.map((s) => ({ kind: 'section', section: s.id, range: { from: 0, to: 0 } })), faults };
  const open: Open[] = [{ from: 0, sign: '', items: [], passes: null }];
  const say = (range: Range, code: FormFaultCode, about: readonly (string | number)[] = [], fix?: string) =>
    faults.push(textFault(range, code, about, fix));
  const close = (into: Open, inner: Open, to: number, times: number) => {
    const range = { from: inner.from, to };
    if (inner.items.length === 0) say(range, 'nothing between', [], '');
    else if (inner.sign === '{') into.items.push({ kind: 'repeat', items: inner.items, times, range });
    else into.items.push({ kind: 'ending', items: inner.items, passes: inner.passes ?? [1], range });
  };
  for (const m of text.matchAll(FORM_TOKEN)) {
    const [whole, inQuotes, closed, timesText] = m;
    const range = { from: m.index, to: m.index + whole.length };
    const here = open.at(-1) as Open;
    if (whole === '{' || whole === '[') {
      if (whole === '[' && here.sign !== '{') say(range, 'ending outside');
      if (open.length > DEEPEST) say(range, 'too deep', [DEEPEST]);
      else open.push({ from: range.from, sign: whole, items: [], passes: null });
    } else if (whole === ']' || whole.startsWith('}')) {
      const sign = whole === ']' ? '[' : '{';
      if (here.sign !== sign) say(range, 'nothing to close', [whole.slice(0, 1)], '');
      else {
        open.pop();
        close(open.at(-1) as Open, here, range.to, timesOf(timesText, sign, range, say));
      }
    } else if (inQuotes === undefined && here.sign === '[' && here.passes === null && here.items.length === 0) {
      here.passes = passesOf(whole);
      if (!here.passes) {
        say(range, 'ending’s number', [quoted(whole)]);
        here.passes = [1];
      }
    } else {
      if (inQuotes !== undefined && closed !== '"') say(range, 'quotation open', [], `${whole}"`);
      const name = inQuotes === undefined ? whole : inQuotes.replace(/""/g, '"').trim();
      const own = sections.filter((s) => s.name === name);
      if (own[0]) here.items.push({ kind: 'section', section: own[0].id, range });
      if (own.length > 1) say(range, 'two sections of the name', [quoted(name)]);
      if (own.length === 0)
        say(range, 'no such section', [quoted(name), ...sections.slice(0, 8).map((s) => formName(s.name))]);
    }
  }
  while (open.length > 1) {
    const inner = open.pop() as Open;
    const sign = inner.sign === '[' ? ']' : '}x2';
    say({ from: inner.from, to: inner.from + 1 }, 'never closed', [inner.sign, sign]);
    close(open.at(-1) as Open, inner, text.length, 2);
  }
  return { items: open[0]?.items ?? [], faults };
}
function timesOf(
  text: string | undefined,
  sign: '[' | '{',
  range: Range,
  say: (range: Range, code: FormFaultCode, about?: readonly (string | number)[], fix?: string) => void,
): number {
  if (sign === '[') return 1;
  const n = Number(text);
  if (text !== undefined && /^\d+$/.test(text) && n >= 1 && n <= MOST_TIMES) return n;
  if (text === undefined) say(range, 'how often', [], '}x2');
  else say(range, 'number wanted', ['}x', 1, MOST_TIMES], '}x2');
  return 2;
}
/** `1`, `1,3`, `1-3`. */
function passesOf(text: string): readonly number[] | null {
  const passes = text.split(',').flatMap((part) => {
    const m = /^(\d{1,2})(?:-(\d{1,2}))?\.?$/.exec(part);
    const [from, to] = [Number(m?.[1]), Number(m?.[2] ?? m?.[1])];
    return m && from >= 1 && to >= from ? Array.from({ length: to - from + 1 }, (_, i) => from + i) : [NaN];
  });
  return passes.length && passes.every(Number.isInteger) ? passes : null;
}

/** The order of sections with every repeat and ending written out; null when there are too many. */
export function unrolledOrder(items: readonly FormItem[]): readonly { section: string; range: Range }[] | null {
  const order: { section: string; range: Range }[] = [];
  const walk = (list: readonly FormItem[], pass: number): boolean =>
    list.every((item) => {
      if (item.kind === 'section') return order.push(item) <= MOST_PARTS;
      if (item.kind === 'ending') return !item.passes.includes(pass) || walk(item.items, pass);
      for (let n = 1; n <= item.times; n++) if (!walk(item.items, n)) return false;
      return true;
    });
  return walk(items, 1) ? order.map(({ section, range }) => ({ section, range })) : null;
}
