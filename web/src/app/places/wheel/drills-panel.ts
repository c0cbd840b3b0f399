import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import {
  bpm,
  coincidences,
  type Drill,
  drillsFor,
  keepsPlaces,
  listed,
  parseScript,
  placeLabel,
  printScript,
  type Variant,
  vary,
  weakestJoint,
} from '@ruffle-wheel/core';
import { AskedDrills, Collection, OpenStudy } from '../../study';
import { words } from '../../words/en';
import { AnswerButtons } from '../../try-out/answer-buttons';

type Kind = keyof typeof words.drills.kinds;
const KIND: Record<Variant['kind'], Kind> = {
  rhythm: 'rhythm',
  rotation: 'start',
  'start finger': 'start',
  'finger accent': 'accent',
  'string accent': 'accent',
  pair: 'pair',
  'fewer strings': 'strings',
  burst: 'burst',
  layer: 'layers',
  'open strings': 'layers',
};

/** Every drill of the written pattern: shown on the wheel, heard, and sent to Practise. */
@Component({
  selector: 'app-drills-panel',
  imports: [AnswerButtons],
  templateUrl: './drills-panel.html',
  styleUrl: './drills-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrillsPanel {
  protected readonly words = words.drills;
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly asked = inject(AskedDrills);
  private readonly router = inject(Router);

  private readonly pattern = computed(() => {
    const written = this.open.written();
    return written ? parseScript(written.script, written).pattern : null;
  });
  protected readonly groups = computed(() => {
    const pattern = this.pattern();
    const written = this.open.written();
    if (!pattern || !written) return [];
    const row = (drill: Drill) => {
      const made = vary(pattern, drill.variant);
      return {
        name: drill.name,
        why: drill.why,
        shown: {
          script: printScript(made),
          stepsPerCount: made.stepsPerCount,
          start: written.start,
          stopped: keepsPlaces(drill.variant) ? (written.stopped ?? []) : [],
          ...(drill.variant.kind === 'open strings' ? { harmony: { per: 'turn' as const, shapes: [] } } : {}),
        },
      };
    };
    const joint = weakestJoint(pattern, bpm(written.bpm), this.collection.profile());
    const all = drillsFor(pattern);
    const kinds = [...new Set(all.map((d) => KIND[d.variant.kind]))];
    return [
      ...(joint ? [{ kind: 'weakest' as Kind, rows: [row(joint)] }] : []),
      ...kinds.map((kind) => ({ kind, rows: all.filter((d) => KIND[d.variant.kind] === kind).map(row) })),
    ];
  });
  /** Where the layers meet, said by count; null where there is only one layer. */
  protected readonly meet = computed(() => {
    const pattern = this.pattern();
    const written = this.open.written();
    if (!pattern || !written || !this.groups().some((g) => g.rows.some((r) => r.name === 'Bass alone'))) return null;
    const places = coincidences(pattern).map((c) => placeLabel(written.cycle, c.at + written.start));
    return places.length ? `${this.words.meet} ${listed(places.slice(0, 16))}. ${this.words.watch}` : this.words.never;
  });
  protected practise(name: string) {
    this.asked.ask([name]);
    void this.router.navigateByUrl('/practise');
  }
}
