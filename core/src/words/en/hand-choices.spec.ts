import { describe, expect, it } from 'vitest';
import { EVERY_CHOICE, HAND_CHOICES } from '../../player/index.js';
import { sayHandChoice, sayHandRules, sayHandWay } from './hand-choices.js';

describe('what a hand has settled', () => {
  it('each choice has a name, each of its ways a name and a note of its own', () => {
    const names = EVERY_CHOICE.map((c) => [sayHandChoice(c), ...HAND_CHOICES[c].map((way) => sayHandWay(c, way))]);
    for (const own of names) expect(new Set(own).size).toBe(own.length);
    expect(new Set(names.map(([label]) => label)).size).toBe(EVERY_CHOICE.length);
    const notes = EVERY_CHOICE.flatMap((c) =>
      HAND_CHOICES[c].flatMap((way) => sayHandRules({ choices: { [c]: way } })),
    );
    expect(new Set(notes).size).toBe(EVERY_CHOICE.flatMap((c) => HAND_CHOICES[c]).length);
  });
  it('what is open is not said, the player’s own lines come last', () => {
    expect(sayHandRules({})).toEqual([]);
    expect(sayHandRules({ notes: ' wrist low \n\n breathe', choices: { plectrum: 'in the palm' } })).toEqual([
      'The plectrum is parked in the palm.',
      'wrist low',
      'breathe',
    ]);
  });
});
