import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatSlider, MatSliderThumb } from '@angular/material/slider';
import { EVEN_FEEL, type Feel, FEEL_BOUNDS, PALMAS, setFeel } from '@ruffle-wheel/core';
import { InTime } from '../../parts/in-time';
import { OpenStudy } from '../../study';
import { FIELD } from '../../ui/field';
import { SELECT } from '../../ui/select';
import { Toggle } from '../../ui/toggle';
import { practise } from '../../words/practise';

const SILENCES = [
  { heard: 3, silent: 1 },
  { heard: 2, silent: 2 },
  { heard: 4, silent: 4 },
  { heard: 1, silent: 3 },
] as const;
const STEPS = [1, 2, 3, 4, 6, 8] as const;
const BEATS = [1, 2, 3, 4, 6] as const;
/** What a choice is called in a list. */
const nameOf = ({ heard, silent }: { readonly heard: number; readonly silent: number }) => `${heard} ${silent}`;

/** What keeps the time while one practises, and how the open section is felt. */
@Component({
  selector: 'app-time-panel',
  imports: [FIELD, SELECT, MatSlider, MatSliderThumb, Toggle],
  templateUrl: './time-panel.html',
  styleUrls: ['./listed.scss', './time-panel.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TimePanel {
  protected readonly words = practise.time;
  protected readonly time = inject(InTime);
  private readonly open = inject(OpenStudy);
  protected readonly palmas = PALMAS;
  protected readonly bounds = FEEL_BOUNDS;
  protected readonly feel = computed(() => this.open.section()?.feel ?? EVEN_FEEL);
  protected readonly swings = computed(() => (this.open.section()?.stepsPerCount ?? 1) % 2 === 0);
  protected readonly silence = computed(() => {
    const { silent } = this.time.keeping();
    return silent ? nameOf(silent) : '';
  });
  protected readonly silences = computed(() => {
    const { silent } = this.time.keeping();
    const own = silent && !SILENCES.some((s) => nameOf(s) === nameOf(silent)) ? [silent] : [];
    return [...SILENCES, ...own].map((s) => ({ ...s, name: nameOf(s) }));
  });
  /** Steps that go into a count; what is set stays to be chosen. */
  protected readonly steps = computed(() => {
    const own = this.open.section()?.stepsPerCount ?? 1;
    const set = this.time.keeping().stepsAClick;
    return [...new Set([...STEPS.filter((n) => n <= own && own % n === 0), ...(set ? [set] : [])])].sort(
      (a, b) => a - b,
    );
  });
  protected readonly beats = computed(() => {
    const counts = this.open.section()?.cycle.counts ?? 1;
    const set = this.feel().countsABeat ?? 1;
    return BEATS.filter((n) => n === set || (n < counts && counts % n === 0) || n === 1);
  });
  protected chooseSilence(name: string) {
    const chosen = this.silences().find((s) => s.name === name);
    this.time.keep({ silent: chosen ? { heard: chosen.heard, silent: chosen.silent } : null });
  }
  protected felt(change: Partial<Feel>) {
    const section = this.open.section();
    if (section) this.open.apply(setFeel(section.id, { ...this.feel(), ...change }));
  }
}
