import { provideHttpClient, withFetch } from '@angular/common/http';
import {
  type ApplicationConfig,
  inject,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
} from '@angular/core';
import {
  PreloadAllModules,
  provideRouter,
  withComponentInputBinding,
  withNavigationErrorHandler,
  withPreloading,
} from '@angular/router';
import { provideNzI18n, en_US } from 'ng-zorro-antd/i18n';
import { NavigationTrouble } from './navigation-trouble';
import { routes } from './routes';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    provideRouter(
      routes,
      withComponentInputBinding(),
      // Every screen is fetched once the first is up, so that the next opens even when the server is away.
      withPreloading(PreloadAllModules),
      withNavigationErrorHandler(() => inject(NavigationTrouble).happened.set(true)),
    ),
    provideHttpClient(withFetch()),
    provideNzI18n(en_US),
  ],
};
