import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** Drawn for this product on a 24 × 24 grid, strokes only. */
const ICONS = {
  wheel:
    'M12 3.2c1.4 1.6 3 1.2 4.4.8.4 1.5 1 2.8 3 3.6-1 1.5-1.500 3 .4 4.400-1.900 1.400-1.400 2.900-.4 4.400-2 .800-2.600 2.100-3 3.600-1.400-.400-3-.800-4.400.800-1.400-1.600-3-1.200-4.400-.800-.400-1.500-1-2.800-3-3.600 1-1.500 1.500-3-.400-4.400 1.900-1.400 1.400-2.900.4-4.400 2-.800 2.600-2.100 3-3.600 1.400.400 3 .800 4.400-.8zM12 8v4l2.600 2',
  neck: 'M3 7.500h18M3 12h18M3 16.500h18M8 5v14M14.500 5v14M11.200 9.700h.1M17.800 14.200h.1',
  weave:
    'M4 6.500c3 0 3 3 5.300 3s2.300-3 5.400-3 3 3 5.300 3M4 12c3 0 3 3 5.300 3s2.300-3 5.400-3 3 3 5.300 3M4 17.500c3 0 3 3 5.300 3s2.300-3 5.400-3 3 3 5.300 3M9.300 3.500v4M14.700 9.500v4M9.300 15v3.500',
  practise: 'M5 20h3v-4H5zM10.500 20h3v-8h-3zM16 20h3V7h-3zM6.500 12l5-5 3 2 4-5',
  logbook:
    'M6 3.500h11a1.500 1.500 0 0 1 1.500 1.500v15.500H7.500A1.500 1.500 0 0 1 6 19zM6 17.500h12.500M9.500 8h6M9.500 11.500h4',
  shelf: 'M3.500 20.500h17M5 20V6h3.500v14M10.500 20V9H14v11M15.600 20l-1-11.500 3.400-.400 1.300 11.900',
  play: 'M8 5.500v13l10.500-6.500z',
  stop: 'M7 7h10v10H7z',
  undo: 'M8.500 5 4.500 9l4 4M5 9h9a5 5 0 0 1 0 10h-4',
  redo: 'M15.500 5l4 4-4 4M19 9h-9a5 5 0 0 0 0 10h4',
  keys: 'M3.500 7h17v10h-17zM7 10.500h.1M10.500 10.500h.1M14 10.500h.1M17 10.500h.1M8 14h8',
  light:
    'M12 7.500a4.500 4.500 0 1 0 0 9 4.500 4.500 0 0 0 0-9zM12 2.500v2M12 19.500v2M2.500 12h2M19.500 12h2M5.300 5.300l1.400 1.400M17.300 17.300l1.400 1.400M5.300 18.700l1.400-1.400M17.300 6.700l1.400-1.400',
  sound: 'M4 9.500v5h3.500L12 18.500v-13L7.500 9.500zM15.500 9a4.200 4.200 0 0 1 0 6M18 6.500a8 8 0 0 1 0 11',
  minus: 'M6 12h12',
  plus: 'M6 12h12M12 6v12',
  before: 'M14.500 6l-6 6 6 6',
  after: 'M9.500 6l6 6-6 6',
  close: 'M6.500 6.500l11 11M17.500 6.500l-11 11',
} as const;
export type IconName = keyof typeof ICONS;

@Component({
  selector: 'app-icon',
  template: `<svg viewBox="0 0 24 24" aria-hidden="true"><path [attr.d]="path()" /></svg>`,
  styles: `
    :host {
      display: inline-flex;
    }
    svg {
      width: 1.5em;
      height: 1.5em;
      fill: none;
      stroke: currentColor;
      stroke-width: 1.7;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Icon {
  readonly name = input.required<IconName>();
  protected readonly path = computed(() => ICONS[this.name()]);
}
