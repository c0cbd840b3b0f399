import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import {
  addSection,
  cycleById,
  DEFAULT_PROFILE,
  makeStudy,
  setCapo,
  setForm,
  setScript,
  setTempo,
} from '@ruffle-wheel/core';
import { midiBytes, musicXml } from '@ruffle-wheel/core/exchange';
import { Exchange, ExchangeLook } from '../../compute/exchange';
import { InstantExchange } from '../../testing/instant-exchange';
import { soon } from '../../testing/soon';
import { all, aWorld, choose, key, press, show, texts, type World } from '../../testing/world';
import { FilesOut } from './files-out';
import { ImportDialog } from './import-dialog';
import { watchSaved } from '../../testing/watch-saved';

let world: World;
let exchange: InstantExchange;
let file: File;
const closed = vi.fn();
beforeEach(async () => {
  exchange = new InstantExchange();
  closed.mockClear();
  world = await aWorld(makeStudy('s', 'Stair', cycleById('tangos')), [
    { provide: Exchange, useValue: exchange },
    { provide: ExchangeLook, useValue: exchange },
    { provide: MatDialogRef, useValue: { close: closed } },
    { provide: MAT_DIALOG_DATA, useFactory: () => file },
  ]);
});
const pre = (f: Awaited<ReturnType<typeof out>>) => all(f, 'pre')[0]?.textContent ?? '';
const out = async () => {
  const f = await show(FilesOut, { study: world.open.study(), section: world.open.written()?.id });
  return f;
};
afterEach(() => vi.restoreAllMocks());

describe('out', () => {
  it('tablature of a section, of chosen bars and of the form, its losses said before', async () => {
    world.open.apply(setScript('s-a', 'p:5f3=3 - i:1f0 - p:5f3=3 - i:1f0 - | p:6f3! - i:1f0 - - - - -'));
    world.open.apply(addSection('b', 'B', cycleById('tangos')!));
    world.open.apply(setScript('b', 'i:2f1 - - - - - - -'));
    world.open.apply(setForm('B A B'));
    world.open.chooseSection('s-a');
    const f = await out();
    await choose(f, 'As', 'Tablature in plain text');
    await soon(() =>
      expect(pre(f)).toMatch(
        /^Stair\nStrings 6 to 1: E2 A2 D3 G3 B3 E4\n\nA · Tangos \[tangos\] · \d+ counts a minute\n\n/,
      ),
    );
    expect(pre(f)).toMatch(/A\|-3-------3-------\|-----------------\|/);
    expect(texts(f, 'li').join(' ')).toBe('Left fingers of 3 strokes are not written.');
    f.componentRef.setInput('bars', [1, 1]);
    f.componentRef.setInput('barsName', 'Bar 2');
    await soon(() => expect(pre(f)).toContain('A, bar 2 ·'));
    expect(pre(f)).toMatch(/\nA\|-----------------\|\n/);
    await choose(f, 'What is written', 'The whole form');
    await soon(() => expect(pre(f)).toMatch(/Order: B A B\n\nB · [^]*\n\n\nA · /));
    const saved = watchSaved();
    await press(f, 'Save the file');
    expect(saved[0]).toMatchObject({ name: 'Stair.txt' });
    (f.nativeElement as HTMLElement).dispatchEvent(key('Enter', { ctrlKey: true }));
    expect(saved[1]).toMatchObject({ name: 'Stair.txt' });
    // The right hand alone: its fingers on their strings.
    await press(f, 'Right hand alone');
    await soon(() => expect(pre(f)).toMatch(/\nA\|-p-------p-------\|/));
  });
  it('MusicXML, MIDI and WAV under the names of study and section', async () => {
    world.open.apply(setScript('s-a', 'p:5 i:3 (d) - - - - -'));
    const f = await out();
    const saved = watchSaved();
    await choose(f, 'As', 'MusicXML');
    await soon(() => expect(texts(f, 'li').join()).toMatch(/1 stroke sounds no string and is left out/));
    await press(f, 'Save the file');
    await soon(() => expect(saved.map((s) => s.name)).toEqual(['Stair A.musicxml']));
    expect(await saved[0]!.blob.text()).toContain('<work-title>Stair</work-title>');
    await choose(f, 'As', 'MIDI');
    await soon(() => expect(texts(f, 'li').join()).toMatch(/Strings, frets and fingers of 2 strokes/));
    await press(f, 'Save the file');
    await soon(() => expect(saved.at(-1)?.name).toBe('Stair A.mid'));
    await choose(f, 'As', 'Practice track (WAV)');
    const [tempo, times] = all(f, 'input') as HTMLInputElement[];
    tempo!.value = '240';
    tempo!.dispatchEvent(new Event('change'));
    times!.value = '2';
    times!.dispatchEvent(new Event('change'));
    await press(f, 'Claps');
    await press(f, 'Save the file');
    await soon(() => expect(saved.at(-1)?.name).toBe('Stair A.wav'));
    expect(exchange.tracks[0]).toMatchObject({ bpm: 240, times: 2, countIn: true, volumes: { claps: 0, click: 0.3 } });
    // One turn of four counts before it, two turns of it at 240 a minute, and two seconds to ring out.
    expect(saved.at(-1)!.blob.size).toBe(44 + 2 * 44_100 * (3 + 2));
  });
  it('a track of the whole form has the tempo of the section that it begins with', async () => {
    world.open.apply(addSection('b', 'B', cycleById('tangos')!));
    world.open.apply(setTempo('b', 77));
    world.open.apply(setForm('B A'));
    const f = await out();
    await choose(f, 'What is written', 'The whole form');
    await choose(f, 'As', 'Practice track (WAV)');
    expect((all(f, 'input')[0] as HTMLInputElement).value).toBe('77');
  });
  it('a document says which letters of names it leaves out', async () => {
    world.open.apply(setScript('s-a', 'p i m a'));
    world.open.apply((study) => ({ ...study, name: 'Прилив' }));
    const f = await out();
    await soon(() => expect(texts(f, 'p').join(' ')).toContain('Letters that its fonts lack are left out: П р и л в'));
  });
  it('a part that the section has not is said, and nothing without anything written', async () => {
    world.open.apply(setScript('s-a', 'i:3 - - - - - - -'));
    const f = await out();
    await choose(f, 'As', 'Practice track (WAV)');
    await choose(f, 'Heard', 'basses alone');
    await press(f, 'Save the file');
    await soon(() => expect(texts(f, '[role=alert]').join()).toMatch(/has no such part/));
    world.open.apply(setScript('s-a', ''));
    f.componentRef.setInput('study', world.open.study());
    await soon(() => expect(texts(f, 'p').join(' ')).toMatch(/Nothing is written yet/));
  });
});

describe('in', () => {
  beforeEach(() => vi.spyOn(TestBed.inject(Router), 'navigateByUrl').mockResolvedValue(true));
  const written = () => setScript('x-a', 'p:5 i:3 m:2 a:1 p:5 - - -')(makeStudy('x', 'Pier', cycleById('tangos')));
  const form = { kind: 'form' } as const;
  it('a score is looked at, and becomes a study of its own that can be taken back', async () => {
    file = new File([musicXml(written(), DEFAULT_PROFILE, form)], 'pier.musicxml');
    const f = await show(ImportDialog);
    await soon(() => expect(texts(f, 'li').join()).toMatch(/A Tangos · 1 bar · 125/));
    expect(texts(f, 'p').join(' ')).toMatch(/5 notes.*Everything was understood/);
    await press(f, 'A study of its own');
    expect(world.open.study()?.name).toBe('Pier');
    expect(world.open.study()?.sections[0]?.script).toBe('p:5 i:3 m:2 a:1 p:5 - - -');
    expect(closed).toHaveBeenCalled();
  });
  it('behind the sections of the open study, on its own strings, as one step of undo', async () => {
    world.open.apply(setCapo(2));
    file = new File([musicXml(written(), DEFAULT_PROFILE, form)], 'pier.musicxml');
    const f = await show(ImportDialog);
    await soon(() => expect(texts(f, '.choices').join()).toMatch(/notes get new places by their pitch/));
    await press(f, 'Behind the sections of Stair');
    await soon(() => expect(world.open.study()?.sections.map((s) => s.name)).toEqual(['A', 'A 2']));
    // An open fifth string is below the capo: it lies on the sixth now.
    expect(world.open.written()?.script).toMatch(/^p:6f3 /);
    world.open.undo();
    expect(world.open.study()?.sections).toHaveLength(1);
  });
  it('of a MIDI file a track is chosen', async () => {
    const names = { fingers: 'Fingers', thumb: 'Thumb', taps: 'Golpes', claps: 'Claps' };
    file = new File([midiBytes(written(), DEFAULT_PROFILE, form, names) as Uint8Array<ArrayBuffer>], 'pier.mid');
    const f = await show(ImportDialog);
    await soon(() => expect(texts(f, 'p').join(' ')).toMatch(/5 notes · none had a string/));
    await choose(f, 'Part or track', 'Thumb, 2 notes');
    await soon(() => expect(texts(f, 'p').join(' ')).toMatch(/2 notes · none had/));
  });
  it('tablature names no cycle: the open section’s is meant until another is chosen', async () => {
    file = new File([['e', 'B', 'G', 'D', 'A', 'E'].map((s) => `${s}|-0---2---3---5---|`).join('\n')], 'a.txt');
    const f = await show(ImportDialog);
    await soon(() => expect(texts(f, 'li').join()).toMatch(/A Tangos/));
    await choose(f, 'Its bars lie on', 'Four beats');
    await soon(() => expect(texts(f, 'li').join()).toMatch(/A Four beats/));
  });
  it('a piece too long for one study is offered in stretches; each becomes one', async () => {
    const tab = ['e|-0-|', 'B|---|', 'G|---|', 'D|---|', 'A|---|', 'E|---|'].join('\n');
    file = new File([Array.from({ length: 33 }, (_, n) => `[Part ${n + 1}]\n${tab}`).join('\n')], 'quay.txt');
    const f = await show(ImportDialog);
    await soon(() => expect(texts(f, '.sections li')).toHaveLength(32));
    expect(await choose(f, 'Which sections')).toEqual(['1–32: Part 1 to Part 32', '33: Part 33']);
    await choose(f, 'Which sections', '33: Part 33');
    await soon(() => expect(texts(f, '.sections b')).toEqual(['Part 33']));
    await press(f, 'A study of its own');
    expect(world.open.study()?.sections.map((s) => s.name)).toEqual(['Part 33']);
  });
  it('what a study can’t hold is said, and nothing comes of it', async () => {
    file = new File(['e|-0-|\nB|---|\nG|---|\nD|---|\nA|---|\nE|---|'], 'quay.txt');
    const read = exchange.read.bind(exchange);
    vi.spyOn(exchange, 'read').mockImplementation(async (...asked) => {
      const made = await read(...asked);
      if ('refusal' in made) return made;
      return { ...made, sections: made.sections.map((s) => ({ ...s, script: 'p '.repeat(10_001) })) };
    });
    const f = await show(ImportDialog);
    await soon(() => expect(texts(f, '.sections li')).toHaveLength(1));
    const before = world.collection.studies().length;
    await press(f, 'A study of its own');
    expect(texts(f, '[role=alert]').join(' ')).toMatch(/20000 letters at most/);
    expect(world.collection.studies()).toHaveLength(before);
    expect(closed).not.toHaveBeenCalled();
  });
  it('what is no score is refused in words', async () => {
    file = new File(['Dear diary'], 'a.txt');
    const f = await show(ImportDialog);
    await soon(() => expect(texts(f, '[role=alert]').join()).toMatch(/not taken.*no six lines of strings/s));
    expect(all(f, '.choices')).toEqual([]);
  });
});
