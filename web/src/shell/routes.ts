import type { Routes } from '@angular/router';

export const routes: Routes = [
  { path: '', pathMatch: 'full', title: 'Shelf · Lemniscus', loadComponent: () => import('../shelf/shelf').then((m) => m.Shelf) },
  { path: 'new', title: 'New make · Lemniscus', loadComponent: () => import('../pattern/new-make').then((m) => m.NewMakePage) },
  {
    path: 'make/:id',
    loadComponent: () => import('./make-frame').then((m) => m.MakeFrame),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'work' },
      { path: 'pattern', loadComponent: () => import('../pattern/pattern-stage').then((m) => m.PatternStage) },
      { path: 'gather', loadComponent: () => import('../gather/gather-stage').then((m) => m.GatherStage) },
      { path: 'work', loadComponent: () => import('../work/work-stage').then((m) => m.WorkStage) },
    ],
  },
  { path: '**', redirectTo: '' },
];
