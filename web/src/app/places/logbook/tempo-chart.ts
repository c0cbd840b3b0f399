import { BreakpointObserver } from '@angular/cdk/layout';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { askedIn, daysBetween, type LogEntry, longBreaks, tempoLines } from '@ruffle-wheel/core';
import {
  type ChartConfiguration,
  type Plugin,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import { BaseChartDirective, provideCharts } from 'ng2-charts';
import { map } from 'rxjs';
import { Collection } from '../../study';
import { Turns } from '../../ui/soon';
import { logbook as logbookWords } from '../../words/logbook';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' });
const COLOURS = ['--pomegranate', '--indigo', '--olive', '--bark', '--ink'];
const POINTS = ['circle', 'rectRot', 'triangle', 'rect', 'star'] as const;
const DASHES = [[], [7, 4], [2, 4], [10, 3, 2, 3], [5, 5]];

/** Labels under the chart at most. */
const MOST_TICKS = 12;

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
    [plugins]="plugins"
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

  private readonly narrow = toSignal(
    inject(BreakpointObserver)
      .observe('(max-width: 700px)')
      .pipe(map((b) => b.matches)),
    { initialValue: false },
  );
  /** Its axes come first, the lines a task later: with both at once the page would not answer keys for a while. */
  private readonly axesDrawn = signal(false);
  private readonly lines = computed(() => {
    const studies = this.collection.studies().map((r) => r.study);
    return tempoLines(this.entries(), (e) => askedIn(e, studies));
  });
  private readonly breaks = computed(() => {
    const { from, to } = this.lines();
    return longBreaks(this.entries()).filter((b) => b.to > from && b.from < to);
  });
  /** A band behind the lines where nothing was played. */
  protected readonly plugins: Plugin<'line'>[] = [
    {
      id: 'breaks',
      beforeDatasetsDraw: ({ ctx, chartArea, scales }) => {
        const { x } = scales;
        if (!x) return;
        const place = (day: string) => {
          const at = x.getPixelForValue(daysBetween(this.lines().from, day));
          return Math.min(chartArea.right, Math.max(chartArea.left, at));
        };
        ctx.save();
        ctx.fillStyle = this.colour('--line');
        ctx.globalAlpha = 0.55;
        for (const { from, to } of this.breaks())
          ctx.fillRect(place(from), chartArea.top, place(to) - place(from), chartArea.bottom - chartArea.top);
        ctx.restore();
      },
    },
  ];
  protected readonly label = computed(() => {
    const { lines, more } = this.lines();
    const breaks = this.breaks().map((b) => logbookWords.notPlayed(DAY.format(new Date(b.from)), b.days));
    const said = lines.map((l) => logbookWords.line(l.name, l.points[0]?.bpm ?? 0, l.points.at(-1)?.bpm ?? 0));
    return `${logbookWords.chart}: ${[...said, ...(more ? [logbookWords.moreLines(more)] : []), ...breaks].join('; ')}`;
  });

  protected readonly chart = computed(
    (): { data: ChartConfiguration<'line'>['data']; options: ChartConfiguration<'line'>['options'] } => {
      // The theme decides the colours that the canvas is painted with.
      void this.collection.settings().theme;
      const ink = this.colour('--ink');
      const grid = this.colour('--line');
      const { lines, from: first, to } = this.lines();
      const weeks = Math.ceil((daysBetween(first, to) || 1) / 7);
      const narrow = this.narrow();
      const font = { family: 'Alegreya Sans', size: 15 };
      return {
        data: {
          datasets: (this.axesDrawn() ? lines : []).map((l, n) => {
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
            legend: {
              position: narrow ? 'bottom' : 'right',
              labels: { color: ink, font, usePointStyle: true, boxHeight: 8 },
            },
            tooltip: { callbacks: { title: (items) => this.day(first, items[0]?.parsed.x ?? 0) } },
          },
          scales: {
            x: {
              type: 'linear',
              grid: { color: grid },
              ticks: {
                color: ink,
                font,
                stepSize: 7 * Math.ceil(weeks / MOST_TICKS),
                callback: (v) => this.day(first, Number(v)),
              },
            },
            y: {
              grid: { color: grid },
              ticks: { color: ink, font },
              title: { display: true, text: logbookWords.chart, color: ink, font },
            },
          },
        },
      };
    },
  );

  constructor() {
    inject(DestroyRef).onDestroy(inject(Turns).add(() => this.axesDrawn.set(true)));
  }

  private day(first: string, days: number): string {
    const date = Date.parse(first) + days * 86_400_000;
    return Number.isFinite(date) ? DAY.format(new Date(date)) : '';
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
