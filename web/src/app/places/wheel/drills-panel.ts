import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
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
import type { Shown } from '../../try-out/try-out';

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
  private readonly drills = computed(() => {
    const pattern = this.pattern();
    const written = this.open.written();
    if (!pattern || !written) return [];
    const joint = weakestJoint(pattern, bpm(written.bpm), this.collection.profile());
    const all = drillsFor(pattern);
    const kinds = [...new Set(all.map((d) => KIND[d.variant.kind]))];
    return [
      ...(joint ? [{ kind: 'weakest' as Kind, drills: [joint] }] : []),
      ...kinds.map((kind) => ({ kind, drills: all.filter((d) => KIND[d.variant.kind] === kind) })),
    ];
  });
  private readonly unfolded = signal<readonly Kind[]>(['weakest', 'layers']);
  /** Drills are written out only where they are looked at: a long pattern has many long ones. */
  protected readonly groups = computed(() =>
    this.drills().map(({ kind, drills }) => {
      const open = this.unfolded().includes(kind);
      return { kind, open, count: drills.length, rows: open ? drills.map((d) => this.row(d)) : [] };
    }),
  );
  private row({ name, why, variant }: Drill) {
    const pattern = this.pattern() ?? { items: [], stepsPerCount: 2 };
    const made = vary(pattern, variant);
    const written = this.open.written();
    const shown: Shown = {
      script: printScript(made),
      stepsPerCount: made.stepsPerCount,
      start: written?.start ?? 0,
      stopped: keepsPlaces(variant) ? (written?.stopped ?? []) : [],
      ...(variant.kind === 'open strings' ? { harmony: { per: 'turn', shapes: [] } } : {}),
    };
    return { name, why, shown };
  }
  protected fold(kind: Kind, open: boolean) {
    this.unfolded.update((kinds) => (open ? [...new Set([...kinds, kind])] : kinds.filter((k) => k !== kind)));
  }
  /** Where the layers meet, said by count; null where there is only one layer. */
  protected readonly meet = computed(() => {
    const pattern = this.pattern();
    const written = this.open.written();
    if (!pattern || !written || !this.drills().some((g) => g.drills.some((d) => d.variant.kind === 'layer')))
      return null;
    const places = coincidences(pattern).map((c) => placeLabel(written.cycle, c.at + written.start));
    return places.length ? `${this.words.meet} ${listed(places.slice(0, 16))}. ${this.words.watch}` : this.words.never;
  });
  protected practise(name: string) {
    this.asked.ask([name]);
    void this.router.navigateByUrl('/practise');
  }
}
