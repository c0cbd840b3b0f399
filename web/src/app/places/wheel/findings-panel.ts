import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { HIGHEST_BPM, sayRaise } from '@ruffle-wheel/core';
import { OpenStudy } from '../../study';
import { words } from '../../words/en';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';

const SHOWN_JOINTS = 5;

/** What the section asks of the hand, in sentences, and each finger's load against the player's own limit. */
@Component({
  selector: 'app-findings-panel',
  imports: [AnswerButtons],
  templateUrl: './findings-panel.html',
  styleUrl: './findings-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingsPanel {
  protected readonly words = words.wheel;
  protected readonly open = inject(OpenStudy);
  protected readonly findings = computed(() => this.open.reading()?.findings ?? []);
  protected readonly tempo = computed(() => this.open.section()?.bpm ?? 0);
  /** The tightest joints between two fingers, each against what the player needs for it. */
  protected readonly joints = computed(() =>
    (this.open.reading()?.load.joints ?? []).slice(0, SHOWN_JOINTS).map((j) => ({
      name: `${j.from} → ${j.to}`,
      percent: Math.round(j.share * 100),
      width: Math.min(100, j.share * 100),
      over: j.share > 1,
      near: j.share > 0.9,
      has: Math.floor(j.leastMs),
      needs: Math.ceil(j.neededMs),
    })),
  );
  /** Other ways to play what is written that would let it go faster; they stay while one is tried out. */
  protected readonly raises = computed(() => {
    const reading = this.open.writtenReading();
    const start = this.open.written()?.start ?? 0;
    return (reading?.raises ?? []).map((r) => ({
      key: `raise ${r.script}`,
      what: sayRaise(r),
      ceiling: r.ceiling > HIGHEST_BPM ? `${HIGHEST_BPM}+` : String(Math.floor(r.ceiling)),
      shown: { script: r.script, stepsPerCount: r.stepsPerCount, start },
    }));
  });
  /** From the thinnest finger on, the plectrum's after them. */
  private readonly loads = computed(() => {
    const load = this.open.reading()?.load;
    if (!load) return [];
    const fingers = [...load.fingers].reverse().map((f) => ({ ...f, name: f.finger }));
    return [...fingers, ...(load.plectrum ? [{ ...load.plectrum, name: 'P' }] : [])];
  });
  protected readonly load = computed(() =>
    this.loads().map((f) => ({
      finger: f.name,
      percent: Math.round(f.share * 100),
      width: Math.min(100, f.share * 100),
      over: f.share > 1,
      near: f.share > 0.9,
      rate: f.strokesPerSecond.toFixed(1),
    })),
  );
}
