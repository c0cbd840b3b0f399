import { Injectable, signal } from '@angular/core';

/** Whether the pointer is a finger: then what is pressed is large, and keys are not spoken of. */
@Injectable({ providedIn: 'root' })
export class CoarsePointer {
  private readonly media = typeof matchMedia === 'undefined' ? null : matchMedia('(pointer: coarse)');
  private readonly isCoarse = signal(this.media?.matches ?? false);
  readonly coarse = this.isCoarse.asReadonly();

  constructor() {
    this.media?.addEventListener('change', (e) => this.isCoarse.set(e.matches));
  }
}
