import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { layersOf, parseScript, type SectionDrill, sectionDrills, type Variant } from '@ruffle-wheel/core';
import { AskedDrills, Collection, OpenStudy } from '../../study';
import { wheel as wheelWords } from '../../words/wheel';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import { TrialTablature } from '../../parts/try-out/trial-tablature';
import { AsFarAsSeen } from '../../ui/as-far-as-seen';
import { MatButton } from '@angular/material/button';
import { sayLayers } from '../../words/said/strokes';
import { sayDrills } from '../../words/said/drills';

type Kind = keyof typeof wheelWords.drills.kinds;
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
  'accent through': 'accent',
  muted: 'layers',
  'left pairs': 'pair',
  'around the middle': 'changes',
};

const kindOf = ({ matter }: SectionDrill): Kind => {
  if (matter.kind !== 'pattern') return 'changes';
  return matter.drill.tight ? 'weakest' : KIND[matter.drill.variant.kind];
};

/** Every drill of the written pattern: shown on the wheel, heard, and sent to Practise. */
@Component({
  selector: 'app-drills-panel',
  imports: [AsFarAsSeen, MatButton, AnswerButtons, TrialTablature],
  templateUrl: './drills-panel.html',
  styleUrl: './drills-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrillsPanel {
  protected readonly words = wheelWords.drills;
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly asked = inject(AskedDrills);
  private readonly router = inject(Router);

  private readonly pattern = computed(() => {
    const written = this.open.written();
    const cells = this.open.study()?.cells ?? [];
    return written ? parseScript(written.script, { stepsPerCount: written.stepsPerCount, cells }).pattern : null;
  });
  private readonly drills = computed(() => {
    const written = this.open.written();
    if (!written) return [];
    const moves = this.open.writtenReading()?.moves ?? [];
    const all = sayDrills(sectionDrills(written, this.collection.profile(), moves, this.open.study()?.cells));
    const kinds = [...new Set(all.map(kindOf))];
    return kinds.map((kind) => ({ kind, drills: all.filter((d) => kindOf(d) === kind) }));
  });
  private readonly unfolded = signal<readonly Kind[]>(['weakest', 'changes', 'layers']);
  /** Drills are written out only where they are looked at: a long pattern has many long ones. */
  protected readonly groups = computed(() =>
    this.drills().map(({ kind, drills }) => {
      const open = this.unfolded().includes(kind);
      return {
        kind,
        open,
        count: drills.length,
        rows: open ? drills.map((d) => ({ key: d.key, name: d.name, why: d.why, shown: d.make() })) : [],
      };
    }),
  );
  protected fold(kind: Kind, open: boolean) {
    this.unfolded.update((kinds) => (open ? [...new Set([...kinds, kind])] : kinds.filter((k) => k !== kind)));
  }
  /** Where the layers meet, said by count; null where there is only one layer. */
  protected readonly meet = computed(() => {
    const pattern = this.pattern();
    const written = this.open.written();
    if (!pattern || !written || !this.drills().some((g) => g.drills.some((d) => d.key.startsWith('layer '))))
      return null;
    return sayLayers(layersOf(pattern), written.cycle, written.start).join(' ');
  });
  protected practise(key: string) {
    this.asked.ask([key]);
    void this.router.navigateByUrl('/practise');
  }
}
