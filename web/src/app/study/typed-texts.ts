import { inject, Injectable, signal, type WritableSignal } from '@angular/core';
import { OpenStudy } from './open-study';

/** Read and written as a signal is. */
export interface TypedText {
  (): string;
  set(text: string): void;
}

/** What has been typed into the panels' own fields, by panel and section: it is there again when a panel comes back. */
@Injectable({ providedIn: 'root' })
export class TypedTexts {
  private readonly open = inject(OpenStudy);
  private readonly texts = new Map<string, WritableSignal<string>>();

  /** The text of one field for whichever section is open, '' until something is typed. */
  of(field: string): TypedText {
    const here = () => this.text(`${field} ${this.open.written()?.id ?? ''}`);
    return Object.assign(() => here()(), { set: (text: string) => here().set(text) });
  }
  private text(key: string): WritableSignal<string> {
    const there = this.texts.get(key) ?? signal('');
    this.texts.set(key, there);
    return there;
  }
}
