// The floors of core, lowest first: a file imports from its own folder and from floors below, never upward.
import { dirname, relative, resolve, sep } from 'node:path';

/** Folders of core/src from the ground to the top. What stands on one line shares a floor and is in order too. */
export const FLOORS = [
  ...['time', 'fault', 'name', 'cycle', 'stroke', 'instrument', 'chord', 'search'],
  ...['catalogue'],
  ...['script', 'round'],
  ...['player', 'left-hand', 'passage', 'right-hand'],
  ...['chart', 'syllables', 'piece', 'falseta'],
  ...['score', 'notation'],
  ...['solve/fit-cycle', 'solve/finger-line', 'solve/voicings', 'solve/shape-row', 'solve/fret-line'],
  ...['solve/both-hands', 'solve/rank-keys', 'solve/bass-line', 'solve/comp'],
  ...['drill', 'sound', 'reading', 'practice', 'practice/plan'],
  ...['findings', 'findings/right-hand', 'findings/left-hand'],
  ...['format'],
  ...['exchange/written', 'exchange/foreign', 'exchange/midi', 'exchange/musicxml', 'exchange/files'],
  ...['words', 'words/en', 'words/en/refused', 'words/en/left-hand'],
];
const folderOf = (file, root) => {
  const parts = relative(root, file).split(sep);
  return FLOORS.find((f) => parts.slice(0, f.split('/').length).join('/') === f) ?? null;
};

/**
 * What speaks against an import, or null.
 * @param root core/src
 */
export function wrongWay(file, specifier, root) {
  const from = folderOf(file, root);
  if (!specifier.startsWith('.') || !from) return null;
  const to = folderOf(resolve(dirname(file), specifier), root);
  if (to === from) return null;
  if (!to) return `${specifier} is no floor of core: name its folder in tools/floors.mjs.`;
  return FLOORS.indexOf(to) < FLOORS.indexOf(from)
    ? null
    : `${from} stands below ${to}: arrows point downward only (tools/floors.mjs).`;
}

/** The rule that holds the floors. */
export const floorRule = {
  meta: { type: 'problem', schema: [{ type: 'string' }], messages: { upward: '{{ why }}' } },
  create(context) {
    const check = (node) => {
      const why = node.source && wrongWay(context.filename, node.source.value, context.options[0]);
      if (why) context.report({ node, messageId: 'upward', data: { why } });
    };
    return {
      ImportDeclaration: check,
      ExportNamedDeclaration: check,
      ExportAllDeclaration: check,
      ImportExpression: check,
    };
  },
};
