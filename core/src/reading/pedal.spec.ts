import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { makeSection } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { readSection } from './index.js';

const plants = (script: string) =>
  readSection({
    section: { ...makeSection('s', 'S', cycleById('tangos')!), script },
    shapes: [],
    tuning: STANDARD_TUNING,
    capo: 0,
    profile: DEFAULT_PROFILE,
  }).plants;

describe('a pedal string', () => {
  it('rings unmarked: nothing is planted on it', () => {
    const own = plants('p:5 i:1 p:4 i:1 p:5 i:1 p:6 i:1');
    expect(own.length).toBe(8);
    for (const p of own.filter((_, n) => n % 2 === 1)) expect([p.atOnce, p.reason]).toEqual([false, 'must ring']);
    expect(own.flatMap((p) => p.set)).not.toContain('i');
  });
  it('a string that is struck again under a held chord is none, and is planted as ever', () => {
    expect(plants('p:5 i:1 p:5 i:1').some((p) => p.set.includes('i'))).toBe(true);
    expect(plants('p:5 i:3 m:2 a:1')[0]?.set).toEqual(['p', 'i', 'm', 'a']);
  });
});
