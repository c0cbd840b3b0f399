import { keyHint } from '../key-hints';

/** The first screen, the tour and the guide. */
export const welcome = {
  title: 'Welcome',
  what: 'Ruffle Wheel works out what each hand does against the compás, practises it with you and keeps whether it holds.',
  demo: 'Lantern Stair and the other four studies are made up, to look round in.',
  newStudy: `New study${keyHint('0')}`,
  beginTour: 'Two-minute tour',
  guide: 'Guide',
  notNow: 'Not now',
  tour: {
    title: 'Tour',
    step: (n: number, of: number) => `${n} of ${of}`,
    skip: 'Skip this step',
    end: 'End the tour',
    ended: 'That was the tour. Guide and tour stand in the list of keys at any time.',
    steps: {
      play: {
        text: `Hear the turn: press Play${keyHint('Space')}. Claps are the compás, the strings what the right hand does on it.`,
      },
      faster: {
        text: `Make it faster${keyHint(']')} and watch the ceiling above: it is what this hand can do, and who sets it.`,
      },
      finger: {
        text: `Choose a step on the wheel${keyHint('← →')} and give it another finger${keyHint('p i m a')}. The findings follow.`,
      },
      undo: { text: `Take it back: Undo${keyHint('Ctrl+Z')}.` },
      neck: { text: `Where does the left hand go? Open the Neck${keyHint('2')}.` },
      weave: { text: `Both hands bar by bar: open the Weave${keyHint('3')}.` },
      practise: { text: `What to practise, and how fast: open Practise${keyHint('4')}.` },
      own: { text: `Now one of your own: New study${keyHint('0')}.` },
    },
  },
  guideTitle: 'Guide',
  guideLoading: 'The guide is coming…',
  guideMissing: 'The guide could not be fetched. Once the network is back, open it again.',
  close: 'Close',
};
