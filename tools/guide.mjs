// The guide as the application shows it, made from docs/guide.md: headings, paragraphs and lists of plain pieces of text.
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { marked } from 'marked';
import { ROOT } from './steps.mjs';

const AS = { strong: 'strong', em: 'em', codespan: 'code' };
const ENTITIES = { '&quot;': '"', '&#39;': "'", '&lt;': '<', '&gt;': '>', '&amp;': '&' };
const plain = (text) => text.replace(/&(?:quot|#39|lt|gt|amp);/g, (e) => ENTITIES[e]).replace(/\s+/g, ' ');

/** Pieces of text, each with how it stands out. */
const piecesOf = (tokens) =>
  tokens.flatMap((t) => {
    if (t.type === 'strong' || t.type === 'em' || t.type === 'codespan')
      return [{ text: plain(t.text), as: AS[t.type] }];
    if (t.type === 'text' && !t.tokens) return [{ text: plain(t.text) }];
    if (t.type === 'escape') return [{ text: plain(t.text) }];
    if (t.tokens && t.type !== 'image') return piecesOf(t.tokens);
    throw new Error(`The guide has ${t.type}, which the application does not show: ${t.raw}`);
  });

/**
 * @param markdown headings, paragraphs and lists, no more
 * @returns blocks: { kind: 'heading', depth, text } | { kind: 'paragraph', text } | { kind: 'list', from, items }
 */
export const guideOf = (markdown) =>
  marked.lexer(markdown).flatMap((t) => {
    if (t.type === 'space') return [];
    if (t.type === 'heading') return [{ kind: 'heading', depth: t.depth, text: piecesOf(t.tokens) }];
    if (t.type === 'paragraph') return [{ kind: 'paragraph', text: piecesOf(t.tokens) }];
    if (t.type === 'list')
      return [
        { kind: 'list', from: t.ordered ? Number(t.start) : null, items: t.items.map((i) => piecesOf(i.tokens)) },
      ];
    throw new Error(`The guide has ${t.type}, which the application does not show: ${t.raw}`);
  });

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const blocks = guideOf(await readFile(join(ROOT, 'docs/guide.md'), 'utf8'));
  await mkdir(join(ROOT, 'web/public/guide'), { recursive: true });
  await writeFile(join(ROOT, 'web/public/guide/guide.json'), JSON.stringify(blocks));
}
