import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { FieldControl } from '../forms/field-control';
import { minuteOf, readWhen, type When } from './when';

let count = 0;

/** Now, unless it is written down later. */
@Component({
  selector: 'hy-when-field',
  template: `
    <label [for]="id">{{ label() }}</label>
    <div class="row">
      @if (when() === '') {
        <output i18n class="now" [id]="id">now</output>
        <button i18n type="button" class="other" (click)="earlier()">Earlier</button>
      } @else {
        <input
          type="datetime-local"
          [id]="id"
          [value]="when()"
          [max]="latest"
          [attr.aria-invalid]="sentence() ? true : null"
          [attr.aria-describedby]="sentence() ? id + '-error' : null"
          (change)="typed($any($event.target).value)"
        />
        <button i18n type="button" class="other" (click)="give('')">Now</button>
      }
    </div>
    @if (sentence(); as sentence) {
      <p class="error" role="alert" [id]="id + '-error'">{{ sentence }}</p>
    }
  `,
  styleUrl: './field.css',
  styles: `
    .now {
      display: flex;
      min-height: 45px;
      align-items: center;
      flex: 1;
      padding: 0 12px;
      font-size: 19px;
      font-weight: 600;
    }

    input {
      font-size: 17px;
    }

    .other {
      flex: none;
      min-width: 76px;
      padding: 0 12px;
      border: 0;
      border-left: 1px solid var(--line);
      border-radius: 0 var(--radius) var(--radius) 0;
      background: transparent;
      color: var(--act);
      cursor: pointer;
      font-size: 16px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhenField extends FieldControl<When> {
  readonly label = input($localize`When`);
  readonly problem = input<string | undefined>();
  readonly when = model<When>('');
  protected readonly held = this.when;
  protected readonly whenMissing = () => $localize`Say when it was.`;

  protected readonly id = `when-${++count}`;
  protected readonly latest = minuteOf(new Date());
  protected readonly sentence = computed(() => {
    const read = readWhen(this.when(), new Date());
    return read.state === 'bad' ? read.sentence : (this.told() ?? this.problem());
  });

  protected earlier(): void {
    this.give(minuteOf(new Date()));
  }

  /** A date that is cleared or half typed is no date: the one before stays until there is another. */
  protected typed(text: string): void {
    if (text !== '') this.give(text);
  }
}
