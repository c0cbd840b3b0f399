import { type ChosenOf, EVERY_CHOICE, type HandChoice, type HandChoices, handNotes } from '../../player/index.js';

/** What is settled, each way to settle it, and the short note that it makes. */
const CHOICES: { readonly [C in HandChoice]: { readonly label: string; readonly ways: Record<ChosenOf<C>, SaidWay> } } =
  {
    thumb: {
      label: 'Thumb, while fingers alternate',
      ways: {
        'on string 6': ['rests on string 6', 'The thumb rests on string 6.'],
        'on the string below': ['rests on the string below', 'The thumb rests on the string below the fingers.'],
        'on the soundboard': ['rests on the soundboard', 'The thumb rests on the soundboard.'],
        'in the air': ['in the air', 'The thumb is in the air, and loose.'],
      },
    },
    tips: {
      label: 'Tip joints',
      ways: {
        firm: ['firm', 'The tip joints stay firm.'],
        giving: ['giving', 'The tip joints give.'],
      },
    },
    nails: {
      label: 'The string leaves',
      ways: {
        nail: ['the nail', 'The string leaves the nail.'],
        flesh: ['the flesh', 'The string leaves the flesh.'],
        both: ['flesh, then nail', 'The string goes over flesh, then nail.'],
      },
    },
    stroke: {
      label: 'Melodies',
      ways: {
        rest: ['rest strokes', 'Melodies are rest strokes.'],
        free: ['free strokes', 'Melodies are free strokes.'],
        'as the music asks': ['as the music asks', 'Rest strokes where nothing has to ring below, else free ones.'],
      },
    },
    plectrum: {
      label: 'Plectrum, while fingers play',
      ways: {
        'in the palm': ['in the palm', 'The plectrum is parked in the palm.'],
        'under the index': ['under the index', 'The plectrum is parked under the index.'],
        'put down': ['put down', 'The plectrum is put down.'],
      },
    },
  };
type SaidWay = readonly [name: string, note: string];

/**
 * What is settled.
 * @example sayHandChoice('tips') // 'Tip joints'
 */
export const sayHandChoice = (choice: HandChoice): string => CHOICES[choice].label;
/**
 * A way to settle it, as it is offered.
 * @example sayHandWay('stroke', 'rest') // 'rest strokes'
 */
export function sayHandWay<C extends HandChoice>(choice: C, way: ChosenOf<C>): string {
  const ways: Partial<Record<string, SaidWay>> = CHOICES[choice].ways;
  return ways[way]?.[0] ?? way;
}
/**
 * What a hand has settled as short notes, then the player's own.
 * @example sayHandRules({ choices: { tips: 'firm' }, notes: 'wrist low' }) // ['The tip joints stay firm.', 'wrist low']
 */
export function sayHandRules({
  choices = {},
  notes,
}: {
  readonly choices?: HandChoices;
  readonly notes?: string;
}): string[] {
  const settled = EVERY_CHOICE.flatMap((choice) => {
    const way = choices[choice];
    const ways: Partial<Record<string, SaidWay>> = CHOICES[choice].ways;
    return way ? (ways[way]?.[1] ?? []) : [];
  });
  return [...settled, ...handNotes(notes)];
}
