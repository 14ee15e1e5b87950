import { FormStyles } from '../ui/library-styles';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzAutocompleteModule } from 'ng-zorro-antd/auto-complete';
import { NzFormModule } from 'ng-zorro-antd/form';
import { NzInputModule } from 'ng-zorro-antd/input';
import { fromServer } from '../data/from-server';
import { ServerData } from '../data/server-data.service';
import { valueOf } from '../ui/loadable';
import { PreferencesService } from './preferences.service';

/** Who makes the entries on this device: one of the firm's people, or a name that is typed. */
@Component({
  selector: 'hy-person-field',
  imports: [FormStyles, FormsModule, NzAutocompleteModule, NzFormModule, NzInputModule],
  template: `
    <hy-form-styles />
    <nz-form-item class="ant-form-vertical">
      <nz-form-label nzFor="person">Your name</nz-form-label>
      <nz-form-control [nzValidateStatus]="missing() ? 'error' : ''" [nzExtra]="missing() ? '' : 'shown on every entry'">
        <input
          nz-input
          id="person"
          autocomplete="off"
          [ngModel]="person()"
          (ngModelChange)="service.change({ person: $event })"
          [nzAutocomplete]="people"
          [attr.aria-invalid]="missing() ? true : null"
          aria-describedby="person-missing"
        />
        <nz-autocomplete #people [nzBackfill]="false">
          @for (name of offered(); track name) {
            <nz-auto-option [nzValue]="name" [nzLabel]="name">{{ name }}</nz-auto-option>
          }
        </nz-autocomplete>
        <p id="person-missing" class="error" role="alert">{{ missing() ? 'Your name is missing: every entry bears a name.' : '' }}</p>
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
  protected readonly service = inject(PreferencesService);
  private readonly organisation = fromServer(inject(ServerData).organisation$);
  protected readonly person = computed(() => this.service.current().person);
  protected readonly missing = computed(() => this.person().trim() === '');
  /** All of them while nothing is typed, or the name of one stands there; else those that match. */
  protected readonly offered = computed(() => {
    const people = valueOf(this.organisation())?.people ?? [];
    const typed = this.person().trim().toLowerCase();
    return people.some((name) => name.toLowerCase() === typed) ? people : people.filter((name) => name.toLowerCase().includes(typed));
  });
}
