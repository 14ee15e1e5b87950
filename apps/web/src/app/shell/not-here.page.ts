import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'hy-not-here-page',
  imports: [RouterLink],
  template: `<h1>Page not found</h1>
    <p class="second">The link may be out of date or mistyped.</p>
    <a class="button main" routerLink="/cylinders">Back to cylinders</a>`,
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
