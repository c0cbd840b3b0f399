import type { Routes } from '@angular/router';
import { shell as words } from '../words/shell';
import { PLACES } from './places';

const first = PLACES[0]?.path ?? '';
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: first },
  ...PLACES.map(({ path, name, load }) => ({ path, title: `${name} · ${words.app}`, loadComponent: load })),
  // An address in other letters is the place it means.
  { path: '**', redirectTo: ({ url }) => PLACES.find((p) => p.path === url[0]?.path.toLowerCase())?.path ?? first },
];
