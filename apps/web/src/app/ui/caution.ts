import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { Icon } from './icon';

/** One sentence about what can hurt, with what to do. It stands where it applies and nowhere else. */
@Component({
  selector: 'hy-caution',
  imports: [Icon],
  template: `<svg hyIcon="caution"></svg>
    <div>
      <b class="unseen">
        @if (grave()) {
          <ng-container i18n>Danger:</ng-container>
        } @else {
          <ng-container i18n>Caution:</ng-container>
        }</b
      ><ng-content />
    </div>`,
  host: { role: 'note', '[class.grave]': 'grave()' },
  styles: `
    :host {
      display: grid;
      grid-template-columns: 24px 1fr;
      gap: 12px;
      padding: 12px 14px;
      border-radius: var(--radius);
      background: var(--caution-soft);
      font-size: 15.5px;
    }

    svg {
      color: var(--caution);
    }

    :host.grave {
      background: var(--danger-soft);
      color: var(--danger);
      font-weight: 600;
    }

    :host.grave svg {
      color: var(--danger);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Caution {
  /** Graver than a caution: somebody acts against a limit. */
  readonly grave = input(false);
}
