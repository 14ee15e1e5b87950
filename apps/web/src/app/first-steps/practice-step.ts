import { DescriptionsStyles } from '../ui/library-styles/descriptions-styles';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { CurrentOrganisation } from '@hygromet/contract/organisation';
import { fillRuleName } from '@hygromet/core/cylinder/fill-rule';
import { NzDescriptionsModule } from 'ng-zorro-antd/descriptions';
import { Units } from '../preferences/units.service';

/** Where practitioners differ, and what holds here until somebody decides otherwise. */
@Component({
  selector: 'hy-practice-step',
  imports: [DescriptionsStyles, NzDescriptionsModule, RouterLink],
  template: `
    <hy-descriptions-styles />
    <p i18n>Company practice: these are the defaults. The strictest of the required limits is the stop weight.</p>
    <nz-descriptions [nzColumn]="1" [nzColon]="false">
      <nz-descriptions-item nzTitle="Required limits" i18n-nzTitle>
        <ul>
          @for (rule of rules(); track rule) {
            <li>{{ rule }}</li>
          }
        </ul>
      </nz-descriptions-item>
      <nz-descriptions-item nzTitle="Liquid at most at 131 °F" i18n-nzTitle>{{ share() }}</nz-descriptions-item>
      <nz-descriptions-item nzTitle="Hottest storage" i18n-nzTitle>{{ units.temperature(organisation().hottestK) }}</nz-descriptions-item>
      <nz-descriptions-item nzTitle="Liquid at most in condenser or receiver" i18n-nzTitle>{{ partShare() }}</nz-descriptions-item>
      <nz-descriptions-item nzTitle="End of a pump-down" i18n-nzTitle>{{ pumpDown() }}</nz-descriptions-item>
    </nz-descriptions>
    <p i18n class="second">
      Local codes and licensed practice come first. Each of these is changed under Settings, with who changed it and when.
    </p>
    <div class="actions"><ng-content /><a i18n class="button" routerLink="/settings">Change in Settings</a></div>
  `,
  styles: `
    :host {
      display: grid;
      max-width: 680px;
      gap: 16px;
    }

    ul {
      padding: 0;
      margin: 0;
      list-style: none;
    }

    .actions {
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PracticeStep {
  readonly organisation = input.required<CurrentOrganisation>();
  protected readonly units = inject(Units);
  protected readonly rules = computed(() => this.organisation().requiredRules.map(fillRuleName));
  protected readonly share = computed(() => percent(this.organisation().liquidShareAt131F));
  protected readonly partShare = computed(() => percent(this.organisation().partShare));
  protected readonly pumpDown = computed(() =>
    this.organisation().endOfPumpDown === 'vacuum'
      ? $localize`vacuum, reciprocating compressors only`
      : $localize`slightly positive, 0 to 2 psig`,
  );
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;
