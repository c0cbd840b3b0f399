import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  type AccentCycle,
  type Cell,
  cleanName,
  cycleLength,
  FAMILIES,
  flatten,
  LONGEST_CELL,
  makeCycle,
  type OwnCell,
  parseScript,
  slotsInTurn,
  STEPS_PER_COUNT,
  TICKS_PER_COUNT,
} from '@ruffle-wheel/core';
import { Collection, OpenStudy } from '../../study';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import { Notice } from '../../ui/notice';
import { WaysBack } from '../../ui/ways-back';
import { Strip } from '../../ui/strip/strip';
import { sayCellFaults } from '../../words/said/faults';
import { shelf as shelfWords } from '../../words/shelf';
import { SELECT } from '../../ui/select';
import { MatButton } from '@angular/material/button';
import { FIELD } from '../../ui/field';
import { sayCell, sayFamily } from '../../words/said/catalogue';
import { newId } from '../../data/new-id';

/** A cell's own length as a cycle without accents, to draw it on. */
function plainCycle(cell: Cell, length: number): AccentCycle {
  const counts = Math.max(1, Math.ceil(length / TICKS_PER_COUNT));
  const tempo: [number, number, number] = [60, 120, 240];
  return makeCycle({
    id: 'cell',
    name: cell.name,
    family: cell.family,
    counts,
    accents: [],
    groups: [counts],
    countNote: 'quarter',
    tempo,
  });
}

/** Shipped cells and own ones: each drawn, heard, put into the open section; own ones made, changed and deleted. */
@Component({
  selector: 'app-cells',
  imports: [FIELD, MatButton, SELECT, Strip, AnswerButtons],
  templateUrl: './cells.html',
  styleUrl: './cells.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Cells {
  protected readonly words = shelfWords;
  protected readonly sayCell = sayCell;
  protected readonly sayFamily = sayFamily;
  private readonly collection = inject(Collection);
  private readonly open = inject(OpenStudy);
  private readonly notice = inject(Notice);
  private readonly ways = inject(WaysBack);
  protected readonly stepChoices = STEPS_PER_COUNT;
  protected readonly longest = LONGEST_CELL;
  protected readonly editing = signal<OwnCell | null>(null);
  protected readonly faults = signal<readonly string[]>([]);

  protected readonly families = computed(() => {
    const own = new Set<Cell>(this.collection.ownCells());
    const here = this.open.section()?.cycle.family;
    return FAMILIES.map((family) => ({
      family,
      open: family === here,
      rows: this.collection.cells().flatMap((cell) => (cell.family === family ? [this.row(cell, own.has(cell))] : [])),
    }));
  });
  private row(cell: Cell, own: boolean) {
    const flat = flatten(parseScript(cell.script, cell).pattern);
    const cycle = plainCycle(cell, flat.length);
    return {
      key: `cell ${cell.family} ${cell.name} ${cell.script}`,
      cell,
      own: own ? (cell as OwnCell) : null,
      cycle,
      flat,
      slots: slotsInTurn(flat, cycle, 0, 0)
        .filter((s) => s.inTurn < Math.min(flat.length, cycleLength(cycle)))
        .slice(0, flat.slots.length),
      shown: { script: cell.script, stepsPerCount: cell.stepsPerCount },
    };
  }

  protected fresh() {
    const family = this.open.section()?.cycle.family ?? 'flamenco';
    this.edit({ id: newId(), name: '', script: '', stepsPerCount: 4, family, note: '' });
  }
  protected edit(cell: OwnCell) {
    this.faults.set([]);
    this.editing.set(cell);
  }
  protected keep(name: string, script: string, steps: string) {
    const editing = this.editing();
    if (!editing) return;
    const cell = { ...editing, name: cleanName(name), script: script.trim(), stepsPerCount: Number(steps) };
    this.faults.set(sayCellFaults(cell));
    if (this.faults().length) return;
    const before = this.collection.ownCells().find((c) => c.id === cell.id);
    this.collection.saveCell(cell);
    this.editing.set(null);
    this.ways.add(this.words.cellKept(cell.name), () =>
      before ? this.collection.saveCell(before) : this.collection.deleteCell(cell),
    );
  }
  protected remove(cell: OwnCell) {
    const undo = this.collection.deleteCell(cell);
    this.notice.withUndo(`${this.words.cellRemoved}: ${cell.name}`, undo);
  }
}
