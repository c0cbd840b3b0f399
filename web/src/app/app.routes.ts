import type { Routes } from '@angular/router';

export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'wheel' },
  {
    path: 'wheel',
    title: 'Wheel · Ruffle Wheel',
    loadComponent: () => import('./places/wheel/wheel-place').then((m) => m.WheelPlace),
  },
  {
    path: 'neck',
    title: 'Neck · Ruffle Wheel',
    loadComponent: () => import('./places/neck/neck-place').then((m) => m.NeckPlace),
  },
  {
    path: 'practise',
    title: 'Practise · Ruffle Wheel',
    loadComponent: () => import('./places/practise/practise-place').then((m) => m.PractisePlace),
  },
  {
    path: 'logbook',
    title: 'Logbook · Ruffle Wheel',
    loadComponent: () => import('./places/logbook/logbook-place').then((m) => m.LogbookPlace),
  },
  {
    path: 'shelf',
    title: 'Shelf · Ruffle Wheel',
    loadComponent: () => import('./places/shelf/shelf-place').then((m) => m.ShelfPlace),
  },
  { path: '**', redirectTo: 'wheel' },
];
