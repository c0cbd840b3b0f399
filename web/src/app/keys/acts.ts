/** Where an act can be done: in every place, or in one of them. */
export type Scope = 'everywhere' | 'wheel' | 'neck' | 'weave' | 'practise' | 'shelf';
export const SCOPES: readonly Scope[] = ['everywhere', 'wheel', 'neck', 'weave', 'practise', 'shelf'];

/** What a player can do by a key. Its name stands in `words/acts.ts` by its id. */
export interface Act {
  readonly id: string;
  readonly scope: Scope;
  /** As keyboards name them, letters small; with `Shift+` or `Ctrl+` before. */
  readonly keys: readonly string[];
  /** The panel that it opens. */
  readonly panel?: string;
}

/**
 * Every act, scope by scope in the order in which they are asked and listed. Of two with the same key in one scope the
 * first that can be done is done; a place is asked before what holds everywhere.
 */
export const ACTS = [
  { id: 'play', scope: 'everywhere', keys: [' '] },
  { id: 'tap', scope: 'everywhere', keys: ['Enter'] },
  { id: 'slower', scope: 'everywhere', keys: ['['] },
  { id: 'faster', scope: 'everywhere', keys: [']'] },
  { id: 'loop', scope: 'everywhere', keys: ['l'] },
  { id: 'count-in', scope: 'everywhere', keys: ['c'] },
  { id: 'to wheel', scope: 'everywhere', keys: ['1'] },
  { id: 'to neck', scope: 'everywhere', keys: ['2'] },
  { id: 'to weave', scope: 'everywhere', keys: ['3'] },
  { id: 'to practise', scope: 'everywhere', keys: ['4'] },
  { id: 'to logbook', scope: 'everywhere', keys: ['6'] },
  { id: 'to shelf', scope: 'everywhere', keys: ['7'] },
  { id: 'new study', scope: 'everywhere', keys: ['0'] },
  { id: 'undo', scope: 'everywhere', keys: ['Ctrl+z'] },
  { id: 'redo', scope: 'everywhere', keys: ['Ctrl+Shift+z', 'Ctrl+y'] },
  { id: 'export', scope: 'everywhere', keys: ['Ctrl+s'] },
  { id: 'keys', scope: 'everywhere', keys: ['?'] },
  // Leaving is the keys' own: whatever has the focus lets it go.
  { id: 'leave', scope: 'everywhere', keys: ['Escape'] },

  { id: 'slot before', scope: 'wheel', keys: ['ArrowLeft'] },
  { id: 'slot after', scope: 'wheel', keys: ['ArrowRight'] },
  { id: 'turn after', scope: 'wheel', keys: ['PageDown'] },
  { id: 'turn before', scope: 'wheel', keys: ['PageUp'] },
  { id: 'script', scope: 'wheel', keys: ['s'] },
  { id: 'write in', scope: 'wheel', keys: ['k'] },
  { id: 'letters', scope: 'wheel', keys: ['x'] },
  { id: 'findings', scope: 'wheel', keys: ['w'], panel: 'findings' },
  { id: 'accents', scope: 'wheel', keys: ['r'], panel: 'accents' },
  { id: 'fit', scope: 'wheel', keys: ['f'], panel: 'fit' },
  { id: 'line', scope: 'wheel', keys: ['n'], panel: 'line' },
  { id: 'drills', scope: 'wheel', keys: ['t'], panel: 'drills' },
  { id: 'shape', scope: 'wheel', keys: ['h'], panel: 'shape' },
  { id: 'cycle', scope: 'wheel', keys: ['y'], panel: 'cycle' },
  { id: 'no slot', scope: 'wheel', keys: ['Escape'] },
  { id: 'finger', scope: 'wheel', keys: ['p', 'i', 'm', 'a', 'e'] },
  { id: 'direction', scope: 'wheel', keys: ['d', 'u'] },
  { id: 'golpe', scope: 'wheel', keys: ['g'] },
  { id: 'accent', scope: 'wheel', keys: ['!'] },
  { id: 'silence', scope: 'wheel', keys: ['.', '-'] },

  { id: 'note before', scope: 'neck', keys: ['Shift+ArrowLeft'] },
  { id: 'note after', scope: 'neck', keys: ['Shift+ArrowRight'] },
  { id: 'shape before', scope: 'neck', keys: ['ArrowLeft'] },
  { id: 'shape after', scope: 'neck', keys: ['ArrowRight'] },
  { id: 'next string', scope: 'neck', keys: ['ArrowUp', 'ArrowDown'] },
  { id: 'fret', scope: 'neck', keys: ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9'] },
  { id: 'fret on', scope: 'neck', keys: ['+', '-'] },
  { id: 'string silent', scope: 'neck', keys: ['x'] },
  { id: 'blocks', scope: 'neck', keys: ['b'] },
  { id: 'to shapes', scope: 'neck', keys: ['Escape'] },
  { id: 'keep shape', scope: 'neck', keys: ['Enter'] },
  { id: 'changes', scope: 'neck', keys: ['h'], panel: 'changes' },
  { id: 'find', scope: 'neck', keys: ['f'], panel: 'find' },
  { id: 'row', scope: 'neck', keys: ['r'], panel: 'row' },
  { id: 'melody', scope: 'neck', keys: ['m'], panel: 'melody' },

  { id: 'bar before', scope: 'weave', keys: ['Shift+ArrowLeft'] },
  { id: 'bar after', scope: 'weave', keys: ['Shift+ArrowRight'] },
  { id: 'step before', scope: 'weave', keys: ['ArrowLeft'] },
  { id: 'step after', scope: 'weave', keys: ['ArrowRight'] },
  { id: 'string up', scope: 'weave', keys: ['ArrowUp'] },
  { id: 'string down', scope: 'weave', keys: ['ArrowDown'] },
  { id: 'first step', scope: 'weave', keys: ['Home'] },
  { id: 'last step', scope: 'weave', keys: ['End'] },
  { id: 'script of the bar', scope: 'weave', keys: ['s'] },
  { id: 'bar again', scope: 'weave', keys: ['r'] },
  { id: 'apart', scope: 'weave', keys: ['w'] },
  { id: 'range', scope: 'weave', keys: ['v'] },
  { id: 'no string', scope: 'weave', keys: ['Escape'] },
  { id: 'fret here', scope: 'weave', keys: ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9'] },
  { id: 'left finger', scope: 'weave', keys: ['='] },
  { id: 'take away', scope: 'weave', keys: ['Delete', 'Backspace'] },
  { id: 'stroke', scope: 'weave', keys: ['p', 'i', 'm', 'a', 'e', 'd', 'u', 'g', '!', '.', '-'] },
  { id: 'chart', scope: 'weave', keys: ['h'], panel: 'chart' },
  { id: 'falseta', scope: 'weave', keys: ['t'], panel: 'falseta' },
  { id: 'comping', scope: 'weave', keys: ['o'], panel: 'comping' },
  { id: 'bass', scope: 'weave', keys: ['b'], panel: 'bass' },
  { id: 'form', scope: 'weave', keys: ['f'], panel: 'form' },
  { id: 'conflicts', scope: 'weave', keys: ['x'], panel: 'conflicts' },
  { id: 'key and capo', scope: 'weave', keys: ['k'], panel: 'keys' },
  { id: 'files', scope: 'weave', keys: ['y'], panel: 'files' },

  { id: 'clean', scope: 'practise', keys: ['PageDown'] },
  { id: 'not clean', scope: 'practise', keys: ['PageUp'] },
  { id: 'next drill', scope: 'practise', keys: ['n'] },
  { id: 'stand view', scope: 'practise', keys: ['v'] },
  { id: 'leave stand view', scope: 'practise', keys: ['Escape'] },

  // While a hand is measured letters answer, and mean nothing else.
  { id: 'measured', scope: 'shelf', keys: [...'abcdefghijklmnopqrstuvwxyz'] },
  { id: 'measure', scope: 'shelf', keys: ['m'] },
] as const satisfies readonly Act[];

export type ActId = (typeof ACTS)[number]['id'];
/** The acts of a scope. */
export type ActOf<S extends Scope> = Extract<(typeof ACTS)[number], { readonly scope: S }>['id'];
/** Acts of a place that open one of its panels. */
export type PanelActOf<S extends Scope> = Extract<
  (typeof ACTS)[number],
  { readonly scope: S; readonly panel: string }
>['id'];

const ALL: readonly Act[] = ACTS;
/** @example actsOf('shelf').map((a) => a.keys[0]) // ['m'] */
export const actsOf = (scope: Scope): readonly Act[] => ALL.filter((a) => a.scope === scope);
/** The letters of a place's panels, in their order. */
export const panelLetters = (scope: Scope): string =>
  actsOf(scope)
    .filter((a) => a.panel !== undefined)
    .map((a) => a.keys[0])
    .join('');
/** The first key of an act. @example keyOf('to weave') // '3' */
export const keyOf = (id: ActId): string => ALL.find((a) => a.id === id)?.keys[0] ?? '';
/** A pressed key as the table names it; with Shift first as with, then as without. */
export function namesOfKey(e: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey'>): readonly string[] {
  const plain = e.key.length === 1 ? e.key.toLowerCase() : e.key;
  if (e.ctrlKey || e.metaKey) return [`Ctrl+${e.shiftKey ? 'Shift+' : ''}${plain}`];
  return e.shiftKey && e.key.length > 1 ? [`Shift+${plain}`, plain] : [plain];
}
