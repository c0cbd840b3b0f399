import { STANDARD_TUNING, TUNINGS } from '@ruffle-wheel/core';
import { all, aWorld, choose, field, show, texts, type, type World } from '../../testing/world';
import { TuningFields } from './tuning-fields';

let world: World;
beforeEach(async () => {
  world = await aWorld();
});
const tuning = () => world.open.study()?.instrument.tuning;

describe('capo and tuning', () => {
  it('offers every shipped tuning by name; own strings show no field until they are wanted', async () => {
    const f = await show(TuningFields);
    expect((await choose(f, 'Tuning')).slice(0, -1)).toEqual(TUNINGS.map((t) => t.name));
    expect(() => field(f, 'Strings 6 to 1')).toThrow();
    await choose(f, 'Tuning', TUNINGS[1]!.name);
    expect(tuning()).toEqual(TUNINGS[1]!.strings);
  });
  it('own strings keep their field, and a shipped tuning closes it', async () => {
    const f = await show(TuningFields);
    await choose(f, 'Tuning', 'Own …');
    await type(f, field(f, 'Strings 6 to 1'), 'C G D G B E');
    expect(tuning()).toEqual([36, 43, 50, 55, 59, 64]);
    expect(field(f, 'Strings 6 to 1').value).toBe('C2 G2 D3 G3 B3 E4');
    await choose(f, 'Tuning', 'Standard');
    expect(() => field(f, 'Strings 6 to 1')).toThrow();
    expect(tuning()).toEqual(STANDARD_TUNING);
  });
  it('what is no tuning is said with its string and changes nothing; a slack string is only warned of', async () => {
    const f = await show(TuningFields);
    await choose(f, 'Tuning', 'Own …');
    await type(f, field(f, 'Strings 6 to 1'), 'E A D H B E');
    expect(texts(f, '[role=alert]')[0]).toMatch(/^String 3: “H” is no note/);
    expect(field(f, 'Strings 6 to 1').getAttribute('aria-invalid')).toBe('true');
    expect(tuning()).toEqual(STANDARD_TUNING);
    await type(f, field(f, 'Strings 6 to 1'), 'A1 A D G B E');
    expect(all(f, '[role=alert]')).toHaveLength(0);
    expect(texts(f, '[role=status]')[0]).toMatch(/^String 6 hangs slack/);
    expect(tuning()?.[0]).toBe(33);
  });
  it('the capo is the study’s, and undo takes it off again', async () => {
    const f = await show(TuningFields);
    await choose(f, 'Capo', '5');
    expect(world.open.capo()).toBe(5);
    world.open.undo();
    expect(world.open.capo()).toBe(0);
  });
});
