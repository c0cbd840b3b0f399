/**
 * What schools do not agree on and each player settles: where the thumb rests, how the tips are held, what strikes the
 * string, which stroke, and where the plectrum is while fingers play.
 */
export const HAND_CHOICES = {
  thumb: ['on string 6', 'on the string below', 'on the soundboard', 'in the air'],
  tips: ['firm', 'giving'],
  nails: ['nail', 'flesh', 'both'],
  stroke: ['rest', 'free', 'as the music asks'],
  plectrum: ['in the palm', 'under the index', 'put down'],
} as const;
export type HandChoice = keyof typeof HAND_CHOICES;
export type ChosenOf<C extends HandChoice> = (typeof HAND_CHOICES)[C][number];
/** What a hand has settled; what is not there is open. */
export type HandChoices = { readonly [C in HandChoice]?: ChosenOf<C> };
export const EVERY_CHOICE = Object.keys(HAND_CHOICES) as readonly HandChoice[];

/**
 * The player's own notes, a line each, without what is empty.
 * @example handNotes('tips firm\n\nthumb outward') // ['tips firm', 'thumb outward']
 */
export const handNotes = (notes = ''): string[] =>
  notes
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');
