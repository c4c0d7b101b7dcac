import { bootstrapApplication } from '@angular/platform-browser';
import { Root } from './app/root';
import { appConfig } from './app/app.config';
import { trustLibraries } from './app/trusted-types';

trustLibraries();
bootstrapApplication(Root, appConfig).catch((error: unknown) => console.error(error));
