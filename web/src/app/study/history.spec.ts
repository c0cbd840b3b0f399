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
    expect(history.undo(c)?.study).toBe(b);
    expect(history.undo(b)?.study).toBe(a);
    expect([history.canUndo(), history.canRedo()]).toEqual([false, true]);
    expect(history.redo(a)?.study).toBe(b);
    expect(history.redo(b)?.study).toBe(c);
    expect(history.canRedo()).toBe(false);
  });
  it('what belongs to the step before joins it however long ago that was, unless something came between', () => {
    vi.useFakeTimers({ toFake: ['performance'] });
    const history = new History();
    history.step(a, 'chart');
    vi.advanceTimersByTime(60_000);
    history.step(b, 'chart', false, true);
    expect(history.undo(c)?.study).toBe(a);
    history.step(a, 'chart');
    history.step(b, 'tempo');
    history.step(c, 'chart', false, true);
    expect(history.undo(d)?.study).toBe(c);
    vi.useRealTimers();
  });
  it('changes of one kind at once are one step, of another kind or of none are not', () => {
    const history = new History();
    history.step(a, 'script');
    history.step(b, 'script');
    expect(history.undo(c)?.study).toBe(a);
    history.clear();
    history.step(a, 'script');
    history.step(b, 'tempo');
    history.step(c);
    history.step(d);
    expect(history.undo(d)?.study).toBe(d);
    expect(history.undo(d)?.study).toBe(c);
    expect(history.undo(c)?.study).toBe(b);
  });
  it('a change after going back ends what could be brought again, and joins nothing before it', () => {
    const history = new History();
    history.step(a, 'script');
    expect(history.undo(b)?.study).toBe(a);
    history.step(a, 'script');
    expect(history.canRedo()).toBe(false);
    expect(history.undo(c)?.study).toBe(a);
  });
  it('knows the steps that take back what another tab has stored; bringing it again is none', () => {
    const history = new History();
    history.step(a);
    history.step(b, '', true);
    history.step(c);
    expect(history.undo(d)).toEqual({ study: c, overTheirs: false });
    expect(history.undo(c)).toEqual({ study: b, overTheirs: true });
    expect(history.undo(b)).toEqual({ study: a, overTheirs: false });
    expect(history.redo(a)).toEqual({ study: b, overTheirs: false });
    expect(history.redo(b)).toEqual({ study: c, overTheirs: false });
    expect(history.undo(c)).toEqual({ study: b, overTheirs: true });
  });
  it('says when something was last changed, and nothing when nothing was', () => {
    const history = new History();
    expect(history.changedAt()).toBe(0);
    history.step(a);
    expect(history.changedAt()).toBeGreaterThan(0);
  });
});
