import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { AskedButton } from './asked-button';

/** Takes back what was typed and not saved, once that is confirmed. */
@Component({
  selector: 'hy-discard-button',
  imports: [AskedButton],
  template: `
    <hy-asked-button
      label="Discard my changes"
      i18n-label
      question="What you typed here and did not save is gone then."
      i18n-question
      keep="Keep them"
      i18n-keep
      [plain]="plain()"
      (confirmed)="discard.emit()"
    />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DiscardButton {
  readonly plain = input(false);
  readonly discard = output();
}
