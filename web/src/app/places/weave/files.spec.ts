import { addSection, cycleById, makeStudy, setChart, setForm, setScript } from '@ruffle-wheel/core';
import { LongSolve } from '../../compute/solve';
import { InstantSolve } from '../../testing/instant-solve';
import { soon } from '../../testing/soon';
import { all, aWorld, choose, press, show, texts, type World } from '../../testing/world';
import { FilesPanel } from './files-panel';

let world: World;
beforeEach(async () => {
  world = await aWorld(makeStudy('s', 'Stair', cycleById('tangos')), [{ provide: LongSolve, useClass: InstantSolve }]);
});
const pre = (f: Awaited<ReturnType<typeof show>>) => all(f, 'pre')[0]?.textContent ?? '';

describe('files', () => {
  it('a section, chosen bars and the whole form as tablature, with what is lost said before', async () => {
    world.open.apply(setScript('s-a', 'p:5f3=3 - i:1f0 - p:5f3=3 - i:1f0 - | p:6f3! - i:1f0 - - - - -'));
    world.open.apply(addSection('b', 'B', cycleById('tangos')!));
    world.open.apply(setScript('b', 'i:2f1 - - - - - - -'));
    world.open.apply(setForm('B A B'));
    world.open.chooseSection('s-a');
    const f = await show(FilesPanel);
    await soon(() =>
      expect(pre(f)).toMatch(/^Stair\nStrings 6 to 1: E2 A2 D3 G3 B3 E4\n\nA · Tangos · \d+ counts a minute\n\n/),
    );
    expect(pre(f)).toMatch(/A\|-3-------3-------\|-----------------\|/);
    expect(texts(f, 'li').join(' ')).toMatch(
      /Left fingers of 3 strokes are not written\. Marks of 1 stroke are not written/,
    );
    f.componentRef.setInput('bars', [1, 1]);
    f.componentRef.setInput('barsName', 'Bar 2');
    await soon(() => expect(pre(f)).toContain('A, bar 2 ·'));
    expect(pre(f)).toMatch(/\nA\|-----------------\|\n/);
    await choose(f, 'What is written', 'All sections of the form');
    await soon(() => expect(pre(f)).toMatch(/Order: B A B\n\nB · [^]*\n\n\nA · /));
  });
  it('is saved under the names of study and section, and copied', async () => {
    world.open.apply(setScript('s-a', 'p:5 - - - - - - -'));
    world.open.apply(setChart('s-a', ''));
    const f = await show(FilesPanel);
    await soon(() => expect(pre(f)).toContain('A|-0'));
    const saved: string[] = [];
    const made = vi.spyOn(URL, 'createObjectURL').mockReturnValue('blob:x');
    vi.spyOn(URL, 'revokeObjectURL').mockReturnValue();
    vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
      saved.push(this.download);
    });
    await press(f, 'Save as text');
    expect(saved).toEqual(['Stair A.txt']);
    expect((made.mock.calls[0]?.[0] as Blob).type).toBe('text/plain');
    const copied: string[] = [];
    vi.stubGlobal('navigator', {
      ...navigator,
      clipboard: { writeText: (t: string) => Promise.resolve(void copied.push(t)) },
    });
    await press(f, 'Copy');
    expect(copied[0]).toBe(pre(f));
    vi.unstubAllGlobals();
  });
  it('without anything written says so', async () => {
    world.open.apply(setScript('s-a', ''));
    const f = await show(FilesPanel);
    await soon(() => expect(texts(f, 'p').join(' ')).toMatch(/Nothing is written yet/));
  });
});
