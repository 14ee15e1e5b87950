import { inject, Injectable } from '@angular/core';
import { Title } from '@angular/platform-browser';
import { TitleStrategy, type RouterStateSnapshot } from '@angular/router';

/** "Cylinders · Hygromet" in the window's title. */
@Injectable({ providedIn: 'root' })
export class PageTitle extends TitleStrategy {
  private readonly title = inject(Title);

  override updateTitle(state: RouterStateSnapshot): void {
    const page = this.buildTitle(state);
    this.title.setTitle(page === undefined ? $localize`Hygromet` : `${page} · Hygromet`);
  }
}
