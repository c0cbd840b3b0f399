import {
  autocompletion,
  closeCompletion,
  type CompletionContext,
  completionKeymap,
  type CompletionResult,
  selectedCompletionIndex,
} from '@codemirror/autocomplete';
import { EditorState, StateEffect, StateField, Transaction } from '@codemirror/state';
import { Decoration, type DecorationSet, EditorView, keymap } from '@codemirror/view';
import type { Complete } from './completion';

export interface Stretch {
  readonly from: number;
  readonly to: number;
  /** What is wrong there. */
  readonly message?: string;
}
const setMarks = StateEffect.define<{ readonly faults: readonly Stretch[]; readonly mark: Stretch | null }>();
const FAULT = Decoration.mark({ class: 'fault' });
const CHOSEN = Decoration.mark({ class: 'chosen' });

const marks = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update: (set, tr) => {
    let next = set.map(tr.changes);
    for (const e of tr.effects)
      if (e.is(setMarks)) {
        const end = tr.state.doc.length;
        const inside = (s: Stretch) => s.from < s.to && s.to <= end;
        const ranges = e.value.faults.filter(inside).map((f) => FAULT.range(f.from, f.to));
        if (e.value.mark && inside(e.value.mark)) ranges.push(CHOSEN.range(e.value.mark.from, e.value.mark.to));
        next = Decoration.set(ranges, true);
      }
    return next;
  },
  provide: (f) => EditorView.decorations.from(f),
});

function offered(context: CompletionContext, complete: Complete): CompletionResult | null {
  const before = context.state.doc.sliceString(0, context.pos);
  const found = complete(before);
  if (!found || (!context.explicit && !found.unasked)) return null;
  return {
    from: found.from,
    // In their own order, not the alphabet's.
    options: found.offers.map(({ text, says }, n) => ({ label: text, detail: says, boost: 0 - n })),
  };
}

/** The text field of a script or chart. Undo is the study's own, so it keeps none. */
export class ScriptField {
  private readonly view: EditorView;

  constructor(
    host: HTMLElement,
    {
      text,
      label,
      first,
      longest,
      changed,
      tooLong,
      cursor,
      left,
      complete,
    }: {
      readonly text: string;
      readonly label: string;
      readonly first: boolean;
      readonly longest: number;
      readonly changed: (text: string) => void;
      readonly tooLong: (letters: number) => void;
      readonly cursor: (at: number | null) => void;
      readonly left: () => void;
      readonly complete: Complete;
    },
  ) {
    this.view = new EditorView({
      parent: host,
      state: EditorState.create({
        doc: text,
        // One writes on where the text ends.
        selection: { anchor: text.length },
        extensions: [
          marks,
          // What the study could not hold is not written at all: half of what was pasted would be worse.
          EditorState.changeFilter.of((tr) => {
            const fits = tr.annotation(Transaction.remote) === true || tr.newDoc.length <= longest;
            if (!fits) tooLong(tr.newDoc.length);
            return fits;
          }),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({
            'aria-label': label,
            'data-own': '',
            spellcheck: 'false',
            autocapitalize: 'off',
            ...(first ? { 'data-first': '' } : {}),
          }),
          // Nothing is chosen until the player chooses: Enter and Tab go on meaning what they mean.
          autocompletion({
            override: [(context) => offered(context, complete)],
            selectOnOpen: false,
            interactionDelay: 0,
            icons: false,
            defaultKeymap: false,
          }),
          // Escape puts away what is being chosen from; what is only offered goes with the script that is left.
          keymap.of(completionKeymap.filter((k) => k.key !== 'Escape')),
          keymap.of([
            {
              key: 'Escape',
              run: (view) => selectedCompletionIndex(view.state) !== null && closeCompletion(view),
            },
          ]),
          EditorView.updateListener.of((u) => {
            if (u.selectionSet || u.docChanged || u.focusChanged)
              cursor(u.view.hasFocus ? u.state.selection.main.head : null);
            if (u.focusChanged && !u.view.hasFocus) left();
            const own = u.transactions.some((tr) => tr.docChanged && tr.annotation(Transaction.remote) !== true);
            if (own) changed(u.state.doc.toString());
          }),
        ],
      }),
    });
  }

  /** Ties what is wrong to the field, for those who hear it. @param by id of what says it */
  describe(by: string | null) {
    const { contentDOM } = this.view;
    contentDOM.setAttribute('aria-invalid', String(by !== null));
    if (by === null) contentDOM.removeAttribute('aria-describedby');
    else contentDOM.setAttribute('aria-describedby', by);
  }
  /** Takes over a text changed elsewhere: only the stretch that differs, so that the cursor keeps its place. */
  show(text: string) {
    const now = this.view.state.doc.toString();
    if (now === text) return;
    let from = 0;
    while (from < now.length && from < text.length && now[from] === text[from]) from++;
    let end = 0;
    while (
      end < now.length - from &&
      end < text.length - from &&
      now[now.length - 1 - end] === text[text.length - 1 - end]
    )
      end++;
    this.view.dispatch({
      changes: { from, to: now.length - end, insert: text.slice(from, text.length - end) },
      annotations: Transaction.remote.of(true),
    });
  }
  underline(faults: readonly Stretch[], mark: Stretch | null) {
    this.view.dispatch({ effects: setMarks.of({ faults, mark }) });
    if (mark && !this.view.hasFocus) this.reveal(mark.from);
  }
  /** Scrolls inside the field alone: the page stays where it is. */
  private reveal(at: number) {
    this.view.requestMeasure({
      key: this,
      read: (view) => {
        const there = view.coordsAtPos(Math.min(at, view.state.doc.length));
        const box = view.scrollDOM.getBoundingClientRect();
        return there && (there.top < box.top || there.bottom > box.bottom) ? there.top - box.top : 0;
      },
      write: (by, view) => {
        if (by) view.scrollDOM.scrollTop += by;
      },
    });
  }
  focus() {
    this.view.focus();
  }
  /** What takes the letters. */
  get content(): HTMLElement {
    return this.view.contentDOM;
  }
  destroy() {
    this.view.destroy();
  }
}
