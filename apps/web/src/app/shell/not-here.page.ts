import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'hy-not-here-page',
  imports: [RouterLink],
  template: `<h1 i18n>Page not found</h1>
    <p i18n class="second">The link may be out of date or mistyped.</p>
    <a i18n class="button main" routerLink="/cylinders">Back to cylinders</a>`,
  styles: `
    :host {
      display: grid;
      gap: 16px;
      justify-items: start;
      padding: var(--margin);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NotHerePage {}
