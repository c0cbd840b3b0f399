import { Injectable, signal } from '@angular/core';

/** Drills that another place has asked Practise to take up, by name, the first one first. */
@Injectable({ providedIn: 'root' })
export class AskedDrills {
  private readonly names = signal<readonly string[]>([]);
  ask(names: readonly string[]) {
    this.names.set(names);
  }
  /** Hands them over: they are asked for once. */
  take(): readonly string[] {
    const names = this.names();
    this.names.set([]);
    return names;
  }
}
