import { describe, expect, it } from 'vitest';
import { addSection, makeStudy, renameStudy, setChart, setForm, setScript, setTempo, type Command } from './index.js';
import { whatChanged } from './what-changed.js';

const study = setScript('s-a', 'p i m a')(makeStudy('s', 'Stair'));
const after = (command: Command) => whatChanged(study, command(study));

describe('what changed', () => {
  it('one stroke is told by its number, more by the script', () => {
    expect(after(setScript('s-a', 'p i e a'))).toMatchObject([
      { what: 'script', stroke: 3, section: { id: 's-a', name: 'A' } },
    ]);
    expect(after(setScript('s-a', 'p i e e'))).toMatchObject([{ what: 'script', stroke: null }]);
    expect(after(setScript('s-a', 'p i m a p'))).toMatchObject([{ what: 'script', stroke: null }]);
  });
  it('each part of a section and of the study by its name; nothing where nothing did', () => {
    expect(after(setTempo('s-a', 144)).map((c) => c.what)).toEqual(['bpm']);
    expect(after(setChart('s-a', 'Am')).map((c) => c.what)).toEqual(['chart']);
    expect(after(setForm('A A')).map((c) => [c.what, c.section])).toEqual([['form', null]]);
    expect(after(renameStudy('Other')).map((c) => c.what)).toEqual(['study name']);
    expect(after((s) => s)).toEqual([]);
  });
  it('sections that came or went are named', () =>
    expect(after(addSection('b', 'Bridge', study.sections[0]!.cycle))).toMatchObject([
      { what: 'sections', section: { name: 'Bridge' } },
    ]));
});
