import type { Range } from '../fault/index.js';

export interface Token extends Range {
  readonly text: string;
}

/**
 * A script cut into what stands for something. Brackets and bars stand for themselves, `<a name>` is one token with
 * its white space, `]:3` and `}x4` are one token; all else runs to white space.
 */
export function tokens(text: string): Token[] {
  const found: Token[] = [];
  const pattern = /<[^<>|[\]{}]*>?|\](?::[^\s[\]{}|<]*)?|\}(?:x[^\s[\]{}|<]*)?|[[{|]|[^\s[\]{}|<]+/g;
  for (const m of text.matchAll(pattern)) found.push({ text: m[0], from: m.index, to: m.index + m[0].length });
  return found;
}
