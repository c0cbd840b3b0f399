import { inject, Injectable, signal, type WritableSignal } from '@angular/core';
import { OpenStudy } from './open-study';

/** What has been typed into the panels' own fields, by panel and section: it is there again when a panel comes back. */
@Injectable({ providedIn: 'root' })
export class TypedTexts {
  private readonly open = inject(OpenStudy);
  private readonly texts = new Map<string, WritableSignal<string>>();

  /** The text of one field of the open section, '' until something is typed. */
  of(field: string): WritableSignal<string> {
    const key = `${field} ${this.open.written()?.id ?? ''}`;
    const there = this.texts.get(key) ?? signal('');
    this.texts.set(key, there);
    return there;
  }
}
