import { TestBed } from '@angular/core/testing';
import { addSection, cycleById, FIGURE_WAYS, makeStudy, setChart, setScript, type Study } from '@ruffle-wheel/core';
import { By } from '@angular/platform-browser';
import { Router } from '@angular/router';
import { AskedDrills } from '../../study';
import { LongSolve, Solve } from '../../compute/solve';
import { InstantSolve } from '../../testing/instant-solve';
import {
  all,
  aWorld,
  button,
  choose,
  chosen,
  field,
  key,
  press,
  show,
  texts,
  type,
  type World,
} from '../../testing/world';
import { soon } from '../../testing/soon';
import { Notice } from '../../ui/notice';
import { ScriptEditor } from '../../ui/script/script-editor';
import { BassPanel } from './bass-panel';
import { CompPanel } from './comp-panel';
import { ConflictsPanel } from './conflicts-panel';
import { KeysPanel } from './keys-panel';
import { TablatureField } from './tablature-field';
import { WordsField } from './words-field';

/** A bossa nova with a chart of symbols and nothing played yet. */
function lamps(): Study {
  const base = makeStudy('s', 'Lamps', cycleById('bossa-three-two'));
  return setChart('s-a', 'Am7 | % | Dm7 | E7')(base);
}
let world: World;
beforeEach(async () => {
  world = await aWorld(lamps(), [
    { provide: Solve, useClass: InstantSolve },
    { provide: LongSolve, useClass: InstantSolve },
  ]);
});
const section = () => world.open.section()!;

describe('comping', () => {
  const panel = async () => {
    const f = await show(CompPanel);
    await soon(() => expect(all(f, 'section').length).toBe(3));
    return f;
  };
  it('orders the study’s charts under the figure from easy to hard, once they are asked for', async () => {
    world.open.apply(addSection('s-b', 'Two chords a bar', section().cycle));
    world.open.apply(setChart('s-b', 'Am Dm | E7 Am'));
    const f = await show(CompPanel);
    const list = all(f, 'details').find((d) => d.textContent?.includes('easy to hard')) as HTMLDetailsElement;
    expect(list.querySelectorAll('li')).toHaveLength(0);
    list.open = true;
    list.dispatchEvent(new Event('toggle'));
    await soon(() => {
      f.detectChanges();
      expect([...list.querySelectorAll('li')].map((li) => li.textContent.replace(/\s+/g, ' ').trim())).toEqual([
        expect.stringMatching(/^A cut in bar 4; the left hand follows up to \d+$/),
        expect.stringMatching(/^Two chords a bar cut in bars 1 2; the left hand follows up to \d+$/),
      ]);
    });
  });
  it('makes the chart an accompaniment, tells it chord by chord, and takes it over with its shapes', async () => {
    const f = await panel();
    expect(chosen(f, 'Figure')).toBe('Straight and pushed: AB BA');
    expect(texts(f, '.shapes')[0]).toContain('Am7 x-0-2-0-1-0');
    const told = texts(f, 'section')[0];
    expect(told).toMatch(/Am7 bar 1 Bars 1 2 of the figure\..*Thumb on 5, fingers on 4 3 2/);
    expect(told).toMatch(/Dm7 bar 3 Bar 1 of the figure\..*Thumb on 4, fingers on 3 2 1; the fingers move/);
    await press(f, 'Take over: 1');
    expect(section().script).toMatch(/^p:b - ima:t - /);
    expect(section().chart).toBe('Am7 | % | Dm7 | E7');
    expect(world.open.study()?.shapes.map((s) => s.name)).toEqual(['Am7', 'Dm7', 'E7']);
    const went = vi.spyOn(TestBed.inject(Router), 'navigateByUrl').mockResolvedValue(true);
    await press(f, 'Practise what is written');
    expect(went).toHaveBeenCalledWith('/practise');
    expect(TestBed.inject(AskedDrills).take()).toEqual(FIGURE_WAYS.map((way) => `figure ${way}`));
    world.open.undo();
    expect(section().script).toBe('');
    expect(world.open.study()?.shapes).toEqual([]);
  });
  it('follows every wish: the order, the bass, who is pushed, strings of the fingers', async () => {
    const f = await panel();
    await choose(f, 'Chord tied', 'pushed: the new chord early');
    await choose(f, 'Bass', 'root held');
    await type(f, field(f, 'Order'), 'AA');
    await type(f, field(f, 'Fingers’ strings'), 'Am7 321');
    await soon(() => expect(texts(f, 'section')[0]).toMatch(/Thumb on 5, fingers on 3 2 1/));
    await press(f, 'Take over: 1');
    expect(section().script).toMatch(/ima>?:321/);
    expect(section().script).not.toContain(':f');
  });
  it('Ctrl+Enter takes the first answer from any field', async () => {
    const f = await panel();
    field(f, 'Order').dispatchEvent(key('Enter', { ctrlKey: true }));
    await f.whenStable();
    expect(section().script).toMatch(/^p:b - ima:t - /);
  });
  it('cells are written beat by beat, and a bar that is not full says so', async () => {
    const f = await panel();
    await press(f, 'Cell C');
    await press(f, 'One beat more in cell C');
    await choose(f, 'Beat 2', 'rest');
    await type(f, field(f, 'Order'), 'C');
    await soon(() => expect(texts(f, 'section')[0]).toMatch(/Bar 1 of the figure/));
    await press(f, 'One beat less in cell C');
    await soon(() =>
      expect(texts(f, '.fault')[0]).toMatch(/Bar 1 of the figure is 2 counts long; the cycle’s bar has 4/),
    );
    // It is all there again when the panel comes back.
    const again = await show(CompPanel);
    expect(field(again, 'Order').value).toBe('C');
  });
  it('strings that can’t be read, and a chart that is empty, are told in words', async () => {
    const f = await panel();
    await type(f, field(f, 'Fingers’ strings'), 'Dm7 on 432x');
    expect(texts(f, '.fault')[0]).toMatch(/this can’t be read: Dm7 on 432x$/);
    await type(f, field(f, 'Fingers’ strings'), '');
    world.open.apply(setChart('s-a', ''));
    await soon(() => expect(texts(f, '.fault')[0]).toMatch(/^The chart is empty/));
  });
});

describe('the bass', () => {
  it('without a thumb says what to do', async () => {
    const f = await show(BassPanel);
    await soon(() => expect(texts(f, '.fault')[0]).toMatch(/thumb plucks no bass/));
  });
  it('is worked out under what is written, note by note, and written into it', async () => {
    const comp = await show(CompPanel);
    await soon(() => expect(all(comp, 'section').length).toBe(3));
    await choose(comp, 'Bass', 'root held');
    await soon(() => expect(texts(comp, 'section')[0]).toBeTruthy());
    await press(comp, 'Take over: 1');
    comp.destroy();
    const f = await show(BassPanel);
    expect(texts(f, 'ul li').join(' ')).toMatch(/^They never sound together.*The thumb alone/);
    await choose(f, 'Bass', 'walking');
    await choose(f, 'From', 'below');
    await soon(() => expect(texts(f, 'section li').join(' ')).toMatch(/Leads on/));
    expect(texts(f, 'section li')[0]).toMatch(/^5 open bar 1, 1, Am7 · Root, open\./);
    await press(f, 'Take over: 1');
    // The fingers keep what is theirs.
    expect(section().script).toMatch(/p:6/);
    expect(section().script.match(/ima/g)?.length).toBeGreaterThan(4);
  });
});

describe('words and key', () => {
  it('are written as the chart is, with their faults, and undone', async () => {
    const f = await show(WordsField);
    const editor = f.debugElement.query(By.directive(ScriptEditor)).componentInstance as ScriptEditor;
    editor.textChange.emit('la voz | . a b c d');
    await f.whenStable();
    expect(section().words).toBe('la voz | . a b c d');
    expect(texts(f, 'app-fault-list').join()).toMatch(/take 5 counts; the bar has 4/);
    editor.textChange.emit('la % voz');
    await f.whenStable();
    expect(texts(f, 'app-fault-list').join()).toMatch(/means the bar before once more/);
    world.open.undo();
    expect(section().words).toBe('');
  });
  it('the key is found, or set with its mode', async () => {
    const f = await show(WordsField);
    await choose(f, 'Key', 'B♭');
    expect(section().key).toEqual({ tonic: 'Bb', mode: 'major' });
    await choose(f, 'Mode', 'Dorian');
    expect(section().key).toEqual({ tonic: 'Bb', mode: 'dorian' });
    await choose(f, 'Key', 'found from what is played');
    expect(section().key).toBeNull();
  });
});

describe('conflicts', () => {
  it('without any it says so', async () => {
    const f = await show(ConflictsPanel);
    await soon(() => expect(texts(f, '[role=status]').join()).toMatch(/Nothing stands against/));
  });
  it('are told over the whole piece with remedies that end them, and lead to their place', async () => {
    world.open.apply(addSection('t', 'Turn', cycleById('bossa-three-two')!));
    world.open.apply(setChart('t', 'Am | E'));
    world.open.apply(setScript('t', 'p:5 - ima:432 - p:5 - ima:432 - | - ima:432 p:5 - p:5 - ima:432 -'));
    for (const [name, frets] of [
      ['Am', [null, 0, 2, 2, 1, 0]],
      ['E', [0, 2, 2, 1, 0, 0]],
    ] as const)
      world.open.apply((s) => ({
        ...s,
        shapes: [...s.shapes, { id: name, name, frets, fingers: frets.map((x) => (x === 0 ? 0 : null)) } as never],
      }));
    const f = await show(ConflictsPanel);
    const went: unknown[] = [];
    f.componentInstance.goTo.subscribe((p) => went.push(p));
    await soon(() => expect(texts(f, 'li p').join(' ')).toMatch(/A stroke is held over a change\..* goes on into E\./));
    // Where a way out is offered, no hint is needed.
    await soon(() => expect(texts(f, 'li p').join(' ')).not.toMatch(/write > after it/));
    button(f, 'Go to Turn, bar 1').click();
    expect(went).toMatchObject([{ section: 't' }]);
    const said = vi.spyOn(TestBed.inject(Notice), 'withStudyUndo');
    await press(f, 'Push');
    expect(world.open.study()?.sections[1]?.script).toContain('ima:432>');
    expect(said.mock.calls[0]?.[0]).toMatch(/^Push.*taken$/);
    await soon(() => expect(texts(f, 'li p').join(' ')).not.toMatch(/goes on into E/));
  });
});

describe('keys', () => {
  it('ranks every key and capo place of the section, and takes one with its chart, shapes and capo', async () => {
    world.open.apply(setChart('s-a', 'F | Bb'));
    world.open.apply(setScript('s-a', 'p:b - ima:t - p:b - ima:t -'));
    const f = await show(KeysPanel);
    await soon(() => expect(all(f, 'li').length).toBeGreaterThan(7));
    const rows = texts(f, 'li');
    const points = rows.map((r) => parseInt(r, 10));
    expect(points).toEqual([...points].sort((a, b) => a - b));
    expect(rows.some((r) => /As it stands, no capo/.test(r))).toBe(true);
    // A semitone down it needs no barre.
    const row = rows.findIndex((r) => r.includes('E | A'));
    expect(rows[row]).toContain('Open basses: E, A');
    expect(rows.find((r) => /As it stands, no capo/.test(r))).toContain('No bass is an open string.');
    all(f, 'li')[row]!.querySelectorAll('button')[1]!.click();
    await f.whenStable();
    expect(section().chart).toMatch(/^E \| A\b/);
    expect(world.open.study()?.shapes.map((s) => s.name)).toEqual(expect.arrayContaining(['E', 'A']));
  });
  it('ranks the bars that are chosen under the capo that is on, and moves them alone', async () => {
    world.open.apply(setChart('s-a', 'Am7 | F | F | Am7'));
    world.open.apply(setScript('s-a', '{p:b - ima:t - p:b - ima:t -}x4'));
    const f = await show(KeysPanel, { bars: [1, 2], barsName: 'Bars 2 to 3' });
    await soon(() => expect(all(f, 'li').length).toBeGreaterThan(3));
    expect(texts(f, 'p')[0]).toMatch(/^Bars 2 to 3 alone/);
    expect(texts(f, 'li').every((r) => /no capo/.test(r))).toBe(true);
    const row = texts(f, 'li').findIndex((r) => r.includes('Am7 | E | % | Am7'));
    all(f, 'li')[row]!.querySelectorAll('button')[1]!.click();
    await f.whenStable();
    expect(section().chart).toBe('Am7 | E | % | Am7');
    f.componentRef.setInput('bars', [40, 41]);
    await soon(() => expect(texts(f, '.fault')[0]).toMatch(/can’t be cut out/));
  });
  it('a chart of names that are no symbols says so', async () => {
    world.open.apply(setChart('s-a', 'Mine'));
    const f = await show(KeysPanel);
    await soon(() => expect(texts(f, '.fault')[0]).toMatch(/^Mine is no chord symbol/));
  });
});

describe('tablature', () => {
  const SIX = [
    'e|-0-----3-------|',
    'B|---1-----------|',
    'G|---------------|',
    'D|---------------|',
    'A|-3-------------|',
  ];
  it('is looked at first, with what was moved, and becomes the script', async () => {
    const f = await show(TablatureField);
    await type(f, field(f, 'Tablature'), [...SIX, 'E|---------------|', '   i m'].join('\n'));
    expect(texts(f, 'p')[0]).toMatch(/^1 bar, 4 notes/);
    await press(f, 'Take over');
    expect(section().script).toBe('??:5f3+1f0 m:2f1 - ?:1f3 - - - -');
    world.open.undo();
    expect(section().script).toBe('');
  });
  it('what is none says so', async () => {
    const f = await show(TablatureField);
    await type(f, field(f, 'Tablature'), SIX.join('\n'));
    expect(texts(f, '.fault')[0]).toMatch(/no six lines/);
  });
});
