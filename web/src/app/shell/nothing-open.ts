import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { NewStudy } from '../parts/new-study/new-study';
import { shell as words } from '../words/shell';

/** What there is to do while no study is open. */
@Component({
  selector: 'app-nothing-open',
  imports: [MatButton, RouterLink],
  templateUrl: './nothing-open.html',
  styleUrl: './nothing-open.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NothingOpen {
  protected readonly words = words;
  protected readonly newStudy = inject(NewStudy);
}
