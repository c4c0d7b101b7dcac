import type { Routes } from '@angular/router';
import { Shelf } from '../shelf/shelf';
import { openLastWorked } from './last-worked-first';

/** The shelf is what opens first, so it comes with the application; every other screen when it is asked for. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', title: 'Shelf · Lemniscus', canActivate: [openLastWorked], component: Shelf },
  { path: 'new', title: 'New make · Lemniscus', loadComponent: () => import('../pattern/new-make').then((m) => m.NewMakePage) },
  { path: 'basket', title: 'Basket · Lemniscus', loadComponent: () => import('../basket/basket-page').then((m) => m.BasketPage) },
  { path: 'plan', title: 'Plan · Lemniscus', loadComponent: () => import('../plan/plan-page').then((m) => m.PlanPage) },
  {
    path: 'know-how',
    title: 'Know-how · Lemniscus',
    loadComponent: () => import('../knowhow/knowhow-page').then((m) => m.KnowhowPage),
  },
  {
    path: 'know-how/reading',
    title: 'Reading the work · Lemniscus',
    loadComponent: () => import('../knowhow/reading-page').then((m) => m.ReadingPage),
  },
  { path: 'studio', title: 'Studio · Lemniscus', loadComponent: () => import('../studio/studio-page').then((m) => m.StudioPage) },
  {
    path: 'devices',
    title: 'Devices · Lemniscus',
    loadComponent: () => import('../devices/devices-page').then((m) => m.DevicesPage),
  },
  {
    path: 'make/:id',
    loadComponent: () => import('../make/make-frame').then((m) => m.MakeFrame),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'work' },
      { path: 'pattern', loadComponent: () => import('../pattern/pattern-stage').then((m) => m.PatternStage) },
      {
        path: 'gather',
        loadComponent: () => import('../gather/gather-stage').then((m) => m.GatherStage),
        children: [
          { path: '', pathMatch: 'full', loadComponent: () => import('../gather/size-view').then((m) => m.SizeView) },
          { path: 'yarn', loadComponent: () => import('../gather/yarn-view').then((m) => m.YarnView) },
          { path: 'details', loadComponent: () => import('../gather/details-view').then((m) => m.DetailsView) },
          { path: 'list', loadComponent: () => import('../gather/list-view').then((m) => m.ListView) },
          { path: 'compare', loadComponent: () => import('../gather/compare-view').then((m) => m.CompareView) },
        ],
      },
      { path: 'assemble', loadComponent: () => import('../assemble/assemble-stage').then((m) => m.AssembleStage) },
      { path: 'log', loadComponent: () => import('../log/log-stage').then((m) => m.LogStage) },
      { path: 'work', loadComponent: () => import('../work/work-stage').then((m) => m.WorkStage) },
    ],
  },
  { path: '**', redirectTo: '' },
];
