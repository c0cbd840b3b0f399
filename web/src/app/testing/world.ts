import { signal, type Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { provideRouter } from '@angular/router';
import {
  courseFor,
  cycleById,
  makeStudy,
  piecePlan,
  planSet,
  type Plan,
  planSession,
  putShape,
  readShape,
  setChart,
  setScript,
  type Shape,
  startingPoints,
  type Study,
  unrollForm,
  writtenBars,
  type TimeKeeping,
} from '@ruffle-wheel/core';
import { type AnsweredReading, Compute } from '../compute/compute';
import { arrived } from '../compute/page-reading';
import { readForPage } from '../compute/read-for-page';
import { DATABASE_NAME } from '../data/database-name';
import { Transport } from '../sound/transport';
import { Everywhere } from '../shell/everywhere';
import { Collection, OpenStudy } from '../study';
import { ScriptEditor } from '../ui/script/script-editor';
import { newId } from '../data/new-id';

/** Chooses an entry of a menu that a button opens. */
export async function fromMenu(f: ComponentFixture<unknown>, trigger: string, entry: string) {
  await press(f, trigger);
  const entries = [...document.querySelectorAll<HTMLElement>('[mat-menu-item]')];
  const found = entries.find((e) => e.textContent.trim() === entry);
  if (!found) throw new Error(`no ${entry} among ${entries.map((e) => e.textContent.trim()).join(', ')}`);
  found.click();
  await f.whenStable();
}
/** Answers at once, in the page: the same readings as the worker's. */
export class InstantCompute {
  private readonly latest = signal<AnsweredReading | null>(null);
  readonly answered = this.latest.asReadonly();
  readonly failure = signal(null);
  ask(request: Parameters<Compute['ask']>[0]) {
    this.latest.set({ request, reading: arrived(readForPage(request)) });
  }
  startingPoints(...asked: Parameters<Compute['startingPoints']>) {
    return Promise.resolve(startingPoints(...asked));
  }
  courseFor(...asked: Parameters<Compute['courseFor']>) {
    return Promise.resolve(courseFor(...asked));
  }
  planSession(...asked: Parameters<Compute['planSession']>) {
    return Promise.resolve(planSession(...asked));
  }
  planSet(studies: readonly Study[]) {
    return Promise.resolve(planSet(studies));
  }
  writtenBars(...asked: Parameters<Compute['writtenBars']>) {
    return Promise.resolve(writtenBars(...asked));
  }
  unrollForm(study: Study) {
    return Promise.resolve(unrollForm(study));
  }
  piecePlan(study: Study, first: number, keeping?: TimeKeeping) {
    return Promise.resolve(piecePlan(study, first, keeping));
  }
  planOf(request: Parameters<Compute['ask']>[0]) {
    return Promise.resolve(arrived(readForPage(request)).plan);
  }
}
/** A transport without sound whose place a test sets. */
export class SilentTransport {
  readonly heard = signal<number | null>(null);
  readonly level = signal(0);
  readonly error = signal<string | null>(null);
  readonly state = signal<'stopped' | 'playing'>('stopped');
  readonly played: number[] = [];
  loop = true;
  readonly running = () => this.state() !== 'stopped';
  /** Every asking comes a pass later, so that each can be marked. */
  passes = 0;
  readonly progress = (): number | null => (this.running() ? ++this.passes : null);
  async play(tempo: number) {
    this.passes = 0;
    this.played.push(tempo);
    this.state.set('playing');
  }
  stop() {
    this.state.set('stopped');
  }
  readonly loaded: Plan[] = [];
  load(plan?: () => Plan) {
    if (plan) this.loaded.push(plan());
  }
  speed = 1;
  setSpeed(speed: number) {
    this.speed = speed;
  }
  readonly lent: unknown[] = [];
  lend(plan: unknown) {
    this.lent.push(plan);
  }
  readonly instead: { plan: unknown; round: boolean; placeIn: (at: number) => number }[] = [];
  async playInstead(plan: unknown, tempo: number, how: { round: boolean; placeIn: (at: number) => number }) {
    this.instead.push({ plan, ...how });
    await this.play(tempo);
  }
  setTempo(tempo: number) {
    this.played.push(tempo);
  }
  setVolume() {
    return undefined;
  }
  tap() {
    return 111;
  }
}

export const shape = (id: string, frets: string, fingers = frets): Shape => {
  const read = readShape(frets, fingers);
  return { id, name: id.toUpperCase(), frets: read.frets, fingers: read.fingers };
};
/** A bulería with a five-stroke cell and two shapes, one each turn. */
export function fiveOverTwelve(): Study {
  const base = makeStudy('s', 'Study', cycleById('buleria'));
  const commands = [
    putShape(shape('c', 'x-3-2-0-1-0')),
    putShape(shape('em', '0-2-2-0-0-0', '0-1-2-0-0-0')),
    setChart('s-a', 'C | EM'),
    setScript('s-a', 'ed ad md id iu'),
  ];
  return commands.reduce((study, command) => command(study), base);
}

export interface World {
  readonly open: OpenStudy;
  readonly collection: Collection;
  readonly transport: SilentTransport;
}
/** A component some of whose parts are fetched later: they are compiled before it is shown. Before `aWorld`. */
export async function withLaterParts(component: Type<unknown>): Promise<void> {
  TestBed.overrideComponent(component, {});
  await TestBed.compileComponents();
}
/** Storage of its own, no worker, no sound, and one open study. */
export async function aWorld(study: Study = fiveOverTwelve(), providers: unknown[] = []): Promise<World> {
  const transport = new SilentTransport();
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: DATABASE_NAME, useValue: newId() },
      { provide: Compute, useClass: InstantCompute },
      { provide: Transport, useValue: transport },
      ...(providers as []),
    ],
  });
  const collection = TestBed.inject(Collection);
  collection.addStudy(study);
  await collection.settled();
  const open = TestBed.inject(OpenStudy);
  open.open(collection.studies()[0]!);
  TestBed.tick();
  // The keys that hold everywhere, as the frame gives them.
  TestBed.inject(Everywhere);
  return { open, collection, transport };
}

export async function show<T>(component: Type<T>, inputs: Record<string, unknown> = {}): Promise<ComponentFixture<T>> {
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  return fixture;
}
export const element = (f: ComponentFixture<unknown>): HTMLElement => f.nativeElement as HTMLElement;
export const all = (f: ComponentFixture<unknown>, css: string): HTMLElement[] => [
  ...element(f).querySelectorAll<HTMLElement>(css),
];
export const texts = (f: ComponentFixture<unknown>, css: string): string[] =>
  all(f, css).map((e) => (e.textContent ?? '').replace(/\s+/g, ' ').trim());
/** The button with this text or label. */
export function button(f: ComponentFixture<unknown>, name: string): HTMLButtonElement {
  const found = all(f, 'button').find((b) =>
    (b.getAttribute('aria-label') ?? b.textContent ?? '').replace(/\s+/g, ' ').trim().startsWith(name),
  );
  if (!found) throw new Error(`There is no button “${name}”.`);
  return found as HTMLButtonElement;
}
export async function press(f: ComponentFixture<unknown>, name: string) {
  button(f, name).click();
  await f.whenStable();
}
export async function type(f: ComponentFixture<unknown>, field: HTMLInputElement | HTMLTextAreaElement, value: string) {
  field.value = value;
  field.dispatchEvent(new Event('input', { bubbles: true }));
  field.dispatchEvent(new Event('change', { bubbles: true }));
  await f.whenStable();
}
/** The field under the label that begins with this text. */
export function field(f: ComponentFixture<unknown>, label: string): HTMLInputElement {
  const found = all(f, 'mat-form-field').find((l) => words(l.querySelector('mat-label')).startsWith(label));
  const control = found?.querySelector<HTMLInputElement>('input, textarea');
  if (!control) throw new Error(`There is no field “${label}”.`);
  return control;
}
/** The script or chart with this label, as its editor hands on what is done in it. */
export function editor(f: ComponentFixture<unknown>, label: string): ScriptEditor {
  const all = f.debugElement.queryAll(By.directive(ScriptEditor)).map((d) => d.componentInstance as ScriptEditor);
  const found = all.find((e) => e.label().startsWith(label));
  if (!found) throw new Error(`There is no editor “${label}”.`);
  return found;
}
const words = (e: Element | undefined | null): string => (e?.textContent ?? '').replace(/\s+/g, ' ').trim();
/** The choice under this label. */
function choiceOf(f: ComponentFixture<unknown>, label: string): HTMLElement {
  const found = all(f, 'mat-form-field').find((l) => words(l.querySelector('mat-label')).startsWith(label));
  const select = found?.querySelector<HTMLElement>('mat-select');
  if (!select) throw new Error(`There is no choice “${label}”.`);
  return select;
}
/** What is chosen there. */
export const chosen = (f: ComponentFixture<unknown>, label: string): string =>
  words(choiceOf(f, label).querySelector('.mat-mdc-select-value'));
/** Opens it and names what there is to choose from; takes one of it when it is named. */
export async function choose(f: ComponentFixture<unknown>, label: string, option?: string): Promise<string[]> {
  const select = choiceOf(f, label);
  select.querySelector<HTMLElement>('.mat-mdc-select-trigger')?.click();
  await f.whenStable();
  const panel = document.getElementById(select.getAttribute('aria-controls') ?? '');
  const options = [...(panel?.querySelectorAll<HTMLElement>('mat-option') ?? [])];
  const taken = option === undefined ? undefined : options.find((o) => words(o) === option);
  if (option !== undefined && !taken) throw new Error(`“${label}” offers no “${option}”.`);
  if (taken) taken.click();
  else select.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', keyCode: 27, bubbles: true }));
  await f.whenStable();
  return options.map(words);
}
export const key = (name: string, more: KeyboardEventInit = {}): KeyboardEvent =>
  new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true, ...more });

/** The same as pressing Space or the button in the header. */
export const playOrStop = (): Promise<void> => TestBed.inject(Everywhere).playOrStop();
