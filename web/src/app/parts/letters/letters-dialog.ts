import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import {
  type AccentCycle,
  cycleById,
  flatten,
  makeSection,
  makeStudy,
  neckOf,
  parseScript,
  readShape,
  type Shape,
  strokesInTurn,
} from '@ruffle-wheel/core';
import { NeckDrawing } from '../../ui/neck/neck-drawing';
import { SignsBeside } from '../../ui/signs-beside';
import { Compute } from '../../compute/compute';
import { Transport } from '../../sound/transport';
import { Collection, OpenStudy } from '../../study';
import { stitchesOf } from '../../ui/wheel/stitches';
import { glossary } from '../../words/glossary';
import { letters as lettersWords } from '../../words/letters';
import { sayStep } from '../../words/said/strokes';

/** What is shown stands on a plain bar. */
const BAR = cycleById('plain-four') as AccentCycle;
const TEMPO = 72;

function aShape(frets: string, fingers: string): Shape {
  const read = readShape(frets, fingers);
  if (!read) throw new Error(`No shape: ${frets}`);
  return { id: frets, name: '', ...read };
}

/** Every letter and mark of the hand script: its stitch on the wheel, what it says in words, one example that sounds. */
@Component({
  selector: 'app-letters-dialog',
  imports: [MatButton, MatDialogModule, NeckDrawing, SignsBeside],
  templateUrl: './letters-dialog.html',
  styleUrl: './letters-dialog.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LettersDialog {
  protected readonly words = lettersWords.letters;
  protected readonly terms = glossary;
  private readonly compute = inject(Compute);
  private readonly transport = inject(Transport);
  private readonly collection = inject(Collection);
  private readonly open = inject(OpenStudy);
  /** The fingers of the left hand as they lie on the strings, on the player's own neck. */
  protected readonly lying = [
    { said: this.words.lies.spread, shape: aShape('x-x-4-3-2-1', 'x-x-4-3-2-1') },
    { said: this.words.lies.barre, shape: aShape('1-3-3-2-1-1', '1-3-4-2-1-1') },
  ];
  protected readonly neck = computed(() => neckOf(this.collection.profile()));
  protected readonly mirrored = computed(() => !!this.collection.settings().neckMirrored);
  /** The example that sounds. */
  protected readonly heard = signal('');
  protected readonly parts = computed(() => {
    const little = this.collection.profile().littleFinger;
    return this.words.parts.map(({ name, letters }) => ({
      name,
      letters: letters.map(([script = '', own = '']) => this.letter(script.replace(/^e(?=d|$)/, little), own)),
    }));
  });

  constructor() {
    inject<MatDialogRef<LettersDialog>>(MatDialogRef)
      .beforeClosed()
      .subscribe(() => void this.transport.lend(null));
  }

  /** @param own what stands beside it where the step's own words are not enough */
  private letter(script: string, own: string) {
    const { pattern } = parseScript(script, { stepsPerCount: 1 });
    const flat = flatten(pattern);
    const [first] = flat.slots;
    const sounds = flat.events.some(({ motion }) => motion.kind !== 'ghost');
    // No place of a turn gives it weight: only its own mark does.
    const strokes = strokesInTurn(flat, BAR, 0, 0).map((s) => ({ ...s, weight: 0 }));
    const said = first && flat.slots.length === 1 ? sayStep(first.step) : '';
    return {
      script,
      said: said && own ? `${own}: ${said}` : own || said,
      sounds,
      stitches: flat.slots.length === 1 ? stitchesOf(strokes.slice(0, 1), BAR, BAR.counts) : [],
    };
  }
  protected hear(script: string) {
    if (this.heard() === script) {
      this.heard.set('');
      return void this.transport.lend(null);
    }
    this.heard.set(script);
    const section = { ...makeSection('letters', '', BAR), stepsPerCount: 1, script };
    const profile = this.collection.profile();
    // On the chord that the study holds first, where it holds one.
    const { instrument, shapes } = this.open.study() ?? makeStudy('letters', '', BAR);
    const chart = this.open.section()?.chart ?? '';
    void this.compute
      .planOf({ section: { ...section, chart }, shapes, ...instrument, profile })
      .then((plan) => (this.heard() === script ? this.transport.lend(plan, TEMPO) : undefined));
  }
}
