import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Guide } from '../parts/guide/guide';
import { NewStudy } from '../parts/new-study/new-study';
import { Tour } from '../parts/tour/tour';
import { Collection } from '../study';
import { welcome } from '../words/welcome';

/** What this is, once, with the ways in; then the tour for as long as it goes. */
@Component({
  selector: 'app-welcome',
  imports: [MatButton],
  templateUrl: './welcome.html',
  styleUrl: './welcome.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Welcome {
  protected readonly words = welcome;
  protected readonly tour = inject(Tour);
  protected readonly guide = inject(Guide);
  private readonly newStudy = inject(NewStudy);
  private readonly collection = inject(Collection);

  protected welcomed() {
    this.collection.set({ welcomed: true });
  }
  protected begin() {
    this.welcomed();
    void this.tour.begin();
  }
  protected make() {
    this.welcomed();
    void this.newStudy.ask();
  }
}
