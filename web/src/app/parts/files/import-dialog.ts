import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  Injector,
  signal,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { Router } from '@angular/router';
import {
  type AccentCycle,
  CYCLES,
  cycleById,
  freeName,
  importedStudy,
  importRefusal,
  type Instrument,
  type Study,
  takeImport,
  tuningText,
} from '@ruffle-wheel/core';
import type { ImportedFile } from '@ruffle-wheel/core/exchange';
import { Exchange } from '../../compute/exchange';
import { Collection, OpenStudy } from '../../study';
import { Notice } from '../../ui/notice';
import { SELECT } from '../../ui/select';
import { files } from '../../words/files';
import { sayImportNote, sayImportRefusal } from '../../words/said/score-files';
import { sayRefusal } from '../../words/said/refusals';
import { sayCycle } from '../../words/said/catalogue';
import { newId } from '../../data/new-id';

/** Work that is over sooner is not spoken of. */
const SAID_AFTER_MS = 250;

/** A score file is looked at: what was understood, what not and why, and where it will go. Esc leaves it. */
@Component({
  selector: 'app-import-dialog',
  imports: [MatDialogModule, MatButtonModule, SELECT],
  templateUrl: './import-dialog.html',
  styleUrl: './import-dialog.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ImportDialog {
  protected readonly words = files.look;
  protected readonly sayCycle = sayCycle;
  protected readonly out = files;
  private readonly exchange = inject(Exchange);
  private readonly collection = inject(Collection);
  protected readonly open = inject(OpenStudy);
  private readonly notice = inject(Notice);
  private readonly router = inject(Router);
  private readonly shown = inject<MatDialogRef<ImportDialog>>(MatDialogRef);
  private readonly file = inject<File>(MAT_DIALOG_DATA);
  protected readonly name = this.file.name;
  private bytes: Uint8Array | null = null;
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly share = signal<number | null>(null);
  protected readonly refused = signal('');
  protected readonly piece = signal<ImportedFile | null>(null);
  protected readonly cycles = this.collection.cycles;
  protected readonly cycle = signal<AccentCycle>(this.open.written()?.cycle ?? cycleById('plain-four') ?? CYCLES[0]!);
  private part: number | undefined;
  private stretch = 0;
  protected readonly stretches = computed(() =>
    (this.piece()?.stretches ?? []).map(({ from, to, first, last }, at) => ({
      at,
      said: this.words.sections(from, to, first, last),
    })),
  );
  protected readonly parts = computed(() =>
    (this.piece()?.parts ?? []).map((p, at) => ({
      at,
      said: this.words.counted(p.name || (this.piece()?.kind === 'midi' ? this.words.all : String(at + 1)), p.notes),
    })),
  );
  protected readonly notes = computed(() => this.piece()?.notes.map(sayImportNote) ?? []);
  protected readonly shapes = computed(
    () =>
      this.piece()
        ?.shapes.map((s) => s.name)
        .join(', ') ?? '',
  );
  protected readonly strings = computed(() => {
    const p = this.piece();
    return p ? files.strings(tuningText(p.tuning), p.capo) : '';
  });
  /** The open study has other strings, or another capo. */
  protected readonly unlike = computed(() => {
    const [p, study] = [this.piece(), this.open.study()];
    return !!p && !!study && !same(p, study.instrument);
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.exchange.cancel());
    void this.look();
  }
  private async look() {
    const first = this.piece() === null;
    const piece = await this.read();
    if (piece) this.piece.set(piece);
    // By keyboard the first thing to be said is where it goes.
    if (piece && first)
      afterNextRender(() => this.host.querySelector<HTMLElement>('.choices button')?.focus(), {
        injector: this.injector,
      });
  }
  /** @param instrument strings that it is read for; default: its own */
  private async read(instrument?: Instrument): Promise<ImportedFile | null> {
    this.refused.set('');
    const slow = setTimeout(() => this.share.set(0.01), SAID_AFTER_MS);
    try {
      this.bytes ??= new Uint8Array(await this.file.arrayBuffer());
      const setting = {
        profile: this.collection.profile(),
        cycles: this.collection.ownCycles(),
        cycle: this.cycle(),
        ...(this.part === undefined ? {} : { part: this.part }),
        stretch: this.stretch,
        ...(instrument ? { instrument } : {}),
      };
      const made = await this.exchange.read(this.bytes, setting, (share) => {
        if (this.share() !== null) this.share.set(Math.max(0.01, share));
      });
      if (!made) return null;
      if (!('refusal' in made)) return made;
      this.piece.set(null);
      this.refused.set(sayImportRefusal(made.refusal));
    } catch {
      this.piece.set(null);
      this.refused.set(this.words.notRead);
    } finally {
      clearTimeout(slow);
      this.share.set(null);
    }
    return null;
  }
  protected choosePart(part: number) {
    this.part = part;
    this.stretch = 0;
    void this.look();
  }
  protected chooseStretch(stretch: number) {
    this.stretch = stretch;
    void this.look();
  }
  protected chooseCycle(id: string) {
    this.cycle.set(this.cycles().find((c) => c.id === id) ?? this.cycle());
    this.stretch = 0;
    void this.look();
  }
  protected takeOwn(piece: ImportedFile) {
    const before = this.open.study()?.id ?? '';
    const refusal = importRefusal(piece, newId);
    if (refusal) return this.refused.set(sayRefusal(refusal));
    const made = importedStudy(piece, this.name.replace(/\.\w+$/, ''), newId);
    const names = this.collection.studies().map((r) => r.study.name);
    const study: Study = names.includes(made.name) ? { ...made, name: freeName(made.name, names) } : made;
    this.collection.addStudy(study);
    this.show(study.id);
    this.notice.withUndo(this.words.came(study.name), () => {
      this.collection.deleteStudy(study.id);
      this.show(before);
    });
    this.done();
  }
  private show(id: string) {
    const row = this.collection.row(id);
    if (row) this.open.open(row);
  }
  protected async takeHere(piece: ImportedFile) {
    const study = this.open.study();
    const own = study && this.unlike() ? await this.read(study.instrument) : piece;
    if (!study || !own) return;
    this.open.apply(takeImport(study, own, newId));
    const first = this.open.study()?.sections[study.sections.length];
    // Refused: the reason has been told.
    if (!first) return;
    this.open.chooseSection(first.id);
    this.notice.withStudyUndo(this.words.came(this.name), this.open.wayBack());
    this.done();
  }
  private done() {
    this.shown.close();
    void this.router.navigateByUrl('/weave');
  }
}
const same = (a: Instrument, b: Instrument): boolean => a.capo === b.capo && a.tuning.join() === b.tuning.join();
