import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { NzPopconfirmModule } from 'ng-zorro-antd/popconfirm';
import { PopconfirmStyles } from './library-styles/popconfirm-styles';

/** A key for what cannot be taken back: it asks once more, beside itself, and what is safe is under the thumb. */
@Component({
  selector: 'hy-asked-button',
  imports: [NzPopconfirmModule, PopconfirmStyles],
  template: `
    <hy-popconfirm-styles />
    <button
      type="button"
      class="button"
      [class.small]="!plain()"
      [class.plain]="plain()"
      nz-popconfirm
      [nzPopconfirmTitle]="question()"
      [nzIcon]="null"
      [nzOkText]="label()"
      [nzOkButtonProps]="danger"
      [nzCancelText]="keep()"
      [nzAutofocus]="'cancel'"
      (nzOnConfirm)="confirmed.emit()"
    >
      {{ label() }}
    </button>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AskedButton {
  readonly label = input.required<string>();
  readonly question = input.required<string>();
  /** What is pressed to leave it as it is. */
  readonly keep = input($localize`Leave it`);
  readonly plain = input(false);
  readonly confirmed = output();

  protected readonly danger = { nzType: 'default', nzDanger: true } as const;
}
