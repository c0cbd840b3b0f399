import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { makeStudy } from './make.js';
import { inOrder } from './command.js';
import { repeatBar } from './repeat-bar.js';
import { setScript, setStart } from './section-commands.js';
import { nameCell } from './study-commands.js';

const bossa = makeStudy('s', 'Study', cycleById('bossa-three-two'));
const after = (script: string, bar: number, ...more: ReturnType<typeof setScript>[]) =>
  inOrder(...more, setScript('s-a', script), repeatBar('s-a', bar))(bossa).sections[0]!.script;
const A = 'p:5 i:3 m:2 i:3 p:5 i:3 m:2 i:3';

describe('a bar again', () => {
  it('is added where the script ends with it', () => expect(after(A, 0)).toBe(`${A} | ${A}`));
  it('takes the place of the bar after it, and leaves those behind', () => {
    expect(after(`${A} | . . . . . . . . | ima:t - - - - - - -`, 0)).toBe(`${A} | ${A} | ima:t - - - - - - -`);
  });
  it('takes its brackets along, and only whole ones', () => {
    const fine = '[p i m a]:2 p:5 - - - - -';
    expect(after(`${fine} [id iu id iu]:2 . . . . . .`, 0)).toBe(`${fine} ${fine}`);
    expect(after('[p:5 i:3 m:2]:8', 0)).toBe('[p:5 i:3 m:2]:8 | [p:5 i:3 m:2]:8');
    // A bracket over the bar line can't be cut.
    const over = '. . . . . . [p i m a]:4 . . . . . .';
    expect(after(over, 0)).toBe(over);
  });
  it('writes repeats out where a bar of theirs becomes another', () => {
    const four = 'p:5 i:3 p:5 i:3 p:5 i:3 p:5 i:3';
    expect(after('{p:5 i:3}x4 | . . . . . . . .', 0)).toBe(`${four} | ${four}`);
    // What is the same already stays as it is typed.
    expect(after('{p:5 i:3}x8', 0)).toBe('{p:5 i:3}x8');
  });
  it('calls a cell again', () =>
    expect(after('<roll>', 0, nameCell({ name: 'roll', script: A, stepsPerCount: 2 }))).toBe('<roll> | <roll>'));
  it('a script that begins inside the turn is cut at the turn’s bar lines', () => {
    const four = 'p:5 i:3 m:2 i:3';
    expect(after(`${four} ${A}`, 1, setStart('s-a', 2 * 5040))).toBe(`${four} ${A} ${A}`);
  });
  it('changes nothing where there is no such bar, or what can’t be read', () => {
    expect(after(A, 3)).toBe(A);
    expect(after('p:5 zz', 0)).toBe('p:5 zz');
  });
});
