import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'hy-not-here-page',
  imports: [RouterLink],
  template: `<h1>Nothing is at this address</h1>
    <p class="second">The link may be old, or a letter slipped.</p>
    <a class="button main" routerLink="/cylinders">To the cylinders</a>`,
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
