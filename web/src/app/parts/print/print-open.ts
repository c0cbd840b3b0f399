import { inject, Injectable } from '@angular/core';
import type { OutAsk } from '../../compute/exchange-tasks';
import { Exchange } from '../../compute/exchange';
import { Collection, OpenStudy } from '../../study';
import { Notice } from '../../ui/notice';
import { saveFile } from '../../ui/save-file';
import { files } from '../../words/files';
import { PageChoice } from './page-choice';
import { StandPage } from './stand-page';

/** How long a page may take until one is told that it comes. */
const SAID_AFTER_MS = 400;

/** The stand page of what is open, in a page of its own from which the browser prints. */
@Injectable({ providedIn: 'root' })
export class PrintOpen {
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly exchange = inject(Exchange);
  private readonly stand = inject(StandPage);
  private readonly look = inject(PageChoice);
  private readonly notice = inject(Notice);

  async print(): Promise<void> {
    const [study, section] = [this.open.study(), this.open.section()];
    if (!study || !section) return this.notice.say(files.printOpen.nothing);
    if (section.script.trim() === '') return this.notice.say(files.printOpen.empty(section.name));
    const slow = setTimeout(() => this.notice.say(files.printOpen.coming), SAID_AFTER_MS);
    const scope = { kind: 'section', section: section.id } as const;
    const page = await this.page({ study, profile: this.collection.profile(), scope, format: 'pdf' }).catch(() => null);
    clearTimeout(slow);
    if (!page) return this.notice.say(files.failed);
    if (window.open(URL.createObjectURL(page), '_blank')) return;
    // A browser that opens no second page keeps the file.
    this.notice.act(files.noWindow, files.printOpen.save, () => saveFile(page, `${study.name} ${section.name}`, 'pdf'));
  }
  private async page(ask: OutAsk): Promise<Blob | null> {
    const sections = await this.exchange.stand(ask);
    return sections && this.stand.pdf(ask.study.name, sections, 'a4', () => true, this.look.view());
  }
}
