import type { Routes } from '@angular/router';

/** Every place, loaded when somebody first goes there. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'today' },
  { path: 'today', title: $localize`Today`, loadComponent: () => import('./today/today.page').then((m) => m.TodayPage) },
  { path: 'visits/:id', title: $localize`Visit`, loadComponent: () => import('./visit/visit.page').then((m) => m.VisitPage) },
  { path: 'visits/:id/:stage', title: $localize`Visit`, loadComponent: () => import('./visit/visit.page').then((m) => m.VisitPage) },
  { path: 'scan', title: $localize`Scan a label`, loadComponent: () => import('./labels/scan.page').then((m) => m.ScanPage) },
  { path: 'truck', title: $localize`Truck`, loadComponent: () => import('./truck/truck.page').then((m) => m.TruckPage) },
  { path: 'cylinders', title: $localize`Cylinders`, loadComponent: () => import('./cylinders/rack.page').then((m) => m.RackPage) },
  {
    path: 'cylinders/new',
    title: $localize`Add a cylinder`,
    loadComponent: () => import('./cylinders/add-cylinder.page').then((m) => m.AddCylinderPage),
  },
  {
    path: 'cylinders/import',
    title: $localize`Import cylinders`,
    data: { sheet: 'cylinders' },
    loadComponent: () => import('./sheets/import.page').then((m) => m.ImportPage),
  },
  {
    path: 'cylinders/weigh-in',
    title: $localize`Cylinder weigh-in`,
    loadComponent: () => import('./weigh-in/weigh-in.page').then((m) => m.WeighInPage),
  },
  {
    path: 'cylinders/shipment',
    title: $localize`Shipment`,
    loadComponent: () => import('./shipment/shipment.page').then((m) => m.ShipmentPage),
  },
  {
    path: 'cylinders/shipments/:id',
    title: $localize`Receipt`,
    loadComponent: () => import('./shipment/receipt.page').then((m) => m.ReceiptPage),
  },
  {
    path: 'cylinders/:id',
    title: $localize`Cylinder`,
    loadComponent: () => import('./cylinders/cylinder.page').then((m) => m.CylinderPage),
  },
  { path: 'cylinders/:id/fill', title: $localize`Fill`, loadComponent: () => import('./transfer/fill.page').then((m) => m.FillPage) },
  { path: 'systems', title: $localize`Systems`, loadComponent: () => import('./systems/systems.page').then((m) => m.SystemsPage) },
  {
    path: 'systems/new',
    title: $localize`Add a system`,
    loadComponent: () => import('./systems/add-system.page').then((m) => m.AddSystemPage),
  },
  {
    path: 'systems/import',
    title: $localize`Import systems`,
    data: { sheet: 'systems' },
    loadComponent: () => import('./sheets/import.page').then((m) => m.ImportPage),
  },
  { path: 'systems/:id', title: $localize`System`, loadComponent: () => import('./systems/system.page').then((m) => m.SystemPage) },
  { path: 'systems/:id/method', title: $localize`Method`, loadComponent: () => import('./method/method.page').then((m) => m.MethodPage) },
  { path: 'book', title: $localize`Log`, loadComponent: () => import('./book/book.page').then((m) => m.BookPage) },
  { path: 'book/:id', title: $localize`Log entry`, loadComponent: () => import('./book/entry.page').then((m) => m.EntryPage) },
  {
    path: 'first-steps',
    title: $localize`First steps`,
    loadComponent: () => import('./first-steps/first-steps.page').then((m) => m.FirstStepsPage),
  },
  { path: 'bench', title: $localize`Bench`, loadComponent: () => import('./bench/bench.page').then((m) => m.BenchPage) },
  { path: 'settings', title: $localize`Settings`, loadComponent: () => import('./preferences/settings.page').then((m) => m.SettingsPage) },
  { path: '**', title: $localize`Not here`, loadComponent: () => import('./shell/not-here.page').then((m) => m.NotHerePage) },
];
