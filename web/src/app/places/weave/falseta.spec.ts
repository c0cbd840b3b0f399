import { cycleById, makeStudy, setChart, setScript, type Study } from '@ruffle-wheel/core';
import { LongSolve, Solve } from '../../compute/solve';
import { InstantSolve } from '../../testing/instant-solve';
import { soon } from '../../testing/soon';
import { all, aWorld, choose, element, field, key, press, show, texts, type, type World } from '../../testing/world';
import { FalsetaField } from './falseta-field';
import { HandWays } from './hand-ways';

/** Two bars of tangos on open strings. */
const stair = (): Study => setScript('s-a', 'p:5 - - - p:5 - - -')(makeStudy('s', 'Stair', cycleById('tangos')));
let world: World;
beforeEach(async () => {
  world = await aWorld(stair(), [
    { provide: Solve, useClass: InstantSolve },
    { provide: LongSolve, useClass: InstantSolve },
  ]);
});
const section = () => world.open.section()!;

describe('a falseta', () => {
  const told = async (text: string, bar = 0) => {
    const f = await show(FalsetaField, { bar });
    await type(f, field(f, `As you play it, from bar ${bar + 1}`), text);
    return f;
  };
  it('is written from the cursor’s bar on, with a shape for a symbol that had none; the cursor goes on', async () => {
    const f = await told('(Am) p5 3 2 1 (4 1f3) 1 2', 1);
    await soon(() => expect(texts(f, 'p').join(' ')).toContain('Bar 2; 2 silent steps fill the last one. Am'));
    expect(texts(f, 'code').at(-1)).toBe('p:5 ?:3 ?:2 ?:1 ?:1f3=4 ?:2 . .');
    // Its own bar stands there as a small tablature, with what the shape and the told finger hold.
    expect(texts(f, 'app-small-tablature tr').map((t) => t.replace(/\s+/g, ' ').trim())[0]).toBe(
      'String 1 0 3 finger 4',
    );
    const next: number[] = [];
    f.componentInstance.written.subscribe((bar) => next.push(bar));
    element(f).dispatchEvent(key('Enter', { ctrlKey: true }));
    expect(section()).toMatchObject({
      script: 'p:5 - - - p:5 - - - | p:5 ?:3 ?:2 ?:1 ?:1f3=4 ?:2 . .',
      chart: '. | Am',
    });
    expect(world.open.study()?.shapes.map((s) => [s.name, s.frets])).toEqual([['Am', [null, 0, 2, 2, 1, 0]]]);
    expect(next).toEqual([2]);
    // The text is put away: a second time writes nothing, and it can be had again.
    const written = section().script;
    await soon(() => expect(field(f, 'As you play it, from bar 2').value).toBe(''));
    element(f).dispatchEvent(key('Enter', { ctrlKey: true }));
    expect(section().script).toBe(written);
    await press(f, 'The text that was told last');
    expect(field(f, 'As you play it, from bar 2').value).toBe('(Am) p5 3 2 1 (4 1f3) 1 2');
    world.open.undo();
    expect(section()).toMatchObject({ script: 'p:5 - - - p:5 - - -', chart: '' });
    expect(world.open.study()?.shapes).toEqual([]);
  });
  it('what can’t be read is told with its words, and nothing can be taken', async () => {
    const f = await told('(Am) 5 7 (lift 4) 3');
    await soon(() => expect(texts(f, '.fault')).toHaveLength(2));
    expect(texts(f, '.fault')[0]).toMatch(/^7 “7” stands for nothing here/);
    expect(texts(f, '.fault')[1]).toMatch(/^\(lift 4\) Finger 4 is on no string here/);
    expect(all(f, 'app-answer-buttons')).toHaveLength(0);
  });
  it('why it can’t be put there is told', async () => {
    world.open.apply(setScript('s-a', 'p:5 zz'));
    const f = await told('3 2 1');
    await soon(() => expect(texts(f, '.fault')[0]).toMatch(/A: its script or chart can’t be read/));
    expect(all(f, 'app-answer-buttons')).toHaveLength(0);
  });
  it('typed text is there again when the panel comes back', async () => {
    (await told('(Am) 5 3')).destroy();
    const f = await show(FalsetaField, { bar: 0 });
    expect(field(f, 'As you play it, from bar 1').value).toBe('(Am) 5 3');
  });
});

describe('fingers of both hands', () => {
  it('in the best few ways, each stroke with what its places do not say; the first is taken by keys', async () => {
    world.open.apply(setScript('s-a', '?:1f5 ?:1f4 ?:1f5 ?:1f7 ?:6f0~ ?:1f7 ?:1f12 ?:2f8'));
    const f = await show(HandWays);
    await soon(() => expect(all(f, 'section')).toHaveLength(3));
    const notes = texts(f, 'section li');
    expect(notes[0]).toMatch(/^bar 1, 1 1f5=2 [ima] · finger 1 is kept for bar 1, 1 &$/);
    expect(notes[4]).toMatch(/^bar 1, 3 6 p/);
    element(f).dispatchEvent(key('Enter', { ctrlKey: true }));
    expect(section().script).toMatch(/^[ima]:1f5=2 [ima]:1f4=1 .* p:6f0~ /);
    await soon(() => expect(texts(f, 'p').join(' ')).toMatch(/Every finger is written/));
    // As if none were: other ways are there again.
    await press(f, 'As if no finger were written');
    await soon(() => expect(all(f, 'section')).toHaveLength(3));
    world.open.undo();
    expect(section().script).toContain('?');
  });
  it('by what each hand minds most', async () => {
    world.open.apply(setScript('s-a', '{?:1f5}x8'));
    const f = await show(HandWays);
    await choose(f, 'How the right hand fingers it', 'a m i afresh each bar');
    await soon(() =>
      expect(texts(f, 'section li').slice(0, 3)).toEqual([
        expect.stringMatching(/ a$/),
        expect.stringMatching(/ m$/),
        expect.stringMatching(/ i$/),
      ]),
    );
  });
  it('over a held shape says who is away, what is open and which tone is gone', async () => {
    world.open.apply(setChart('s-a', 'E7'));
    world.open.apply((s) => ({
      ...s,
      shapes: [{ id: 'e', name: 'E7', frets: [0, 2, 0, 1, 0, 0], fingers: [0, 2, 0, 1, 0, 0] }],
    }));
    world.open.apply(setScript('s-a', 'p:6 ?:1f1=1 ?:3 -'));
    const f = await show(HandWays);
    await soon(() => expect(texts(f, 'section li')[1]).toMatch(/finger 1 leaves string 3 .*the third is gone/));
  });
});
