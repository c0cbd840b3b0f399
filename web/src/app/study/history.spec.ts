import { makeStudy, type Study } from '@ruffle-wheel/core';
import { History } from './history';

const named = (name: string): Study => ({ ...makeStudy('s', name) });
const [a, b, c, d] = ['A', 'B', 'C', 'D'].map(named) as [Study, Study, Study, Study];

describe('the history of a study', () => {
  it('goes back and forth through what it was', () => {
    const history = new History();
    expect([history.canUndo(), history.canRedo(), history.undo(a)]).toEqual([false, false, null]);
    history.step(a);
    history.step(b);
    expect(history.undo(c)).toBe(b);
    expect(history.undo(b)).toBe(a);
    expect([history.canUndo(), history.canRedo()]).toEqual([false, true]);
    expect(history.redo(a)).toBe(b);
    expect(history.redo(b)).toBe(c);
    expect(history.canRedo()).toBe(false);
  });
  it('changes of one kind at once are one step, of another kind or of none are not', () => {
    const history = new History();
    history.step(a, 'script');
    history.step(b, 'script');
    expect(history.undo(c)).toBe(a);
    history.clear();
    history.step(a, 'script');
    history.step(b, 'tempo');
    history.step(c);
    history.step(d);
    expect(history.undo(d)).toBe(d);
    expect(history.undo(d)).toBe(c);
    expect(history.undo(c)).toBe(b);
  });
  it('a change after going back ends what could be brought again, and joins nothing before it', () => {
    const history = new History();
    history.step(a, 'script');
    expect(history.undo(b)).toBe(a);
    history.step(a, 'script');
    expect(history.canRedo()).toBe(false);
    expect(history.undo(c)).toBe(a);
  });
  it('says when something was last changed, and nothing when nothing was', () => {
    const history = new History();
    expect(history.changedAt()).toBe(0);
    history.step(a);
    expect(history.changedAt()).toBeGreaterThan(0);
  });
});
