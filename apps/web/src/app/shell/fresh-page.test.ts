import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { ActivatedRoute, provideRouter, RouteReuseStrategy } from '@angular/router';
import { RouterTestingHarness } from '@angular/router/testing';
import { FreshPage } from './fresh-page';

let opened = 0;

@Component({ template: '{{ id }}', changeDetection: ChangeDetectionStrategy.OnPush })
class OnePage {
  protected readonly id = inject(ActivatedRoute).snapshot.paramMap.get('id');
  constructor() {
    opened++;
  }
}

test('the way from one cylinder to another opens its page; a query keeps the page as it is', async () => {
  const routes = [{ path: 'cylinders/:id', component: OnePage }];
  TestBed.configureTestingModule({ providers: [provideRouter(routes), { provide: RouteReuseStrategy, useClass: FreshPage }] });
  const harness = await RouterTestingHarness.create('/cylinders/C-07');
  await harness.navigateByUrl('/cylinders/C-08');
  expect([harness.routeNativeElement?.textContent, opened]).toEqual(['C-08', 2]);
  await harness.navigateByUrl('/cylinders/C-08?from=today');
  expect(opened).toBe(2);
});
