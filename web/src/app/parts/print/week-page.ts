import type { Course, WeekDay, WeekTask } from '@ruffle-wheel/core';
import { practise } from '../../words/practise';
import { sayCourseStep } from '../../words/said/plan';
import { MARGIN, numberPages, paper, SANS, SERIF } from './paper';
import { printable } from './printable';

const LINE_MM = 7;
const BOX_MM = 4;
const BOX_APART_MM = 5.6;
/** As many boxes as fit beside their line; a gate of more is written as a number. */
const MOST_BOXES = 12;
const COLUMN = { day: 0, what: 34, minutes: 116, boxes: 142 };
const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });
const dayOf = (day: string) => DAY.format(new Date(`${day}T00:00:00Z`));

export interface Week {
  readonly study: string;
  readonly section: string;
  readonly course: Course;
  readonly days: readonly WeekDay[];
}

/** A week of homework on one page: days, minutes, tempi, and a box for each clean pass. */
export async function weekPage({ study, section, course, days }: Week): Promise<Blob> {
  const words = practise.courses.page;
  const title = words.title(study, section);
  const doc = await paper('a4', title);
  const { width } = doc.internal.pageSize;
  const type = (family: string, weight: 'bold' | 'normal', size: number) =>
    doc.setFont(family, weight).setFontSize(size);
  let y = MARGIN + 6;
  type(SERIF, 'bold', 20);
  doc.text(printable(title), MARGIN, y, { maxWidth: width - 2 * MARGIN });
  y += 9;
  type(SANS, 'normal', 12);
  doc.text(printable(words.week(dayOf(days[0]?.day ?? ''), dayOf(days.at(-1)?.day ?? ''))), MARGIN, y);
  y += 6;
  const task = ({ step, kind, bpm, minutes, times, boxes }: WeekTask) => {
    const own = course.steps[step];
    const said = own ? `${step + 1}. ${sayCourseStep(own)}` : '';
    const tempo = bpm === null ? '' : ` ${words.at(bpm)}`;
    type(SANS, kind === 'check' ? 'normal' : 'bold', 12);
    const text = printable(`${kind === 'check' ? `${words.check} ` : ''}${said}${tempo}`);
    const lines = doc.splitTextToSize(text, COLUMN.minutes - COLUMN.what - 3) as string[];
    doc.text(lines, MARGIN + COLUMN.what, y);
    type(SANS, 'normal', 12);
    doc.text(words.minutes(times, minutes), MARGIN + COLUMN.minutes, y);
    for (let n = 0; n < Math.min(boxes, MOST_BOXES); n++)
      doc.rect(
        MARGIN + COLUMN.boxes + (n % 6) * BOX_APART_MM,
        y - BOX_MM + 0.6 + Math.floor(n / 6) * BOX_APART_MM,
        BOX_MM,
        BOX_MM,
      );
    const rows = Math.max(lines.length, Math.ceil(Math.min(boxes, MOST_BOXES) / 6));
    y += LINE_MM + (rows - 1) * BOX_APART_MM;
  };
  doc.setDrawColor('#241c18').setLineWidth(0.25);
  for (const { day, tasks } of days) {
    doc.line(MARGIN, y, width - MARGIN, y);
    y += LINE_MM;
    type(SERIF, 'bold', 12);
    doc.text(dayOf(day), MARGIN + COLUMN.day, y);
    if (tasks.length) tasks.forEach(task);
    else {
      type(SANS, 'normal', 12);
      doc.text(words.free, MARGIN + COLUMN.what, y);
      y += LINE_MM;
    }
    y -= 2;
  }
  doc.line(MARGIN, y, width - MARGIN, y);
  y += 8;
  type(SERIF, 'bold', 12);
  doc.text(words.gates, MARGIN, y);
  type(SANS, 'normal', 11);
  for (const step of new Set(days.flatMap((d) => d.tasks.map((t) => t.step)))) {
    const own = course.steps[step];
    if (!own) continue;
    y += 5.5;
    const gate = practise.courses.gate(own.gate.clean, own.gate.days);
    doc.text(printable(`${step + 1}. ${sayCourseStep(own)}: ${gate}`), MARGIN, y, { maxWidth: width - 2 * MARGIN });
  }
  y += 9;
  for (const line of [words.help, words.care]) {
    const lines = doc.splitTextToSize(line, width - 2 * MARGIN) as string[];
    doc.text(lines, MARGIN, y);
    y += 5.5 * lines.length;
  }
  numberPages(doc);
  return doc.output('blob');
}
