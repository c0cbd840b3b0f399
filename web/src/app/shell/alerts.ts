import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Compute } from '../compute/compute';
import { Writes } from '../data';
import type { Aside } from '../data/aside';
import { Collection, OpenStudy } from '../study';
import { saveFile } from '../ui/save-file';
import { shell as words } from '../words/shell';
import { Startup } from './startup';
import { Troubles } from './troubles';

/** What has to be said over every place: what went wrong, what another tab has changed, what is set aside. */
@Component({
  selector: 'app-alerts',
  imports: [MatButton],
  templateUrl: './alerts.html',
  styleUrl: './alerts.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Alerts {
  protected readonly words = words;
  protected readonly startup = inject(Startup);
  protected readonly troubles = inject(Troubles);
  protected readonly compute = inject(Compute);
  protected readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly writes = inject(Writes);
  protected readonly conflicts = computed(() =>
    this.collection
      .conflicts()
      .map((conflict) => ({ conflict, deleted: !this.collection.studies().some((r) => r.id === conflict.id) })),
  );
  protected readonly aside = computed(() => this.writes.aside());
  /** What is set aside, as a file; it can be let go then. */
  protected exportAside({ name, text }: Aside) {
    saveFile(new Blob([text], { type: 'application/json' }), name || words.aside.fileName, 'json');
  }
  protected letGo({ key }: Aside) {
    this.writes.letGo(key);
  }
}
