/** The Weave. */
export const weave = {
  weavePlace: {
    beside: 'Beside the page',
    tabs: { chart: 'Chart', form: 'Form' },
    empty:
      'Nothing is written in this section yet. Key 1 leads to the Wheel; what is written there stands here bar by bar.',
    keys: '← → step, Shift bar · ↑ ↓ string, then 0–9 fret, = 1 left finger, Delete · R bar again · S script',
    noPlace: 'This step’s strings are the chord’s own: write them by number first, or press . and then a fret.',
    noBar: 'The bar after it can’t become the same: a bracket goes over the bar line, or it is the same already.',
    bar: 'Bar',
    of: 'of',
    faults: 'faults: the script is drawn as far as it can be read',
    form: {
      title: 'Form',
      help: 'Sections by name; {Theme}x2 again; {Theme [1 First] [2 Second]}x2 with endings. Empty: every section once.',
      bars: 'bars',
      oneBar: '1 bar',
      counts: 'begins on',
      goTo: 'Open',
      from: 'from bar',
      long: 'long',
      more: 'more',
      blocks: 'The form as blocks',
    },
  },
};
