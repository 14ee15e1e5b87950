import { ChangeDetectionStrategy, Component, input, model, signal } from '@angular/core';
import { NzModalModule } from 'ng-zorro-antd/modal';
import type { QuantityEntry } from './quantity-entry';
import { WeightPad } from './weight-pad';

/** Opens a weight in large keys over the page. */
@Component({
  selector: 'hy-weight-keys',
  imports: [NzModalModule, WeightPad],
  template: `
    <button i18n type="button" class="button plain" [attr.aria-label]="words.keypadFor(label())" (click)="open.set(true)">Keypad</button>
    <!-- the dialog is large, and the page does not wait for it -->
    @defer (when open(); prefetch on timer(2000ms)) {
      <nz-modal [nzVisible]="open()" [nzTitle]="label()" [nzFooter]="null" [nzWidth]="452" (nzOnCancel)="open.set(false)">
        <ng-container *nzModalContent>
          <hy-weight-pad [label]="label()" [(entry)]="entry" enter="Take it" i18n-enter (entered)="open.set(false)" />
        </ng-container>
      </nz-modal>
    } @error {
      @if (open() && entry().text === '') {
        <p i18n role="alert" class="missing">The keypad did not come: there is no connection. Type the weight into the field.</p>
      }
    }
  `,
  styles: `
    /* at the end of the label's line: the field below keeps its place */
    :host {
      position: absolute;
      top: -12px;
      right: 0;
    }

    .plain {
      padding: 0 8px;
      font-size: 15px;
    }

    /* above the field: the weight is typed there now */
    .missing {
      position: absolute;
      z-index: 1;
      bottom: 48px;
      right: 0;
      width: 280px;
      padding: 12px 14px;
      border: 1px solid var(--line-strong);
      border-radius: var(--radius);
      background: var(--caution-soft);
      font-size: 15px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeightKeys {
  protected readonly words = { keypadFor: (label: string): string => $localize`Keypad for: ${label}` };

  readonly label = input.required<string>();
  readonly entry = model.required<QuantityEntry>();
  protected readonly open = signal(false);
}
