import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app';
import { appConfig } from './app.config';

/** Starts the application; the language of its texts is chosen by now. */
export const start = () => bootstrapApplication(App, appConfig);
