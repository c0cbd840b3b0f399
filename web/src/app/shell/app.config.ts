import {
  type ApplicationConfig,
  inject,
  provideAppInitializer,
  provideBrowserGlobalErrorListeners,
} from '@angular/core';
import { provideRouter, Router, withNavigationErrorHandler, withRouterConfig } from '@angular/router';
import { routes } from './app.routes';
import { Startup } from './startup';
import { Troubles } from './troubles';
import { isUpdated } from './updated';
import { shell as words } from '../words/shell';

const PART = 'part';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideRouter(
      routes,
      withRouterConfig({ resolveNavigationPromiseOnError: true }),
      // A place is fetched when it is first wanted: without it its keys would do nothing, and nobody would know why.
      withNavigationErrorHandler(({ url }) => {
        const [router, troubles] = [inject(Router), inject(Troubles)];
        const again = () => {
          troubles.end(PART);
          void router.navigateByUrl(url);
        };
        troubles.say({ matter: PART, text: words.startup.noPart, again });
        // Where the program is another one by now, its parts of before are gone: no connection brings them back.
        void isUpdated().then((updated) => {
          if (updated)
            troubles.say({
              matter: PART,
              text: words.startup.updated,
              reload: true,
              again: () => location.assign(url),
            });
        });
      }),
    ),
    provideAppInitializer(() => {
      void inject(Startup).begin();
    }),
  ],
};
