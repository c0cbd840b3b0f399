import type { Route } from '@angular/router';
import type { IconName } from '../ui/icons';
import { keyOf } from '../keys/acts';
import { shell as words } from '../words/shell';

export interface PlaceEntry {
  readonly path: string;
  /** Its number in the full set: it keeps it whichever others there are. */
  readonly key: string;
  readonly icon: IconName;
  readonly name: string;
  /** It has something to show when no study is open. */
  readonly withoutStudy: boolean;
  readonly load: NonNullable<Route['loadComponent']>;
}
/** Every place in the order of the work: its address, key, icon, name and part of the program. */
export const PLACES: readonly PlaceEntry[] = [
  {
    path: 'wheel',
    key: keyOf('to wheel'),
    icon: 'wheel',
    name: words.places.wheel,
    withoutStudy: false,
    load: () => import('../places/wheel/wheel-place').then((m) => m.WheelPlace),
  },
  {
    path: 'neck',
    key: keyOf('to neck'),
    icon: 'neck',
    name: words.places.neck,
    withoutStudy: false,
    load: () => import('../places/neck/neck-place').then((m) => m.NeckPlace),
  },
  {
    path: 'weave',
    key: keyOf('to weave'),
    icon: 'weave',
    name: words.places.weave,
    withoutStudy: false,
    load: () => import('../places/weave/weave-place').then((m) => m.WeavePlace),
  },
  {
    path: 'practise',
    key: keyOf('to practise'),
    icon: 'practise',
    name: words.places.practise,
    withoutStudy: false,
    load: () => import('../places/practise/practise-place').then((m) => m.PractisePlace),
  },
  {
    path: 'logbook',
    key: keyOf('to logbook'),
    icon: 'logbook',
    name: words.places.logbook,
    withoutStudy: true,
    load: () => import('../places/logbook/logbook-place').then((m) => m.LogbookPlace),
  },
  {
    path: 'shelf',
    key: keyOf('to shelf'),
    icon: 'shelf',
    name: words.places.shelf,
    withoutStudy: true,
    load: () => import('../places/shelf/shelf-place').then((m) => m.ShelfPlace),
  },
];
