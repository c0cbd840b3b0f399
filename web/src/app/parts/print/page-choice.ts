import { computed, inject, Injectable } from '@angular/core';
import { PAGE_LOOKS, type PageLook } from '@ruffle-wheel/core';
import { Collection } from '../../study';
import { PLAIN_VIEW, type PageView } from '../../ui/stave/system-layout';

/** What pages show, on the screen and on paper, as the player has chosen. */
@Injectable({ providedIn: 'root' })
export class PageChoice {
  private readonly collection = inject(Collection);
  readonly view = computed(
    (): PageView => {
      const { page = PLAIN_VIEW.look, slashes = PLAIN_VIEW.slashes } = this.collection.settings();
      return { look: page, slashes };
    },
    { equal: (a, b) => a.look === b.look && a.slashes === b.slashes },
  );
  choose(page: PageLook) {
    this.collection.set({ page });
  }
  /** The next one there is, round. */
  next() {
    const now = PAGE_LOOKS.indexOf(this.view().look);
    this.choose(PAGE_LOOKS[(now + 1) % PAGE_LOOKS.length] ?? PLAIN_VIEW.look);
  }
  turnSlashes() {
    this.collection.set({ slashes: !this.view().slashes });
  }
}
