import { Injectable } from '@angular/core';
import type { LogEntry, SheetSection } from '@ruffle-wheel/core';
import type { FileImport, LogCsvReading, TrackWishes } from '@ruffle-wheel/core/exchange';
import type { ExchangeTasks, InSetting, OutAsk, OutLook, StandSection } from './exchange-tasks';
import { MIDI_TRACKS } from '../words/said/score-files';
import { Overtaking } from './overtaking';
import type { Progress } from './protocol';

const make = () => new Worker(new URL('./exchange.worker', import.meta.url), { type: 'module', name: 'exchange' });

/** Score files, read and written in a worker of their own; every answer is null when overtaken or cancelled. */
@Injectable({ providedIn: 'root' })
export class Exchange extends Overtaking<ExchangeTasks> {
  constructor() {
    super(make);
  }
  file(ask: OutAsk): Promise<Uint8Array | null> {
    return this.run<Uint8Array>(async (worker) => worker.file(ask, MIDI_TRACKS));
  }
  track(ask: OutAsk, wishes: TrackWishes, progress: Progress): Promise<Uint8Array | null> {
    return this.run<Uint8Array | null>(async (worker) => worker.track(ask, wishes, this.told(progress)));
  }
  read(bytes: Uint8Array, setting: InSetting, progress: Progress): Promise<FileImport | null> {
    return this.run<FileImport>(async (worker) => worker.read(bytes, setting, this.told(progress)));
  }
  stand(ask: OutAsk): Promise<StandSection[] | null> {
    return this.run<StandSection[]>(async (worker) => worker.stand(ask));
  }
  sheet(ask: OutAsk): Promise<SheetSection[] | null> {
    return this.run<SheetSection[]>(async (worker) => worker.sheet(ask));
  }
  logTable(log: readonly LogEntry[]): Promise<string | null> {
    return this.run<string>(async (worker) => worker.logTable(log));
  }
  readLogTable(bytes: Uint8Array, log: readonly LogEntry[]): Promise<LogCsvReading | null> {
    return this.run<LogCsvReading>(async (worker) => worker.readLogTable(bytes, log));
  }
}
/** What a format would lose is asked while the player still chooses: it must not end a file that is being written. */
@Injectable({ providedIn: 'root' })
export class ExchangeLook extends Overtaking<ExchangeTasks> {
  constructor() {
    super(make);
  }
  look(ask: OutAsk): Promise<OutLook | null> {
    return this.run<OutLook>(async (worker) => worker.look(ask));
  }
}
