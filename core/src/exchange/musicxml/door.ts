import { strFromU8, unzipSync } from 'fflate';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { fact } from '../../fault/index.js';
import type { Refused } from '../foreign/model.js';

/** An element as the reader gives it: its name, its attributes and what is in it. */
export interface Node {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly Node[];
  readonly text: string;
}
/** Letters of a score's text; one of a thousand bars has about four million. */
export const LONGEST_XML = 24_000_000;
const DEEPEST = 64;
/** Elements of a score: the longest that is read has about twenty a note. */
export const MOST_ELEMENTS = 1_000_000;
/** Letters of the listing in a compressed file. */
const LONGEST_LISTING = 65_536;
const refuse = (...of: Parameters<typeof fact>): Refused => ({ refusal: fact(...of) as Refused['refusal'] });

/**
 * The root of an XML file, plain or from the compressed form; refused where it is no such file, declares entities of its
 * own, or breaks off.
 */
export function readXml(bytes: Uint8Array): Node | Refused {
  const text = textOf(bytes);
  if (typeof text !== 'string') return text;
  if (text.length > LONGEST_XML) return refuse('file too large', text.length, LONGEST_XML);
  if (text.trim() === '') return refuse('file empty');
  if (!/^\s*</.test(text)) return refuse('no such file');
  // A type declaration is passed over; one that brings its own entities is not.
  if (/<!ENTITY/i.test(text) || /<!DOCTYPE[^>[]*\[/i.test(text.slice(0, 10_000))) return refuse('entities');
  const { deepest, elements } = sizeOf(text);
  if (deepest > DEEPEST) return refuse('too deep', DEEPEST);
  if (elements > MOST_ELEMENTS) return refuse('too many elements', MOST_ELEMENTS);
  try {
    const valid = XMLValidator.validate(text);
    if (valid !== true) return refuse('breaks off', valid.err.line);
    const parser = new XMLParser({
      preserveOrder: true,
      ignoreAttributes: false,
      attributeNamePrefix: '',
      parseTagValue: false,
      parseAttributeValue: false,
      ignoreDeclaration: true,
      ignorePiTags: true,
      htmlEntities: true,
      maxNestedTags: DEEPEST + 1,
    });
    const root = nodesOf(parser.parse(text) as Raw[]).find((n) => n.name !== '#text');
    return root ?? refuse('no such file');
  } catch {
    // Whatever the reader stumbles over is no score.
    return refuse('no such file');
  }
}
type Raw = Readonly<Record<string, unknown>>;
const nodesOf = (raw: readonly Raw[]): Node[] =>
  raw.flatMap((own): Node[] => {
    const name = Object.keys(own).find((k) => k !== ':@');
    if (name === undefined || name === '#text') return [];
    const inside = own[name] as readonly Raw[];
    const text = inside.map((i) => (typeof i['#text'] === 'string' ? i['#text'] : '')).join('');
    return [
      { name, attributes: (own[':@'] ?? {}) as Node['attributes'], children: nodesOf(inside), text: text.trim() },
    ];
  });
/** How deep elements lie in each other, and how many they are; what stands in a comment is none. */
function sizeOf(text: string): { readonly deepest: number; readonly elements: number } {
  let [depth, deepest, elements] = [0, 0, 0];
  for (let at = text.indexOf('<'); at >= 0; at = text.indexOf('<', at + 1)) {
    const next = text[at + 1];
    if (next === '!' || next === '?') {
      const close = text.startsWith('<!--', at) ? '-->' : text.startsWith('<![CDATA[', at) ? ']]>' : '';
      const end = close ? text.indexOf(close, at + 4) : at;
      if (end < 0) break;
      at = end;
      continue;
    }
    if (next === '/') depth--;
    else {
      const end = text.indexOf('>', at);
      if (end < 0 || ++elements > MOST_ELEMENTS) break;
      if (text[end - 1] !== '/') deepest = Math.max(deepest, ++depth);
    }
  }
  return { deepest, elements };
}

/** Part of every engine that runs this, whatever else it has. */
declare const TextDecoder: new (label: string, options: { fatal: boolean }) => { decode(bytes: Uint8Array): string };
const ZIP = [0x50, 0x4b, 0x03, 0x04];
export const isZip = (bytes: Uint8Array): boolean => ZIP.every((b, n) => bytes[n] === b);
function textOf(bytes: Uint8Array): string | Refused {
  if (bytes.length === 0) return refuse('file empty');
  if (bytes.length > LONGEST_XML) return refuse('file too large', bytes.length, LONGEST_XML);
  return isZip(bytes) ? fromZip(bytes) : decoded(bytes);
}
/** The text of the score that a compressed file names as its first; no more is unpacked than that. */
function fromZip(bytes: Uint8Array): string | Refused {
  let tooLarge = false;
  const take = (wanted: (name: string) => boolean) => {
    try {
      return unzipSync(bytes, {
        filter: ({ name, originalSize }) => {
          if (!wanted(name)) return false;
          tooLarge ||= originalSize > LONGEST_XML;
          return originalSize <= LONGEST_XML;
        },
      });
    } catch {
      return null;
    }
  };
  const names: string[] = [];
  const container = take((name) => {
    if (names.length < 1_000) names.push(name);
    return name === 'META-INF/container.xml';
  });
  if (!container) return refuse('zip broken');
  const [listing] = Object.values(container);
  const path =
    pathIn(listing ? strFromU8(listing.subarray(0, LONGEST_LISTING)) : '') ??
    names.find((n) => /\.(?:musicxml|xml)$/i.test(n) && !n.startsWith('META-INF/'));
  if (path === undefined) return refuse('no score in the zip');
  const files = take((name) => name === path);
  if (tooLarge) return refuse('zip too large', LONGEST_XML);
  if (!files) return refuse('zip broken');
  const [score] = Object.values(files);
  return score ? decoded(score) : refuse('no score in the zip');
}
/** The path of the first file that a listing names. */
function pathIn(listing: string): string | undefined {
  for (let at = listing.indexOf('<rootfile'); at >= 0; at = listing.indexOf('<rootfile', at + 1)) {
    const end = listing.indexOf('>', at);
    const next = listing.indexOf('<', at + 1);
    if (end < 0) return undefined;
    // A tag that never closes before the next one begins is none.
    if (next >= 0 && next < end) continue;
    const path = /\sfull-path\s*=\s*["']([^"']+)["']/.exec(listing.slice(at, end))?.[1];
    if (path !== undefined) return path;
  }
  return undefined;
}
/** A text by the mark at its beginning, or by the encoding that it says it has. */
export function decoded(bytes: Uint8Array): string | Refused {
  const [a, b, c] = bytes;
  const marked = a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : null;
  const bare = a === 0x3c && b === 0x00 ? 'utf-16le' : a === 0x00 && b === 0x3c ? 'utf-16be' : null;
  const said = /^<\?xml[^>]*encoding\s*=\s*["']([\w.-]+)["']/.exec(strFromU8(bytes.subarray(0, 200), true))?.[1];
  const label = marked ?? bare ?? (a === 0xef && b === 0xbb && c === 0xbf ? 'utf-8' : (said ?? 'utf-8'));
  try {
    return new TextDecoder(label, { fatal: true }).decode(bytes);
  } catch {
    return refuse('encoding not known', label.slice(0, 20));
  }
}

/** The first child of a name. */
export const child = (of: Node | undefined, name: string): Node | undefined =>
  of?.children.find((c) => c.name === name);
export const children = (of: Node | undefined, name: string): Node[] =>
  of?.children.filter((c) => c.name === name) ?? [];
export const textIn = (of: Node | undefined, name: string): string => child(of, name)?.text ?? '';
/** A number in a child; null where there is none, or no number. */
export function numberIn(of: Node | undefined, name: string): number | null {
  const text = textIn(of, name);
  const n = Number(text);
  return text !== '' && Number.isFinite(n) ? n : null;
}
