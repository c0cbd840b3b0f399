import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { validateXML } from 'xmllint-wasm';
import { cycleById } from '../../catalogue/index.js';
import { OPEN_SHAPE, readShape } from '../../left-hand/index.js';
import {
  addSection,
  type Command,
  inOrder,
  makeStudy,
  putShape,
  setCapo,
  setChart,
  setForm,
  setKey,
  setScript,
  setSteps,
  setTempo,
  setWords,
} from '../../piece/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { printScript } from '../../script/index.js';
import { anyPattern } from '../../testing/arbitrary.js';
import { MUSICXML_SCHEMA } from '../../testing/musicxml-schema.js';
import { musicXml } from './out.js';

const schema = { fileName: 'musicxml.xsd', contents: MUSICXML_SCHEMA };
const errorsOf = async (...files: string[]): Promise<string[]> => {
  const xml = files.map((contents, n) => ({ fileName: `${n}.musicxml`, contents }));
  // Long scores need more room than it takes by itself.
  const { errors } = await validateXML({ xml, schema: [schema], maxMemoryPages: 16_384 });
  return errors.map((e) => e.message);
};
const shape = (name: string, frets: string, fingers: string) =>
  putShape({ ...OPEN_SHAPE, id: name, name, ...readShape(frets, fingers) });
const study = (cycle: string, ...commands: Command[]) =>
  inOrder(
    shape('Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0'),
    shape('F', '1-3-3-2-1-1', '1-3-4-2-1-1'),
    ...commands,
  )(makeStudy('s', 'S & T', cycleById(cycle)));
const out = (cycle: string, ...commands: Command[]) =>
  musicXml(study(cycle, ...commands), DEFAULT_PROFILE, { kind: 'form' });
/** The elements without white space between them. */
const flat = (xml: string) => xml.replace(/>\s+</g, '><');
const measures = (xml: string) => flat(xml).split('<measure ').slice(1);
/** What stands on one of the two staves: 1 notation, 2 tablature. */
const onStaff = (xml: string, staff: 1 | 2) =>
  [...flat(xml).matchAll(/<note(?: [^>]*)?>.*?<\/note>/g)]
    .map((m) => m[0])
    .filter((n) => n.includes(`<staff>${staff}<`));

describe('MusicXML', () => {
  it('a note has its pitch as it sounds, its value, its place and both hands', () => {
    const xml = flat(out('tangos', setScript('s-a', 'p:5f3=3! - - - - - - -')));
    expect(xml).toContain(
      '<note><pitch><step>C</step><octave>3</octave></pitch><duration>4</duration><voice>2</voice><type>whole</type><stem>down</stem><staff>1</staff>' +
        '<notations><technical><fingering>3</fingering><pluck>p</pluck><string>5</string><fret>3</fret></technical>' +
        '<articulations><accent/></articulations></notations></note>',
    );
    // The tablature has the same hands, without stems.
    expect(xml).toContain(
      '<voice>6</voice><type>whole</type><stem>none</stem><staff>2</staff><notations><technical><fingering>3</fingering><pluck>p</pluck><string>5</string>',
    );
    expect(xml).toContain(
      '<staves>2</staves><clef number="1"><sign>G</sign><line>2</line><clef-octave-change>-1</clef-octave-change></clef>' +
        '<clef number="2"><sign>TAB</sign><line>5</line></clef><staff-details number="2"><staff-lines>6</staff-lines><staff-tuning line="1">',
    );
    expect(xml).toContain('<work-title>S &amp; T</work-title>');
  });
  it('two voices, the second after going back; silences that say nothing are not printed', () => {
    const [bar] = measures(out('tangos', setScript('s-a', 'p:5 i:3 p:5 i:3 p:5 i:3 p:5 i:3')));
    expect(bar).toMatch(/<backup><duration>8<\/duration><\/backup>/);
    expect(bar?.match(/<voice>1/g)).toHaveLength(8);
    expect(bar).toContain('<note print-object="no"><rest/>');
    expect(bar?.match(/<beam number="1">/g)).toBeNull();
  });
  it('notes of one count share a beam, a finer one has its hook', () => {
    const beams = (script: string, steps: number) =>
      [
        ...flat(out('tangos', setScript('s-a', script), setSteps('s-a', steps))).matchAll(
          /<beam number="(\d)">([^<]+)/g,
        ),
      ].map((m) => `${m[1]} ${m[2]}`);
    expect(beams('i:3 m:3 - - - - - -', 2)).toEqual(['1 begin', '1 end']);
    // The groups of a seguiriya begin at 1, 3, 5, 8 and 11: beams stop there.
    expect(
      [
        ...flat(out('seguiriya', setScript('s-a', Array(12).fill('i:3').join(' ')), setSteps('s-a', 1))).matchAll(
          /<beam number="1">([^<]+)/g,
        ),
      ]
        .map((m) => m[1])
        .join(' '),
    ).toBe('begin end begin end begin end begin end begin end');
    expect(beams('i:3 - - m:3 i:3 - - - - - - - - - - -', 4)).toEqual(['1 begin', '1 end', '2 backward hook']);
  });
  it('what goes over a seam is tied, and a third of a count is a tuplet', () => {
    const xml = flat(out('tangos', setScript('s-a', 'i:3 i:3 - i:3 [i:3 m:3 a:3]:2 i:3 -')));
    for (const staff of [1, 2] as const) {
      const own = onStaff(xml, staff).join('');
      expect(own.match(/<tie type="start"\/>/g)).toHaveLength(1);
      expect(own.match(/<tied type="stop"\/>/g)).toHaveLength(1);
    }
    // No number stands on the tablature, and no beam.
    expect(onStaff(xml, 2).join('')).not.toMatch(/<tuplet |<beam |<accidental/);
    expect(xml).toContain('<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes>');
    expect(xml).toContain('<tuplet type="start" bracket="yes"/>');
  });
  it('strums with their direction, plectrum, golpe, ligado, slide, dead strings, palm, ring and rest stroke', () => {
    const xml = flat(
      out('tangos', setScript('s-a', 'id:654321* iu:123 Pd:3 L:3f2 G p:6x i:1_ p:5% | p:5~ i:2f1=1 L:2f3=1 - - - - -')),
    );
    for (const sign of [
      '<arpeggiate direction="up"/>',
      '<arpeggiate direction="down"/>',
      '<down-bow/>',
      '<golpe/>',
      '<hammer-on type="start" number="3">H</hammer-on>',
      '<hammer-on type="stop" number="3"/>',
      '<slide type="stop" number="2" line-type="solid"/>',
      '<notehead>x</notehead>',
      '<play><mute>palm</mute></play>',
      '<tied type="let-ring"/>',
      '<other-technical>rest stroke</other-technical>',
      '<unpitched><display-step>B</display-step>',
    ])
      expect(xml, sign).toContain(sign);
  });
  it('chords by kind with what is added, their frets and barre; a name that is no symbol as it is called', () => {
    const chords = 'F:2 E7b9:2 | "Old boat":2 Am/C:2';
    const xml = flat(out('tangos', shape('Old boat', '0-2-2-0-0-0', '0-2-3-0-0-0'), setChart('s-a', chords)));
    expect(xml).toContain('<root-step>F</root-step></root><kind text="">major</kind><frame>');
    expect(xml).toContain(
      '<frame-note><string>6</string><fret>1</fret><fingering>1</fingering><barre type="start"/></frame-note>',
    );
    expect(xml).toContain('<fret>1</fret><fingering>1</fingering><barre type="stop"/></frame-note></frame>');
    expect(xml).toContain(
      '<kind text="7b9">dominant</kind><degree><degree-value>9</degree-value><degree-alter>-1</degree-alter><degree-type>add',
    );
    expect(xml).toContain('<root-step text="">C</root-step></root><kind text="Old boat">none</kind><frame>');
    expect(xml).toContain('<kind text="m">minor</kind><bass><bass-step>C</bass-step></bass>');
  });
  it('repeats and endings as signs, each section with its name, cycle and tempo', () => {
    const solea = cycleById('solea')!;
    const xml = out(
      'tangos',
      addSection('b', 'B', solea),
      addSection('c', 'C', solea),
      setTempo('b', 100),
      setForm('{A [1 B] [2 C]}x2'),
    );
    const [a, b, c] = measures(xml);
    expect(a).toContain('<barline location="left"><bar-style>heavy-light</bar-style><repeat direction="forward"/>');
    expect(b).toContain('<ending number="1" type="start"/>');
    expect(b).toContain('<ending number="1" type="stop"/><repeat direction="backward" times="2"/>');
    expect(c).toContain('<ending number="2" type="discontinue"/>');
    expect(b).toContain('<words>Soleá (12): 3, 6, 8, 10, 12</words>');
    expect(b).toContain('<sound tempo="100"/>');
    expect(b).toContain('<time><beats>12</beats><beat-type>4</beat-type></time>');
    expect(c).not.toContain('<time>');
  });
  it('a cycle that counts eighths or halves is written so, and its tempo is in quarters', () => {
    const xml = flat(out('seguiriya', setScript('s-a', 'p:5 - - - - - - - - - - -'), setSteps('s-a', 1)));
    expect(xml).toContain('<beat-type>8</beat-type>');
    expect(xml).toContain(
      '<beat-unit>eighth</beat-unit><per-minute>170</per-minute></metronome></direction-type><sound tempo="85"/>',
    );
  });
  it('the capo stands beside the strings', () =>
    expect(flat(out('tangos', setCapo(3)))).toMatch(/<staff-tuning line="1"><tuning-step>E<.*<capo>3<\/capo>/));
  it('some bars alone: what was begun before them is silent, what is held is said', () => {
    const of = study('tangos', setScript('s-a', 'p:5 - - - - - - i:3 | - - p:4 - - - - -'), setChart('s-a', 'Am | %'));
    const xml = flat(musicXml(of, DEFAULT_PROFILE, { kind: 'bars', section: 's-a', bars: [1, 1] }));
    expect(xml).not.toContain('tied');
    expect(xml).toContain('<kind text="m">minor</kind>');
    expect(
      onStaff(xml, 1)
        .join('')
        .match(/<pitch>/g),
    ).toHaveLength(1);
    expect(
      onStaff(xml, 2)
        .join('')
        .match(/<pitch>/g),
    ).toHaveLength(1);
  });
  it('whatever is written is as the format wants it', async () => {
    const samples = fc.sample(anyPattern, { numRuns: 60, seed: 5 }).map((pattern, n) => {
      const cycle = ['tangos', 'buleria', 'seguiriya', 'vals'][n % 4] ?? 'tangos';
      return out(
        cycle,
        setScript('s-a', printScript(pattern)),
        setSteps('s-a', pattern.stepsPerCount),
        setChart('s-a', ['', 'Am F', 'E7b9 | .', 'Gmaj7/B'][n % 4] ?? ''),
        setForm(n % 2 ? '{A}x3' : ''),
        setWords('s-a', ['', 'la-:1/2 ra:1/2 | . "y & va"', 'uno dos'][n % 3] ?? ''),
        setKey('s-a', n % 2 ? { tonic: 'Bb', mode: 'dorian' } : null),
      );
    });
    expect(samples.every((s) => s.includes('<measure'))).toBe(true);
    expect(samples.filter((s) => s.includes('<lyric')).length).toBeGreaterThan(20);
    expect(await errorsOf(...samples)).toEqual([]);
    // The check is worth something: an element in the wrong place is found.
    expect(
      await errorsOf(samples[0]!.replace('<divisions>', '<division>').replace('</divisions>', '</division>')),
    ).not.toEqual([]);
  });
});
