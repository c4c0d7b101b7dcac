import { bootstrapApplication } from '@angular/platform-browser';
import { Root } from './shell/root';
import { appConfig } from './shell/app.config';

bootstrapApplication(Root, appConfig).catch((error: unknown) => console.error(error));
