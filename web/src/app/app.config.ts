import { provideHttpClient, withFetch } from '@angular/common/http';
import {
  type ApplicationConfig,
  inject,
  isDevMode,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
} from '@angular/core';
import { provideRouter, withComponentInputBinding, withNavigationErrorHandler, withPreloading } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { NavigationTrouble } from './navigation-trouble';
import { PreloadWhenIdle } from './preload-when-idle';
import { routes } from './routes';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    provideRouter(
      routes,
      withComponentInputBinding(),
      // Every screen is fetched once the first stands, so that the next opens even when the server is away.
      withPreloading(PreloadWhenIdle),
      withNavigationErrorHandler(() => inject(NavigationTrouble).happened.set(true)),
    ),
    provideHttpClient(withFetch()),
    // The application opens with the network gone, once it has been here.
    // eslint-disable-next-line @typescript-eslint/no-unsafe-class-instance-assignment -- Angular's own way to give these options
    provideServiceWorker('ngsw-worker.js', { enabled: !isDevMode(), registrationStrategy: 'registerWithDelay:3000' }),
  ],
};
