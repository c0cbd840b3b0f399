import { describe, expect, it } from 'vitest';
import { STANDARD_TUNING } from '../../instrument/index.js';
import { OPEN_SHAPE } from '../../left-hand/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { plantPlan, soundStroke } from '../../right-hand/index.js';
import { flatten, parseScript } from '../../script/index.js';
import { hasMark } from '../../stroke/index.js';
import { bpm } from '../../time/index.js';
import { lineScript, readLine, weaveFingers, weaveHabits, weavePedal, type WovenLine } from './index.js';
import { sayFact } from '../../words/index.js';

const weave = (text: string, pedal: 1 | 2 | 3 | 5 = 2) => weavePedal(readLine(text, 2), pedal, 2);
const ask = (woven: WovenLine, tempo: number, stroke: 'rest' | 'free' = 'free') => ({
  notes: woven.notes,
  bpm: bpm(tempo),
  profile: DEFAULT_PROFILE,
  stroke,
});

describe('a pedal string woven into a bass melody', () => {
  it('comes after every bass note, and goes on while one is held or silent', () => {
    const woven = weave('65-.');
    expect(woven.stepsPerCount).toBe(4);
    expect(lineScript(woven.steps, weaveFingers(woven.notes, 'i'), 'free')).toBe('p:6 i:2~ p:5 i:2~ - i:2~ . i:2~');
    expect(lineScript(woven.steps, weaveFingers(woven.notes, 'im'), 'free')).toBe('p:6 i:2~ p:5 m:2~ - i:2~ . m:2~');
  });
  it('slowly one finger does; when it has no time to come back, two in turn cost least', () => {
    const woven = weave('6554 6554');
    expect(weaveHabits(ask(woven, 60))[0]?.habit).toBe('i');
    const fast = weaveHabits(ask(woven, 220));
    expect(fast[0]?.habit).toBe('im');
    expect(fast.find((h) => h.habit === 'i')!.answer.cost.late).toBeGreaterThan(0);
  });
  it('a thumb rest stroke that would land on the ringing pedal is paid for', () => {
    const woven = weave('444', 3);
    expect(weaveHabits(ask(woven, 60, 'rest'))[0]!.answer.cost.rest).toBeGreaterThan(0);
    expect(weaveHabits(ask(woven, 60, 'free'))[0]!.answer.cost.rest).toBe(0);
  });
  it('nothing is planted on the pedal string while it rings', () => {
    const woven = weave('6554');
    const script = lineScript(woven.steps, weaveFingers(woven.notes, 'im'), 'free');
    const events = flatten(parseScript(script, { stepsPerCount: 4 }).pattern).events;
    const plants = plantPlan(
      events.map((e) => ({
        at: e.at,
        touches: soundStroke(e.motion, OPEN_SHAPE, { tuning: STANDARD_TUNING, capo: 0 }),
        strum: false,
        rings: hasMark(e.motion, '~'),
      })),
    );
    const onPedal = plants.filter((_, i) => hasMark(events[i]!.motion, '~'));
    expect(onPedal.length).toBeGreaterThan(3);
    expect(onPedal.every((p) => !p.atOnce && p.reason === 'must ring')).toBe(true);
    expect(plants.flatMap((p) => p.set)).not.toContain('i');
  });
  it.each([
    ['', 2, /bass melody first/],
    ['65 5', 5, /string 5 itself/],
    ['6 [54]', 2, /several strings/],
  ] as const)('what can’t be woven is said: %s', (text, pedal, words) =>
    expect(sayFact(weave(text, pedal).fault!)).toMatch(words),
  );
  it('steps that can’t be halved are refused with those that can', () =>
    expect(sayFact(weavePedal(readLine('65', 16), 2, 16).fault!)).toMatch(/can’t be halved; take 1, 2/));
});
