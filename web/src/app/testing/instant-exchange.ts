import type { LogEntry } from '@ruffle-wheel/core';
import type { TrackWishes } from '@ruffle-wheel/core/exchange';
import { exchangeTasks, type InSetting, type OutAsk } from '../compute/exchange-tasks';
import { MIDI_TRACKS } from '../words/said/score-files';

/** Score files read and written in the page; keeps what it was asked. */
export class InstantExchange {
  readonly tracks: TrackWishes[] = [];
  cancelled = 0;
  look(ask: OutAsk) {
    return Promise.resolve(exchangeTasks.look(ask));
  }
  file(ask: OutAsk) {
    return Promise.resolve(exchangeTasks.file(ask, MIDI_TRACKS));
  }
  track(ask: OutAsk, wishes: TrackWishes, progress: (share: number) => void) {
    this.tracks.push(wishes);
    return Promise.resolve(exchangeTasks.track(ask, wishes, progress));
  }
  read(bytes: Uint8Array, setting: InSetting, progress: (share: number) => void) {
    return Promise.resolve(exchangeTasks.read(bytes, setting, progress));
  }
  stand(ask: OutAsk) {
    return Promise.resolve(exchangeTasks.stand(ask));
  }
  sheet(ask: OutAsk) {
    return Promise.resolve(exchangeTasks.sheet(ask));
  }
  logTable(log: readonly LogEntry[]) {
    return Promise.resolve(exchangeTasks.logTable(log));
  }
  readLogTable(bytes: Uint8Array, log: readonly LogEntry[]) {
    return Promise.resolve(exchangeTasks.readLogTable(bytes, log));
  }
  cancel() {
    this.cancelled++;
  }
}
