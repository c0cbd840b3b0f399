import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { type DrillKind, drillList, layersOf, parseScript, type SectionDrill, type Variant } from '@ruffle-wheel/core';
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
  'string skips': 'strings',
  'first strokes': 'changes',
  gallop: 'rhythm',
  crossing: 'weakest',
  order: 'start',
  plectrum: 'pair',
};

const kindOf = ({ matter }: SectionDrill): Kind => {
  if (matter.kind !== 'pattern') return 'changes';
  return matter.drill.tight ? 'weakest' : KIND[matter.drill.variant.kind];
};

const LISTS: readonly DrillKind[] = ['piece', 'exercise'];
/** So many drills lie open at first. */
const OPEN_AT_FIRST = 3;

/** What a teacher would give of the written pattern: shown on the wheel, heard, and sent to Practise. */
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
    const [written, study] = [this.open.written(), this.open.study()];
    if (!written || !study) return [];
    const moves = this.open.writtenReading()?.moves ?? [];
    const all = sayDrills(drillList(written, study, this.collection.profile(), moves));
    return LISTS.map((list) => {
      const own = all.filter((d) => d.list === list);
      const kinds = [...new Set(own.map(kindOf))];
      const groups = kinds.map((kind) => ({
        key: `${list} ${kind}`,
        kind,
        drills: own.filter((d) => kindOf(d) === kind),
      }));
      return { list, count: own.length, groups };
    }).filter((l) => l.count > 0);
  });
  /** The first of what is from the piece, until three drills lie open. */
  private readonly openAtFirst = computed(() => {
    let [n, open]: [number, string[]] = [0, []];
    for (const { key, drills } of this.drills()[0]?.groups ?? []) {
      if (n >= OPEN_AT_FIRST) break;
      open = [...open, key];
      n += drills.length;
    }
    return open;
  });
  /** What the player has folded and unfolded. */
  private readonly folded = signal<ReadonlyMap<string, boolean>>(new Map());
  /** Drills are written out only where they are looked at: a long pattern has many long ones. */
  protected readonly lists = computed(() =>
    this.drills().map(({ list, count, groups }) => ({
      ...{ list, count },
      groups: groups.map(({ key, kind, drills }) => {
        const open = this.folded().get(key) ?? this.openAtFirst().includes(key);
        return {
          ...{ key, kind, open, count: drills.length },
          rows: open ? drills.map((d) => ({ key: d.key, name: d.name, why: d.why, shown: d.make() })) : [],
        };
      }),
    })),
  );
  protected fold(key: string, open: boolean) {
    this.folded.update((now) => new Map([...now, [key, open]]));
  }
  /** Where the layers meet, said by count; null where there is only one layer. */
  protected readonly meet = computed(() => {
    const pattern = this.pattern();
    const written = this.open.written();
    if (
      !pattern ||
      !written ||
      !this.drills().some((l) => l.groups.some((g) => g.drills.some((d) => d.key.startsWith('layer '))))
    )
      return null;
    return sayLayers(layersOf(pattern, written), written.cycle, written.start).join(' ');
  });
  /** One after another, in one go. */
  protected practiseAll(rows: readonly { readonly key: string }[]) {
    this.practise(...rows.map((r) => r.key));
  }
  protected practise(...keys: string[]) {
    this.asked.ask(keys);
    void this.router.navigateByUrl('/practise');
  }
}
