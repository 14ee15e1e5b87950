import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** Title and one line under it; what can be done here at the right. */
@Component({
  selector: 'hy-page-head',
  template: `
    <div class="words">
      <h1>{{ title() }}</h1>
      <p class="second">{{ line() }}</p>
    </div>
    <div class="right"><ng-content /></div>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      justify-content: space-between;
      gap: 12px 24px;
      min-height: 79px;
      padding: 12px var(--margin);
      border-bottom: 1px solid var(--line);
    }

    h1 {
      font-size: 21px;
    }

    .words {
      flex: 1 1 240px;
      min-width: 0;
      overflow-wrap: anywhere;
    }

    .right {
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PageHead {
  readonly title = input.required<string>();
  readonly line = input('');
}
