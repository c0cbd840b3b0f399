/** One card a technique: what it is, what must be worked out, how it is written, and its caution where there is one. */
export interface TechniqueCard {
  readonly name: string;
  readonly what: string;
  readonly workOut: string;
  /** Hand script that shows it. */
  readonly script: string;
  readonly caution?: string;
}
export const TECHNIQUES: readonly TechniqueCard[] = [
  {
    name: 'Tirando (free stroke)',
    what: 'The finger plucks and passes over the next string.',
    workOut: 'Which fingers, and whether to plant them.',
    script: 'p:5 i:3 m:2 a:1',
  },
  {
    name: 'Apoyando (rest stroke)',
    what: 'The finger plucks through and lands on the next string.',
    workOut: 'Never where the landing string must ring; the thumb has none to land on below string 1.',
    script: 'i:2_ m:2_ p:5_',
  },
  {
    name: 'Picado',
    what: 'Strict alternation of two or three fingers with rest strokes.',
    workOut: 'Start finger, crossings, anchor, which finger meets the accent.',
    script: 'i:1_ m:1_ i:2_ m:2_',
    caution: 'A few minutes of ring-finger pairs at a time; let the finger go after each stroke.',
  },
  {
    name: 'Thumb anchor',
    what: 'In picado the thumb rests on 6 while the fingers play 1 to 4.',
    workOut: 'Where it lifts, from string 5 on, and where it returns.',
    script: 'i:4_ m:5_ i:5_ m:4_',
  },
  {
    name: 'Pulgar',
    what: 'Thumb rest strokes carry a bass melody.',
    workOut: 'The path over the strings, and what must go on ringing.',
    script: 'p:5_ p:4_ p:3_ p:4_',
  },
  {
    name: 'Alzapúa',
    what: 'Thumb alone: down through strings, up back through them, then down on one.',
    workOut: 'Groups of three against the accents; the same way twice leaves no time to return.',
    script: 'pd:54 pu:45 p:3_',
  },
  {
    name: 'Rasgueado',
    what: 'Fingers flick outward one after another; index or thumb returns.',
    workOut: 'Which cell, and where it starts so that its strong stroke meets the accent.',
    script: 'ed ad md id iu',
    caution: 'Relax after each flick; stop at pain.',
  },
  {
    name: 'Abanico (fan)',
    what: 'The forearm turns: thumb up, fingers down, thumb down.',
    workOut: 'Triplets: the accent stays on one stroke where 3 divides the beat.',
    script: 'pu md pd',
  },
  {
    name: 'Tremolo',
    what: 'Thumb, then fingers on one upper string.',
    workOut: 'Evenness; the gap after the thumb is the usual fault.',
    script: 'p:4 a:1 m:1 i:1',
  },
  {
    name: 'Arpeggio',
    what: 'One finger for each string, in a fixed order.',
    workOut: 'What is planted, and the thumb’s path.',
    script: 'p:b i:3 m:2 a:1',
  },
  {
    name: 'Golpe',
    what: 'A tap on the soundboard with a, alone or with a stroke.',
    workOut: 'Not while a is needed elsewhere.',
    script: 'p:5* G',
  },
  {
    name: 'Slap (apagado)',
    what: 'The flat hand stops the strings with a beat.',
    workOut: 'The recoil prepares the next stroke.',
    script: 'S id iu',
  },
  {
    name: 'Block (plaqué)',
    what: 'Several fingers at once.',
    workOut: 'The thumb leaves outward, never into i.',
    script: 'pima:t ima:t',
  },
  {
    name: 'Ghost',
    what: 'The hand moves and misses the strings on purpose.',
    workOut: 'It keeps the pendulum going over a hole.',
    script: 'id (u) (d) iu',
  },
  {
    name: 'Staccato',
    what: 'Fingers return to the strings to stop them.',
    workOut: 'The fingers must be free in time.',
    script: "pima:t' .",
  },
  {
    name: 'Palm mute (pizzicato)',
    what: 'The side of the palm lies on the bridge.',
    workOut: 'Basses of the tango: short, not dead.',
    script: 'p:6% p:5%',
  },
  {
    name: 'Left-hand mute',
    what: 'Fingers lie on the strings without pressing; they press for what must sound.',
    workOut: 'The left hand’s own rhythm.',
    script: 'idx iux id iux',
  },
  {
    name: 'Plectrum',
    what: 'Rest, up as its answer, whip that leaps off.',
    workOut: 'Each change of string begins down; an odd number before a thicker string ends in a whip.',
    script: 'Pd:5 Pu:5 Pd:4 Pw:3',
  },
  {
    name: 'Ligado (slur)',
    what: 'The left hand alone sounds the string: hammered on a higher fret, pulled off to a lower one, slid with the same finger.',
    workOut: 'It gives the right hand time, and is the left hand’s load.',
    script: 'i:2f1=1 L:2f3=4 L:2f1=1 L:2f3=1',
    caution: 'Few minutes at a time; the finger drops, it does not press harder.',
  },
  {
    name: 'Squeeze',
    what: 'The left hand presses for the stroke that must sound and lets go at once.',
    workOut: 'Which strokes press; a barre is let go between them.',
    script: 'idx id^ iux id^',
  },
  {
    name: 'Push (anticipation)',
    what: 'A stroke before the bar line belongs to the next chord already.',
    workOut: 'The left hand is due there, not on the bar line.',
    script: 'p:b ima:t p:b ima:t>',
  },
  {
    name: 'Bass in fifths, bass that leads on',
    what: 'The thumb goes to the chord’s fifth, or to a note half a tone below the coming bass.',
    workOut: 'Where the fifth lies under the hand, and which finger takes it.',
    script: 'p:b ima:t p:f p:n',
  },
  {
    name: 'Loud and soft',
    what: 'From there on the hand plays at another loudness.',
    workOut: 'Who carries the accents when all is soft.',
    script: '@p i m a @f i m a',
  },
  {
    name: 'Fingers left open',
    what: 'A string whose finger is still to be found.',
    workOut: 'The finger, from its neighbours; it is shown lighter until it is written in.',
    script: '?:3 ?:3 ?:2 i:2',
  },
];
