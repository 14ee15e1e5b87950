import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { NzAlertModule } from 'ng-zorro-antd/alert';
import { Icon } from './icon';

/** One sentence about what can hurt, with what to do. It stands where it applies and nowhere else. */
@Component({
  selector: 'hy-caution',
  imports: [Icon, NzAlertModule],
  template: `
    <nz-alert [nzType]="grave() ? 'error' : 'warning'" [nzMessage]="sentence" nzShowIcon [nzIcon]="icon" />
    <ng-template #icon><svg hyIcon="caution"></svg></ng-template>
    <ng-template #sentence>
      <b class="unseen">
        @if (grave()) {
          <ng-container i18n>Danger:</ng-container>
        } @else {
          <ng-container i18n>Caution:</ng-container>
        }</b
      ><ng-content />
    </ng-template>
  `,
  host: { role: 'note' },
  styles: `
    :host {
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Caution {
  /** Graver than a caution: somebody acts against a limit. */
  readonly grave = input(false);
}
