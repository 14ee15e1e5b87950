import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';

import type { Instrument } from '@hygromet/contract/instrument';
import { mutation, errorIn } from '../data/mutation';
import { ServerData } from '../data/server-data.service';
import { momentText } from '../ui/day';
import { valueOf } from '../ui/loadable';
import { AskedButton } from '../ui/asked-button';
import { TextField } from '../ui/text-field';
import { PreferencesService } from './preferences.service';
import { FormGroupDirective, ReactiveFormsModule } from '@angular/forms';
import { draftForm } from '../forms/draft-form';
import { serverProblems } from '../forms/server-problems';
import { filled } from '../forms/validators';

/** What may send readings, and which instruments were heard: a gateway gets a token that is shown once. */
@Component({
  selector: 'hy-instruments',
  imports: [AskedButton, ReactiveFormsModule, TextField],
  template: `
    <h2 i18n id="instruments">Instruments</h2>
    <p i18n class="small">
      Scales, probes and clamps reach Hygromet through a gateway that knows its token. What a gateway has to send is open: SenML over HTTP
      or a WebSocket.
    </p>
    @if (heard().length > 0) {
      <ul aria-label="Instruments heard today" i18n-aria-label>
        @for (entry of heard(); track entry.id) {
          <li>
            <b>{{ entry.id }}</b> {{ entry.facts['kind'] ?? words.instrument }}
            <span class="small">{{ about(entry) }}</span>
          </li>
        }
      </ul>
    }
    @if (gateways().length > 0) {
      <ul aria-label="Gateways" i18n-aria-label>
        @for (entry of gateways(); track entry.id) {
          <li class="row">
            <span>
              {{ entry.name }}
              <span class="small"
                >{{
                  entry.revokedAt === null ? words.sendsSince + moment(entry.addedAt) : words.sendsNoMoreSince + moment(entry.revokedAt)
                }}, {{ entry.addedBy }}</span
              >
            </span>
            @if (entry.revokedAt === null) {
              <hy-asked-button
                label="Revoke"
                i18n-label
                question="Its token is refused from then on. To send again, this gateway needs a new one."
                i18n-question
                (confirmed)="revoking.send(entry.id)"
              />
            }
          </li>
        }
      </ul>
    }
    @if (token(); as text) {
      <p i18n role="status">
        Token of {{ added() }}, shown this once: <code>{{ text }}</code>
      </p>
    }
    <form novalidate [formGroup]="gateway.form" (ngSubmit)="send()">
      <hy-text-field label="Name of the gateway" i18n-label placeholder="e.g. van 2" i18n-placeholder formControlName="name" />
      <button i18n type="submit" class="button" [disabled]="adding.state().state === 'busy'">Add a gateway</button>
    </form>
    @if (refused(); as sentence) {
      <p class="refused" role="alert">{{ sentence }}</p>
    }
  `,
  styleUrls: ['../ui/form.css', './section.css'],
  styles: `
    ul {
      margin: 8px 0 12px;
      padding: 0;
      list-style: none;
    }

    .row {
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 16px;
    }

    code {
      padding: 4px 8px;
      border-radius: var(--radius);
      background: var(--act-soft);
      font-size: 16px;
      overflow-wrap: anywhere;
      user-select: all;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Instruments {
  protected readonly words = {
    instrument: $localize`instrument`,
    sendsSince: $localize`sends since `,
    sendsNoMoreSince: $localize`sends no more since `,
  } as const;

  private readonly serverData = inject(ServerData);
  private readonly preferences = inject(PreferencesService).current;
  private readonly loadedGateways = fromServer(this.serverData.gateways$);
  private readonly loadedInstruments = fromServer(this.serverData.instruments$);
  protected readonly gateways = computed(() => valueOf(this.loadedGateways()) ?? []);
  protected readonly heard = computed(() => valueOf(this.loadedInstruments()) ?? []);
  protected readonly gateway = draftForm('gateway', () => ({ name: '' }), {
    fields: { name: [filled($localize`Give the gateway a name.`)] },
  });
  private readonly sheet = viewChild(FormGroupDirective);
  protected readonly token = signal('');
  protected readonly added = signal('');
  protected readonly moment = momentText;

  protected readonly adding = mutation(this.serverData.addGateway$, ({ name, token }) => {
    this.added.set(name);
    this.token.set(token);
    this.gateway.renew();
    this.sheet()?.resetForm(this.gateway.value());
  });
  protected readonly revoking = mutation(this.serverData.revokeGateway$, () => undefined);
  private readonly notAdded = serverProblems(this.adding.state, { '/name': this.gateway.form.controls.name });
  protected readonly refused = computed(() => this.notAdded() ?? errorIn(this.revoking.state()));

  protected send(): void {
    if (this.gateway.form.valid) this.adding.send({ name: this.gateway.value().name, recordedBy: this.preferences().person });
  }

  protected about({ facts, gateway, heardAt }: Instrument): string {
    const parts = [
      ...(facts['unit'] === undefined ? [] : [$localize`shows ${String(facts['unit'])}`]),
      ...(facts['battery'] === undefined ? [] : [$localize`battery ${String(facts['battery'])} %`]),
      ...(facts['simulated'] === true ? ['simulated'] : []),
      $localize`by ${gateway}, heard ${momentText(heardAt)}`,
    ];
    return parts.join(' · ');
  }
}
