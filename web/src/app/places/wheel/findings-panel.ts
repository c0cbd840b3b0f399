import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { OpenStudy } from '../../study';
import { words } from '../../words/en';

/** What the section asks of the hand, in sentences, and each finger's load against the player's own limit. */
@Component({
  selector: 'app-findings-panel',
  templateUrl: './findings-panel.html',
  styleUrl: './findings-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingsPanel {
  protected readonly words = words.wheel;
  protected readonly open = inject(OpenStudy);
  protected readonly findings = computed(() => this.open.reading()?.findings ?? []);
  protected readonly tempo = computed(() => this.open.section()?.bpm ?? 0);
  protected readonly load = computed(() =>
    [...(this.open.reading()?.load.fingers ?? [])].reverse().map((f) => ({
      finger: f.finger,
      percent: Math.round(f.share * 100),
      width: Math.min(100, f.share * 100),
      over: f.share > 1,
      near: f.share > 0.9,
      rate: f.strokesPerSecond.toFixed(1),
    })),
  );
}
