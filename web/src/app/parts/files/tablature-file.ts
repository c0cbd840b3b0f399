import { type Scope, type Study, type TablaturePart, tuningText } from '@ruffle-wheel/core';
import { files as words } from '../../words/files';
import { sayCycle } from '../../words/said/catalogue';

/** A whole file of tablature: the study, then each section with its cycle and tempo; '' where nothing is written. */
export function tablatureFile(study: Study, scope: Scope, all: readonly TablaturePart[]): string {
  const parts = all.filter((p) => p.text !== '');
  if (parts.length === 0) return '';
  const { tuning, capo } = study.instrument;
  const head = [
    study.name,
    words.strings(tuningText(tuning), capo),
    ...(scope.kind === 'form' && study.form ? [words.order(study.form)] : []),
  ];
  const sections = parts.map((p) => {
    const section = study.sections.find((s) => s.id === p.section);
    const bars = scope.kind === 'bars' ? `, ${barsOf(scope.bars)}` : '';
    if (!section) return p.text;
    return `${section.name}${bars} · ${sayCycle(section.cycle).name} · ${words.tempo(section.bpm)}\n\n${p.text}`;
  });
  return `${head.join('\n')}\n\n${sections.join('\n\n\n')}\n`;
}
const barsOf = ([from, to]: readonly [number, number]): string => words.bars(from + 1, to + 1);
