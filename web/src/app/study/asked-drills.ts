import { Injectable, signal } from '@angular/core';

/** Drills that another place has asked Practise to take up, by their keys, the first one first. */
@Injectable({ providedIn: 'root' })
export class AskedDrills {
  private readonly keys = signal<readonly string[]>([]);
  ask(keys: readonly string[]) {
    this.keys.set(keys);
  }
  /** Hands them over: they are asked for once. */
  take(): readonly string[] {
    const keys = this.keys();
    this.keys.set([]);
    return keys;
  }
}
