import { InjectionToken } from '@angular/core';

/** Names the tables, and the channel over which tabs hear of each other's saves. */
export const DATABASE_NAME = new InjectionToken<string>('DATABASE_NAME', {
  providedIn: 'root',
  factory: () => 'ruffle-wheel',
});
