import { describe, expect, it } from 'vitest';
import { EVERY_CHOICE, HAND_CHOICES } from '../../player/index.js';
import { sayHandChoices, sayHandRules } from './hand-choices.js';

describe('what a hand has settled', () => {
  it('each choice has a name, each of its ways a name and a note of its own', () => {
    const offered = sayHandChoices();
    expect(offered.map((c) => c.choice)).toEqual(EVERY_CHOICE);
    for (const { choice, ways } of offered) expect(ways.map((w) => w.way)).toEqual(HAND_CHOICES[choice]);
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
