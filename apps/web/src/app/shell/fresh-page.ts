import { BaseRouteReuseStrategy, type ActivatedRouteSnapshot } from '@angular/router';

/** A page belongs to its cylinder or system: the way from one to another opens a new page instead of keeping the old one. */
export class FreshPage extends BaseRouteReuseStrategy {
  override shouldReuseRoute(future: ActivatedRouteSnapshot, current: ActivatedRouteSnapshot): boolean {
    const names = Object.keys({ ...future.params, ...current.params });
    return super.shouldReuseRoute(future, current) && names.every((name) => future.params[name] === current.params[name]);
  }
}
