import { inject, Injectable, signal, type WritableSignal } from '@angular/core';
import { Store, Writes } from '../data';
import { OpenStudy } from './open-study';

/** Read and written as a signal is. */
export interface TypedText {
  (): string;
  set(text: string): void;
}

/** What has been typed into the panels' own fields, by panel and section: it is there again when a panel comes back, and tomorrow. */
@Injectable({ providedIn: 'root' })
export class TypedTexts {
  private readonly open = inject(OpenStudy);
  private readonly writes = inject(Writes);
  private readonly texts = new Map<string, WritableSignal<string>>();
  /** Typed in this tab: what was stored before comes after it. */
  private readonly fresh = new Set<string>();

  constructor() {
    inject(Store)
      .readTyped()
      .then(
        (rows) => {
          for (const { key, text } of rows) if (!this.fresh.has(key)) this.text(key).set(text);
        },
        // Storage that does not answer says so elsewhere; fields begin empty then.
        () => undefined,
      );
  }

  /** The text of one field for whichever section is open, '' until something is typed. */
  of(field: string): TypedText {
    const key = () => `${field} ${this.open.written()?.id ?? ''}`;
    return Object.assign(() => this.text(key())(), { set: (text: string) => this.type(key(), text) });
  }
  private type(key: string, text: string) {
    this.fresh.add(key);
    if (this.text(key)() === text) return;
    this.text(key).set(text);
    this.writes.put({ kind: 'typed', key, text, at: new Date().toISOString() });
  }
  private text(key: string): WritableSignal<string> {
    const there = this.texts.get(key) ?? signal('');
    this.texts.set(key, there);
    return there;
  }
}
