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
  /** Its buttons stand in this group where there is no keyboard, one for each of its keys. */
  readonly buttons?: ButtonGroup;
}

/** What the buttons of a group are for, in their order. */
export const BUTTON_GROUPS = ['go', 'strike', 'mark', 'stop', 'do'] as const;
export type ButtonGroup = (typeof BUTTON_GROUPS)[number];
/** Marks of strokes that are keys too; `x` and `o` open panels, and are buttons only. */
const MARKS = ['!', ',', "'", '~', '^', '%', '_', '>'] as const;

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
  { id: 'print', scope: 'everywhere', keys: ['Ctrl+p'] },
  { id: 'keys', scope: 'everywhere', keys: ['?'] },
  // Leaving is the keys' own: whatever has the focus lets it go.
  { id: 'leave', scope: 'everywhere', keys: ['Escape'] },

  { id: 'slot before', scope: 'wheel', keys: ['ArrowLeft'], buttons: 'go' },
  { id: 'slot after', scope: 'wheel', keys: ['ArrowRight'], buttons: 'go' },
  { id: 'turn after', scope: 'wheel', keys: ['PageDown'] },
  { id: 'turn before', scope: 'wheel', keys: ['PageUp'] },
  { id: 'script', scope: 'wheel', keys: ['s'] },
  { id: 'write in', scope: 'wheel', keys: ['k'], buttons: 'do' },
  { id: 'letters', scope: 'wheel', keys: ['x'] },
  { id: 'findings', scope: 'wheel', keys: ['w'], panel: 'findings' },
  { id: 'accents', scope: 'wheel', keys: ['r'], panel: 'accents' },
  { id: 'fit', scope: 'wheel', keys: ['f'], panel: 'fit' },
  { id: 'line', scope: 'wheel', keys: ['n'], panel: 'line' },
  { id: 'drills', scope: 'wheel', keys: ['t'], panel: 'drills' },
  { id: 'shape', scope: 'wheel', keys: ['h'], panel: 'shape' },
  { id: 'cycle', scope: 'wheel', keys: ['y'], panel: 'cycle' },
  { id: 'no slot', scope: 'wheel', keys: ['Escape'], buttons: 'do' },
  { id: 'finger', scope: 'wheel', keys: ['p', 'i', 'm', 'a', 'e'], buttons: 'strike' },
  { id: 'direction', scope: 'wheel', keys: ['d', 'u'], buttons: 'strike' },
  { id: 'golpe', scope: 'wheel', keys: ['g'], buttons: 'strike' },
  { id: 'mark', scope: 'wheel', keys: MARKS, buttons: 'mark' },
  { id: 'silence', scope: 'wheel', keys: ['.', '-'], buttons: 'strike' },

  { id: 'note before', scope: 'neck', keys: ['Shift+ArrowLeft'], buttons: 'go' },
  { id: 'note after', scope: 'neck', keys: ['Shift+ArrowRight'], buttons: 'go' },
  { id: 'shape before', scope: 'neck', keys: ['ArrowLeft'], buttons: 'go' },
  { id: 'shape after', scope: 'neck', keys: ['ArrowRight'], buttons: 'go' },
  { id: 'next string', scope: 'neck', keys: ['ArrowUp', 'ArrowDown'], buttons: 'go' },
  { id: 'fret', scope: 'neck', keys: ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9'], buttons: 'stop' },
  { id: 'fret on', scope: 'neck', keys: ['+', '-'], buttons: 'stop' },
  { id: 'finger there', scope: 'neck', keys: ['='], buttons: 'stop' },
  { id: 'string silent', scope: 'neck', keys: ['x'], buttons: 'stop' },
  { id: 'blocks', scope: 'neck', keys: ['b'], buttons: 'do' },
  { id: 'to shapes', scope: 'neck', keys: ['Escape'], buttons: 'do' },
  { id: 'keep shape', scope: 'neck', keys: ['Enter'], buttons: 'do' },
  { id: 'changes', scope: 'neck', keys: ['h'], panel: 'changes' },
  { id: 'find', scope: 'neck', keys: ['f'], panel: 'find' },
  { id: 'row', scope: 'neck', keys: ['r'], panel: 'row' },
  { id: 'melody', scope: 'neck', keys: ['m'], panel: 'melody' },

  { id: 'bar before', scope: 'weave', keys: ['Shift+ArrowLeft'], buttons: 'go' },
  { id: 'bar after', scope: 'weave', keys: ['Shift+ArrowRight'], buttons: 'go' },
  { id: 'step before', scope: 'weave', keys: ['ArrowLeft'], buttons: 'go' },
  { id: 'step after', scope: 'weave', keys: ['ArrowRight'], buttons: 'go' },
  { id: 'string up', scope: 'weave', keys: ['ArrowUp'], buttons: 'go' },
  { id: 'string down', scope: 'weave', keys: ['ArrowDown'], buttons: 'go' },
  { id: 'first step', scope: 'weave', keys: ['Home'], buttons: 'go' },
  { id: 'last step', scope: 'weave', keys: ['End'], buttons: 'go' },
  { id: 'script of the bar', scope: 'weave', keys: ['s'] },
  { id: 'bar again', scope: 'weave', keys: ['r'], buttons: 'do' },
  { id: 'apart', scope: 'weave', keys: ['w'] },
  { id: 'range', scope: 'weave', keys: ['v'], buttons: 'do' },
  { id: 'page look', scope: 'weave', keys: ['n'], buttons: 'do' },
  { id: 'no string', scope: 'weave', keys: ['Escape'], buttons: 'do' },
  { id: 'fret here', scope: 'weave', keys: ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9'], buttons: 'stop' },
  { id: 'left finger', scope: 'weave', keys: ['='], buttons: 'stop' },
  { id: 'take away', scope: 'weave', keys: ['Delete', 'Backspace'], buttons: 'stop' },
  { id: 'stroke', scope: 'weave', keys: ['p', 'i', 'm', 'a', 'e', 'd', 'u', 'g', '.', '-'], buttons: 'strike' },
  { id: 'mark here', scope: 'weave', keys: MARKS, buttons: 'mark' },
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
  { id: 'take mark back', scope: 'practise', keys: ['Backspace'] },
  { id: 'next drill', scope: 'practise', keys: ['n'] },
  { id: 'spoken over', scope: 'practise', keys: ['o'] },
  { id: 'half speed', scope: 'practise', keys: ['u'] },
  { id: 'silent bars', scope: 'practise', keys: ['f'] },
  { id: 'stand view', scope: 'practise', keys: ['v'] },
  { id: 'ten minutes', scope: 'practise', keys: ['q'] },
  { id: 'twenty minutes', scope: 'practise', keys: ['w'] },
  { id: 'thirty minutes', scope: 'practise', keys: ['e'] },
  { id: 'forty-five minutes', scope: 'practise', keys: ['r'] },
  { id: 'own minutes', scope: 'practise', keys: ['t'] },
  { id: 'go on', scope: 'practise', keys: ['ArrowRight'], buttons: 'go' },
  { id: 'skip block', scope: 'practise', keys: ['s'] },
  { id: 'shorten block', scope: 'practise', keys: ['h'] },
  { id: 'swap blocks', scope: 'practise', keys: ['x'] },
  { id: 'tense', scope: 'practise', keys: ['m'] },
  { id: 'leave stand view', scope: 'practise', keys: ['Escape'] },

  // While a hand is measured letters answer, and mean nothing else.
  { id: 'measured', scope: 'shelf', keys: [...'abcdefghijklmnopqrstuvwxyz'] },
  { id: 'measure', scope: 'shelf', keys: ['m'] },
  { id: 'tap hand', scope: 'shelf', keys: ['t'] },
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
/** What buttons do: an act with one of its keys. */
export interface ActButton {
  readonly act: ActId;
  readonly key: string;
}
/** The buttons of a scope, group by group; groups without any are left out. */
export function buttonsOf(
  scope: Scope,
): readonly { readonly group: ButtonGroup; readonly buttons: readonly ActButton[] }[] {
  return BUTTON_GROUPS.map((group) => ({
    group,
    buttons: actsOf(scope)
      .filter((a) => a.buttons === group)
      .flatMap((a) => {
        const keys =
          group === 'mark'
            ? [...a.keys, 'x', 'o']
            : group === 'do' || a.id === 'take away'
              ? a.keys.slice(0, 1)
              : a.keys;
        return keys.map((key) => ({ act: a.id as ActId, key }));
      }),
  })).filter((g) => g.buttons.length > 0);
}
/** The first key of an act. @example keyOf('to weave') // '3' */
export const keyOf = (id: ActId): string => ALL.find((a) => a.id === id)?.keys[0] ?? '';
/** Keys that are shown by a sign instead of their name. */
const SIGNS: Readonly<Record<string, string>> = { ArrowLeft: '←', ArrowRight: '→', ArrowUp: '↑', ArrowDown: '↓' };
/** How a key is shown. @example shownKey('ArrowLeft') // '←' */
export const shownKey = (key: string): string => SIGNS[key] ?? key;
/** A pressed key as the table names it; with Shift first as with, then as without. */
export function namesOfKey(e: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey'>): readonly string[] {
  const plain = e.key.length === 1 ? e.key.toLowerCase() : e.key;
  if (e.ctrlKey || e.metaKey) return [`Ctrl+${e.shiftKey ? 'Shift+' : ''}${plain}`];
  return e.shiftKey && e.key.length > 1 ? [`Shift+${plain}`, plain] : [plain];
}
