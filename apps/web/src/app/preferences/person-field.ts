import { FormStyles } from '../ui/library-styles/form-styles';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzFormModule } from 'ng-zorro-antd/form';
import { NzInputModule } from 'ng-zorro-antd/input';
import { fromServer } from '../data/from-server';
import { ServerData } from '../data/server-data.service';
import { valueOf } from '../ui/loadable';
import { PreferencesService } from './preferences.service';

/** Who makes the entries on this device: one of the firm's people, or a name that is typed. */
@Component({
  selector: 'hy-person-field',
  imports: [FormStyles, FormsModule, NzFormModule, NzInputModule],
  template: `
    <hy-form-styles />
    <nz-form-item class="ant-form-vertical">
      <nz-form-label i18n nzFor="person">Your name</nz-form-label>
      <nz-form-control [nzValidateStatus]="missing() ? 'error' : ''" [nzExtra]="missing() ? '' : words.shownOnEveryEntry">
        <input
          nz-input
          id="person"
          autocomplete="off"
          [ngModel]="person()"
          (ngModelChange)="service.change({ person: $event })"
          list="people-of-the-firm"
          [attr.aria-invalid]="missing() ? true : null"
          aria-describedby="person-missing"
        />
        <datalist id="people-of-the-firm">
          @for (name of people(); track name) {
            <option [value]="name"></option>
          }
        </datalist>
        <p id="person-missing" class="error" role="alert">
          @if (missing()) {
            <ng-container i18n>Your name is missing: every entry bears a name.</ng-container>
          }
        </p>
      </nz-form-control>
    </nz-form-item>
  `,
  styles: `
    nz-form-item {
      margin: 0;
    }

    .error {
      margin: 4px 0 0;
      color: var(--danger);
      font-size: 15px;
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PersonField {
  protected readonly words = { shownOnEveryEntry: $localize`shown on every entry` } as const;

  protected readonly service = inject(PreferencesService);
  private readonly organisation = fromServer(inject(ServerData).organisation$);
  protected readonly person = computed(() => this.service.current().person);
  protected readonly missing = computed(() => this.person().trim() === '');
  protected readonly people = computed(() => valueOf(this.organisation())?.people ?? []);
}
