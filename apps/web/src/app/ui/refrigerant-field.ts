import { ChangeDetectionStrategy, Component, computed, inject, input, model } from '@angular/core';
import { FieldControl } from '../forms/field-control';
import { FormsModule } from '@angular/forms';
import { UNKNOWN_ID } from '@hygromet/core/cylinder/unknown-content';
import { NzSelectModule, type NzSelectOptionInterface } from 'ng-zorro-antd/select';
import { fromServer } from '../data/from-server';
import { ServerData } from '../data/server-data.service';
import { valueOf } from './loadable';
import { SelectAfterPaint } from './select-after-paint';

let count = 0;

/** px: a gloved thumb hits one of them and not its neighbor. */
const OPTION_HEIGHT_PX = 44;
const OPTIONS_SHOWN = 6;

/** One of nearly two hundred designations, found by typing a part of it: "410" is enough. */
@Component({
  selector: 'hy-refrigerant-field',
  imports: [FormsModule, NzSelectModule, SelectAfterPaint],
  template: `
    <label [for]="id">{{ label() }}</label>
    <nz-select
      [nzId]="id"
      nzShowSearch
      hyAfterPaint
      [nzAllowClear]="emptyLabel() !== ''"
      [nzPlaceHolder]="emptyLabel() || words.typeAPartOfIt"
      [nzFilterOption]="matches"
      [nzNotFoundContent]="nothingOffered()"
      [nzStatus]="sentence() ? 'error' : ''"
      [nzDisabled]="disabled()"
      [nzOptions]="options()"
      [nzOptionHeightPx]="OPTION_HEIGHT_PX"
      [nzOptionOverflowSize]="OPTIONS_SHOWN"
      [ngModel]="refrigerant()"
      (ngModelChange)="give($event ?? null)"
      (nzBlur)="leave()"
    />
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
  protected readonly words = {
    typeAPartOfIt: $localize`Type a part of it, such as 410`,
    listCannotBeRead: $localize`The list of refrigerants cannot be read now. Is the server running?`,
    listIsRead: $localize`Reading the list of refrigerants`,
    noneHasThat: $localize`No refrigerant has that in its name`,
  } as const;

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
  protected readonly OPTION_HEIGHT_PX = OPTION_HEIGHT_PX;
  protected readonly OPTIONS_SHOWN = OPTIONS_SHOWN;
  private readonly list = fromServer(inject(ServerData).refrigerants$);
  /** Why nothing is offered, in the place of what would be; the list comes by itself once it can be read. */
  protected readonly nothingOffered = computed(() => {
    const { state } = this.list();
    if (state === 'failed') return this.words.listCannotBeRead;
    return state === 'waiting' ? this.words.listIsRead : this.words.noneHasThat;
  });
  /** As data: two hundred options that stood in the template would be drawn before anybody opens the list. */
  protected readonly options = computed((): NzSelectOptionInterface[] => [
    ...(valueOf(this.list()) ?? []).map(({ id }) => ({ value: id, label: id })),
    ...(this.offersUnknown() ? [{ value: UNKNOWN_ID, label: $localize`Not identified` }] : []),
  ]);

  protected matches = (typed: string, option: { nzLabel: string | number | null }): boolean =>
    plain(String(option.nzLabel)).includes(plain(typed));
}

const plain = (text: string) => text.toUpperCase().replace(/[^A-Z0-9]/g, '');
