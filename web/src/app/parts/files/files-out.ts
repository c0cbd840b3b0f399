import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  type Apart,
  APART,
  clampBpm,
  formLine,
  readForm,
  type Scope,
  SCORE_FORMATS,
  type ScoreFormat,
  type Study,
} from '@ruffle-wheel/core';
import { Exchange, ExchangeLook } from '../../compute/exchange';
import type { OutAsk, OutLook } from '../../compute/exchange-tasks';
import { Collection } from '../../study';
import { FIELD } from '../../ui/field';
import { Notice } from '../../ui/notice';
import { saveFile } from '../../ui/save-file';
import { SELECT } from '../../ui/select';
import { Toggle } from '../../ui/toggle';
import { files } from '../../words/files';
import { Asking } from '../asking/asking';
import { Working } from '../asking/working';
import type { Format } from '../print/paper';
import { leftOut } from '../print/printable';
import { PageChoice } from '../print/page-choice';
import { StandPage } from '../print/stand-page';
import { tablatureFile } from './tablature-file';
import { sayLoss } from '../../words/said/score-files';

const FORMATS = Object.keys(SCORE_FORMATS) as ScoreFormat[];
const PAPERS: readonly Format[] = ['a4', 'letter'];
/** As loud as they are played here. */
const VOLUMES = { guitar: 0.8, claps: 0.5, click: 0.3 };
/** Work that is over sooner is not spoken of. */
const SAID_AFTER_MS = 250;

/** A study, or part of it, as a file for others: what the format can't hold is said before. */
@Component({
  selector: 'app-files-out',
  imports: [FIELD, SELECT, MatButton, Toggle, Working],
  templateUrl: './files-out.html',
  styleUrl: './files-out.scss',
  host: { '(keydown.control.enter)': 'saveByKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FilesOut {
  protected readonly words = files;
  protected readonly formats = FORMATS;
  protected readonly parts = APART;
  private readonly collection = inject(Collection);
  private readonly exchange = inject(Exchange);
  private readonly looking = inject(ExchangeLook);
  private readonly notice = inject(Notice);
  readonly study = input.required<Study>();
  /** The section that is meant unless something else is said; '' = the whole form. */
  readonly section = input('');
  /** Bars that are chosen on the page, and what they are called. */
  readonly bars = input<readonly [number, number] | null>(null);
  readonly barsName = input('');
  /** Chosen bars are meant where there are some. */
  protected readonly wanted = linkedSignal<string, string>({
    source: () => `${this.section()} ${this.bars()?.join() ?? ''}`,
    computation: () => (this.bars() ? 'bars' : this.section() || 'form'),
  });
  protected readonly what = computed(() => {
    const wanted = this.wanted();
    return wanted === 'form' || wanted === 'bars' || this.study().sections.some((s) => s.id === wanted)
      ? wanted
      : 'form';
  });
  protected readonly format = signal<ScoreFormat>('pdf');
  /** Of tablature the right hand alone, its fingers on their strings. */
  protected readonly rightHand = signal(false);
  private readonly scope = computed((): Scope => {
    const [what, bars] = [this.what(), this.bars()];
    if (what === 'bars' && bars) return { kind: 'bars', section: this.section(), bars };
    return what === 'form' || what === 'bars' ? { kind: 'form' } : { kind: 'section', section: what };
  });
  private readonly ask = computed((): OutAsk => ({
    study: this.study(),
    profile: this.collection.profile(),
    scope: this.scope(),
    format: this.format(),
    rightHand: this.rightHand(),
  }));
  protected readonly asking = new Asking<OutAsk, OutLook>(
    this.ask,
    (ask) => this.looking.look(ask),
    undefined,
    this.looking,
  );
  /** Nothing while the answer is another format’s. */
  protected readonly losses = computed(() => {
    const latest = this.asking.latest();
    return latest?.ask.format === this.format() ? latest.answer.losses.map(sayLoss) : null;
  });
  /** Letters of names that the fonts of documents lack. */
  protected readonly lettersLeftOut = computed((): string => {
    if (SCORE_FORMATS[this.format()].made !== 'pages') return '';
    const { name, sections, shapes } = this.study();
    const texts = [name, ...shapes.map((s) => s.name)];
    for (const s of sections) texts.push(s.name, s.cycle.name, s.chart, ...s.cycle.labels);
    return leftOut(texts).slice(0, 24).join(' ');
  });
  protected readonly nothing = computed(() => {
    const scope = this.scope();
    const own = this.study().sections;
    const wanted = scope.kind === 'form' ? own : own.filter((s) => s.id === scope.section);
    return wanted.every((s) => s.script.trim() === '');
  });
  protected readonly text = computed((): string => {
    const latest = this.asking.latest();
    return latest?.ask.format === 'tablature' && this.format() === 'tablature'
      ? tablatureFile(latest.ask.study, latest.ask.scope, latest.answer.tablature)
      : '';
  });

  // The practice track
  private readonly meant = computed(() => {
    const [scope, { form, sections }] = [this.scope(), this.study()];
    // The order may begin with any of them.
    const id = scope.kind === 'form' ? formLine(readForm(form, sections).items)[0]?.section : scope.section;
    return sections.find((s) => s.id === id);
  });
  protected readonly bpm = linkedSignal(() => this.meant()?.bpm ?? 100);
  protected readonly rounds = signal(4);
  protected readonly part = signal<Apart | null>(null);
  protected readonly countIn = signal(true);
  protected readonly claps = signal(true);
  protected readonly click = signal(true);
  protected setTempo(text: string) {
    this.bpm.set(clampBpm(Number(text)));
  }
  protected setRounds(text: string) {
    this.rounds.set(Math.min(64, Math.max(1, Math.round(Number(text)) || 1)));
  }

  // Writing
  private readonly stand = inject(StandPage);
  private readonly look = inject(PageChoice);
  private stopped = false;
  protected readonly papers = PAPERS;
  protected readonly paper = signal<Format>('a4');
  /** How far a long file has come, above 0; null when nothing takes long. */
  protected readonly share = signal<number | null>(null);
  protected readonly fault = signal('');
  private name(): string {
    const scope = this.scope();
    const section = scope.kind === 'form' ? '' : this.study().sections.find((s) => s.id === scope.section)?.name;
    const bars = scope.kind === 'bars' ? this.barsName() : '';
    const sheet = this.format() === 'sheet' ? this.words.sheet.name : '';
    return [this.study().name, section, bars, sheet].filter(Boolean).join(' ');
  }
  protected async save() {
    const [ask, name] = [this.ask(), this.name()];
    const { ending, type } = SCORE_FORMATS[ask.format];
    this.fault.set('');
    if (ask.format === 'tablature') {
      saveFile(new Blob([this.text()], { type }), name, ending);
      return;
    }
    const slow = setTimeout(() => this.share.set(0.01), SAID_AFTER_MS);
    try {
      const file = await this.made(ask, type);
      if (!file) return;
      saveFile(file, name, ending);
      this.notice.say(this.words.saved(`${name}.${ending}`));
    } catch {
      this.fault.set(this.words.failed);
    } finally {
      clearTimeout(slow);
      this.share.set(null);
    }
  }
  /** From any of its fields. */
  protected saveByKey(e: Event) {
    e.preventDefault();
    if (!this.nothing()) void this.save();
  }
  private async made(ask: OutAsk, type: string): Promise<Blob | null> {
    if (ask.format === 'pdf') return this.page(ask);
    if (ask.format === 'sheet') return this.sheet(ask);
    const bytes = await (ask.format === 'wav' ? this.track(ask) : this.exchange.file(ask));
    return bytes?.length ? new Blob([bytes as Uint8Array<ArrayBuffer>], { type }) : null;
  }
  private async page(ask: OutAsk): Promise<Blob | null> {
    this.stopped = false;
    const sections = await this.exchange.stand(ask);
    return (
      sections &&
      this.stand.pdf(
        ask.study.name,
        sections,
        this.paper(),
        (share) => {
          if (this.share() !== null) this.share.set(Math.max(0.01, share));
          return !this.stopped;
        },
        this.look.view(),
      )
    );
  }
  private async sheet(ask: OutAsk): Promise<Blob | null> {
    const [sections, { sheetPdf }] = await Promise.all([this.exchange.sheet(ask), import('../print/sheet-page')]);
    return sections && sheetPdf(ask.study.name, sections, this.paper(), !!this.collection.settings().neckMirrored);
  }
  /** The document in a page of its own, from which the browser prints. */
  protected async print() {
    const ask = this.ask();
    this.fault.set('');
    try {
      const file = await this.made(ask, 'application/pdf');
      const shown = file && window.open(URL.createObjectURL(file), '_blank');
      if (file && !shown) this.fault.set(this.words.noWindow);
    } catch {
      this.fault.set(this.words.failed);
    }
  }
  private async track(ask: OutAsk) {
    const form = ask.scope.kind === 'form';
    const { claps, click } = VOLUMES;
    let ended = true;
    const wishes = {
      bpm: this.bpm(),
      times: this.rounds(),
      countIn: this.countIn(),
      part: form ? null : this.part(),
      volumes: { ...VOLUMES, claps: this.claps() ? claps : 0, click: this.click() ? click : 0 },
    };
    const bytes = await this.exchange.track(ask, wishes, (share) => {
      ended = false;
      if (this.share() !== null) this.share.set(Math.max(0.01, share));
    });
    // Without a word of progress it was never begun.
    if (!bytes && ended) this.fault.set(this.part() && !form ? this.words.track.none : this.words.track.long);
    return bytes;
  }
  protected stop() {
    this.stopped = true;
    this.exchange.cancel();
    this.share.set(null);
  }
  protected async copy() {
    const done = await navigator.clipboard.writeText(this.text()).then(
      () => true,
      () => false,
    );
    this.notice.say(done ? this.words.copied : this.words.notCopied);
  }
}
