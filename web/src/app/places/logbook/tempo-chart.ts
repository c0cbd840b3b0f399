import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input } from '@angular/core';
import { daysBetween, type LogEntry, reached } from '@ruffle-wheel/core';
import {
  type ChartConfiguration,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import { BaseChartDirective, provideCharts } from 'ng2-charts';
import { Collection } from '../../study';
import { words } from '../../words/en';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' });
const COLOURS = ['--pomegranate', '--indigo', '--olive', '--bark', '--ink'];
const POINTS = ['circle', 'rectRot', 'triangle', 'rect', 'star'] as const;
const DASHES = [[], [7, 4], [2, 4], [10, 3, 2, 3], [5, 5]];

/** Tempo reached on every day, a line for each study; lines differ in colour, dash and point. */
@Component({
  selector: 'app-tempo-chart',
  imports: [BaseChartDirective],
  providers: [
    provideCharts({ registerables: [LineController, LineElement, PointElement, LinearScale, Tooltip, Legend] }),
  ],
  template: `<canvas
    baseChart
    type="line"
    role="img"
    [attr.aria-label]="label()"
    [data]="chart().data"
    [options]="chart().options"
  ></canvas>`,
  styles: `
    :host {
      display: block;
      position: relative;
      height: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TempoChart {
  readonly entries = input.required<readonly LogEntry[]>();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly collection = inject(Collection);

  private readonly lines = computed(() => {
    const byStudy = new Map<string, { name: string; points: { day: string; bpm: number }[] }>();
    for (const e of [...this.entries()].sort((a, b) => a.startedAt.localeCompare(b.startedAt))) {
      const bpm = reached(e);
      if (bpm === null) continue;
      const name = `${e.studyName} · ${e.sectionName}`;
      const line = byStudy.get(name) ?? { name, points: [] };
      line.points.push({ day: e.startedAt.slice(0, 10), bpm });
      byStudy.set(name, line);
    }
    return [...byStudy.values()];
  });
  protected readonly label = computed(() => {
    const said = this.lines().map((l) => `${l.name} from ${l.points[0]?.bpm ?? 0} to ${l.points.at(-1)?.bpm ?? 0}`);
    return `${words.logbook.chart}: ${said.join('; ')}`;
  });

  protected readonly chart = computed(
    (): { data: ChartConfiguration<'line'>['data']; options: ChartConfiguration<'line'>['options'] } => {
      // The theme decides the colours that the canvas is painted with.
      void this.collection.settings().theme;
      const ink = this.colour('--ink');
      const grid = this.colour('--line');
      const first = this.lines().reduce(
        (min, l) => ((l.points[0]?.day ?? min) < min ? (l.points[0]?.day ?? min) : min),
        '9999-12-31',
      );
      const font = { family: 'Alegreya Sans', size: 15 };
      return {
        data: {
          datasets: this.lines().map((l, n) => {
            const colour = this.colour(COLOURS[n % COLOURS.length] ?? '--ink');
            return {
              label: l.name,
              data: l.points.map((p) => ({ x: daysBetween(first, p.day), y: p.bpm })),
              borderColor: colour,
              backgroundColor: colour,
              borderDash: DASHES[n % DASHES.length] ?? [],
              pointStyle: POINTS[n % POINTS.length] ?? 'circle',
              pointRadius: 4,
              borderWidth: 2,
            };
          }),
        },
        options: {
          responsive: true,
          maintainAspectRatio: false,
          animation: false,
          parsing: false,
          plugins: {
            legend: { position: 'right', labels: { color: ink, font, usePointStyle: true, boxHeight: 8 } },
            tooltip: { callbacks: { title: (items) => this.day(first, items[0]?.parsed.x ?? 0) } },
          },
          scales: {
            x: {
              type: 'linear',
              grid: { color: grid },
              ticks: { color: ink, font, stepSize: 7, callback: (v) => this.day(first, Number(v)) },
            },
            y: {
              grid: { color: grid },
              ticks: { color: ink, font },
              title: { display: true, text: words.logbook.chart, color: ink, font },
            },
          },
        },
      };
    },
  );

  private day(first: string, days: number): string {
    return DAY.format(new Date(Date.parse(first) + days * 86_400_000));
  }
  /** A colour of the theme as the canvas understands it. */
  private colour(name: string): string {
    const probe = document.createElement('span');
    probe.style.color = `var(${name})`;
    this.host.nativeElement.append(probe);
    const colour = getComputedStyle(probe).color;
    probe.remove();
    return colour;
  }
}
