import { ChangeDetectionStrategy, Component, computed, input, type OnInit, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { focusOnStep, isLetter } from './guided';
import { FINGERS, type HandProfile } from '@ruffle-wheel/core';
import { measure } from '../../words/measure';
import { Tapping, type TappedFigures } from './tapping';

/** A right hand measured by tapping: each finger alone, two one after the other, the thumb and a finger. */
@Component({
  selector: 'app-tap-hand',
  imports: [MatButton],
  templateUrl: './tap-hand.html',
  styleUrl: './measure-hand.scss',
  host: { '(keydown)': 'heard($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TapHand implements OnInit {
  protected readonly words = measure.tapping;
  protected readonly back = measure.back;
  protected readonly skip = measure.skip;
  protected readonly stepOf = measure.stepOf;
  protected readonly caution = measure.caution;
  private readonly focus = focusOnStep();
  readonly profile = input.required<HandProfile>();
  readonly kept = output<TappedFigures>();
  readonly closed = output();
  private readonly tapping = signal<Tapping | null>(null);
  protected readonly guide = computed(() => this.tapping() ?? new Tapping(this.profile()));
  protected readonly step = computed(() => this.guide().step());
  protected readonly fingers = FINGERS;
  protected readonly task = computed(() => {
    const step = this.step();
    if (step.kind === 'alone') return this.words.alone(step.finger, this.guide().wanted());
    return step.kind === 'pair' ? this.words.pair(step.from, step.to, this.guide().wanted() / 2) : '';
  });
  protected readonly said = computed(() => {
    const said = this.guide().said();
    if (!said) return '';
    const { step, tapped } = said;
    if (!('ms' in tapped)) return this.words.again[tapped.why];
    return step.kind === 'pair'
      ? this.words.foundPair(step.from, step.to, tapped.ms)
      : step.kind === 'alone'
        ? this.words.foundAlone(step.finger, tapped.ms)
        : '';
  });

  ngOnInit() {
    this.tapping.set(new Tapping(this.profile()));
    this.focus();
  }
  protected go(by: 1 | -1) {
    this.guide().go(by);
    this.focus();
  }
  protected tapped(e: Event) {
    e.preventDefault();
    this.tap(e.timeStamp);
  }
  private tap(ms: number) {
    const before = this.step();
    this.guide().tap(ms);
    if (this.step() !== before) this.focus();
  }
  protected heard(e: KeyboardEvent): void {
    this.pressed(e);
  }
  /** Any letter is a tap, with whichever finger it is pressed. */
  pressed(e: KeyboardEvent): boolean {
    if (!isLetter(e)) return false;
    e.stopPropagation();
    if (!e.repeat) this.tap(e.timeStamp);
    return true;
  }
}
