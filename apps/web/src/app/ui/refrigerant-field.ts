import { ChangeDetectionStrategy, Component, computed, inject, input, model } from '@angular/core';
import { FieldControl } from '../forms/field-control';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { UNKNOWN_ID } from '@hygromet/core/cylinder/unknown-content';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { catchError, map, of } from 'rxjs';
import { ServerData } from '../data/server-data.service';

let count = 0;

/** One of nearly two hundred designations, found by typing a part of it: "410" is enough. */
@Component({
  selector: 'hy-refrigerant-field',
  imports: [FormsModule, NzSelectModule],
  template: `
    <label [for]="id">{{ label() }}</label>
    <nz-select
      [nzId]="id"
      nzShowSearch
      [nzAllowClear]="emptyLabel() !== ''"
      [nzPlaceHolder]="emptyLabel() || words.typeAPartOfIt"
      [nzFilterOption]="matches"
      [nzStatus]="sentence() ? 'error' : ''"
      [nzDisabled]="disabled()"
      [ngModel]="refrigerant()"
      (ngModelChange)="give($event ?? null)"
      (nzBlur)="leave()"
    >
      @for (id of ids(); track id) {
        <nz-option [nzValue]="id" [nzLabel]="id" />
      }
      @if (offersUnknown()) {
        <nz-option [nzValue]="unknownId" nzLabel="Not identified" i18n-nzLabel />
      }
    </nz-select>
    @if (sentence(); as told) {
      <p class="error" role="alert">{{ told }}</p>
    } @else if (hint()) {
      <p class="hint">{{ hint() }}</p>
    }
  `,
  styleUrl: './field.css',
  styles: `
    nz-select {
      width: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RefrigerantField extends FieldControl<string | null> {
  protected readonly words = { typeAPartOfIt: $localize`Type a part of it, such as 410` } as const;

  readonly label = input($localize`Refrigerant`);
  readonly hint = input('');
  /** What stands in the field while nothing is chosen, where nothing is a choice. */
  readonly emptyLabel = input('');
  /** Where the truth may be that nobody knows. */
  readonly offersUnknown = input(false);
  readonly problem = input<string | undefined>();
  /** What is said when none is chosen. */
  readonly missing = input($localize`Choose the refrigerant.`);
  readonly refrigerant = model<string | null>(null);
  protected readonly held = this.refrigerant;
  protected readonly whenMissing = () => this.missing();
  protected readonly sentence = computed(() => this.told() ?? this.problem());

  protected readonly id = `refrigerant-${++count}`;
  protected readonly unknownId = UNKNOWN_ID;
  /** Empty as long as the list cannot be read: the page says why. */
  protected readonly ids = toSignal(
    inject(ServerData).refrigerants$.pipe(
      map((all) => all.map(({ id }) => id)),
      catchError(() => of<string[]>([])),
    ),
    { initialValue: [] },
  );

  protected matches = (typed: string, option: { nzLabel: string | number | null }): boolean =>
    plain(String(option.nzLabel)).includes(plain(typed));
}

const plain = (text: string) => text.toUpperCase().replace(/[^A-Z0-9]/g, '');
