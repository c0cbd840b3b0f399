import { ChangeDetectionStrategy, Component, computed, inject, output, signal, type Type } from '@angular/core';
import { NgComponentOutlet } from '@angular/common';
import { MatIconButton } from '@angular/material/button';
import { MatOption } from '@angular/material/core';
import { MatSelect, MatSelectTrigger } from '@angular/material/select';
import { clampBpm, DEFAULT_PROFILE, HIGHEST_BPM, limitOf } from '@ruffle-wheel/core';
import type { Theme } from '../../data';
import { Everywhere } from '../everywhere';
import { Transport } from '../../sound/transport';
import { Collection, OpenStudy } from '../../study';
import { Icon } from '../../ui/icons';
import { IconButton } from '../../ui/icon-button';
import { shell as words } from '../../words/shell';
import { MatInput } from '@angular/material/input';
import { Toggle } from '../../ui/toggle';
import { whoLimits } from '../../words/said/strokes';
import { sayCycle } from '../../words/said/catalogue';

const THEMES: readonly Theme[] = ['system', 'day', 'stage'];

/** The open study with its transport: what is played, how fast, and whether it is saved. */
@Component({
  selector: 'app-header',
  imports: [
    Toggle,
    Icon,
    IconButton,
    MatIconButton,
    MatInput,
    NgComponentOutlet,
    MatOption,
    MatSelect,
    MatSelectTrigger,
  ],
  templateUrl: './header.html',
  styleUrl: './header.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Header {
  protected readonly words = words.header;
  protected readonly savedWords = words.saved;
  /** What is stored is not said; what can't be is. */
  protected readonly isBad = computed(() => !['saved', 'saving', 'opening'].includes(this.open.saved()));
  protected readonly everywhere = inject(Everywhere);
  protected readonly transport = inject(Transport);
  protected readonly open = inject(OpenStudy);
  protected readonly collection = inject(Collection);
  readonly keyList = output();
  /** Open while it is here; it is fetched when it is first wanted. */
  protected readonly mixer = signal<Type<unknown> | null>(null);

  /** What is open without being on the shelf: a study that another tab has deleted, or none at all. */
  protected readonly unlisted = computed(() => {
    const study = this.open.study();
    if (!study) return this.words.noStudy;
    return this.collection.studies().some((r) => r.id === study.id) ? '' : study.name;
  });
  protected readonly cycleName = computed(() => {
    const c = this.open.section()?.cycle;
    if (!c) return '';
    const { name, school } = sayCycle(c);
    return [name, school].filter((text) => text !== '').join(' · ');
  });
  /** Hands to be judged for; the one that nobody has measured while there is no other. */
  protected readonly hands = computed(() => {
    const kept = this.collection.profiles();
    return kept.length ? kept : [DEFAULT_PROFILE];
  });
  protected readonly ceiling = computed(() => {
    const reading = this.open.reading();
    const limit = reading && limitOf(reading);
    if (!limit) return null;
    const who = limit.hand === 'left' ? this.words.leftHand : whoLimits(limit.cause);
    const tempo = limit.ceiling > HIGHEST_BPM ? this.words.over(HIGHEST_BPM) : String(Math.floor(limit.ceiling));
    return { tempo, who, over: (this.open.section()?.bpm ?? 0) > limit.ceiling };
  });

  protected chooseStudy(id: string) {
    const row = this.collection.studies().find((r) => r.id === id);
    if (row && id !== this.open.study()?.id) this.open.open(row);
  }
  protected typeTempo(field: HTMLInputElement) {
    const tempo = clampBpm(Number(field.value));
    this.open.setTempo(tempo);
    field.value = String(tempo);
  }
  protected async openMixer() {
    this.mixer.set(this.mixer() ? null : (await import('./mixer')).Mixer);
  }
  protected nextTheme() {
    const now = THEMES.indexOf(this.collection.settings().theme);
    this.collection.set({ theme: THEMES[(now + 1) % THEMES.length] ?? 'system' });
  }
}
