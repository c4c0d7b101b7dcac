import { provideHttpClient, withFetch } from '@angular/common/http';
import {
  type ApplicationConfig,
  inject,
  isDevMode,
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
import { provideServiceWorker } from '@angular/service-worker';
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
    // The application opens with the network gone, once it has been here.
    // eslint-disable-next-line @typescript-eslint/no-unsafe-class-instance-assignment -- Angular's own way to give these options
    provideServiceWorker('ngsw-worker.js', { enabled: !isDevMode(), registrationStrategy: 'registerWhenStable:5000' }),
  ],
};
