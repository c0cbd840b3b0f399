import { Injectable, signal } from '@angular/core';

export interface Trouble {
  /** Tells one matter from another: it is shown once, however often it comes. */
  readonly matter: string;
  readonly text: string;
  /** What would mend it. */
  readonly again?: () => void;
  /** That is loading the page anew. */
  readonly reload?: true;
}
/** What went wrong outside of the player's own doing, shown over every place until it is mended or put away. */
@Injectable({ providedIn: 'root' })
export class Troubles {
  private readonly shown = signal<readonly Trouble[]>([]);
  readonly list = this.shown.asReadonly();

  say(trouble: Trouble) {
    this.shown.update((list) => [...list.filter((t) => t.matter !== trouble.matter), trouble]);
  }
  end(matter: string) {
    if (this.shown().some((t) => t.matter === matter))
      this.shown.update((list) => list.filter((t) => t.matter !== matter));
  }
}
