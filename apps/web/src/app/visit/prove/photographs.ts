import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { switchMap } from 'rxjs';
import { errorIn, mutation } from '../../data/mutation';
import { newKey } from '../../data/new-key';
import { ServerData } from '../../data/server-data.service';
import { Icon } from '../../ui/icon';
import { momentText } from '../../ui/day';
import { smallJpeg } from '../../ui/small-jpeg';
import { VisitJob } from '../visit-job';

/** What was photographed of a place, and another photograph of it. */
@Component({
  selector: 'hy-photographs',
  imports: [Icon],
  template: `
    @for (taken of shown(); track taken.photograph) {
      <a [href]="addressOf(taken.photograph)" target="_blank" rel="noopener">
        <img [src]="addressOf(taken.photograph)" [alt]="of() + ', ' + moment(taken.at) + ', ' + taken.by" loading="lazy" />
      </a>
    }
    @if (job.open()) {
      <label class="button small" [class.busy]="busy()">
        <svg hyIcon="camera" />
        <span i18n class="unseen">Photograph {{ of() }}</span>
        <input type="file" accept="image/*" capture="environment" [disabled]="busy()" (change)="take($event)" />
      </label>
    }
    @if (refused(); as sentence) {
      <p class="over" role="alert">{{ sentence }}</p>
    }
  `,
  styleUrl: './photographs.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Photographs {
  /** The place of the visit that it shows, and how a person calls it. */
  readonly place = input.required<string>();
  readonly of = input.required<string>();
  protected readonly job = inject(VisitJob);
  private readonly serverData = inject(ServerData);
  protected readonly moment = momentText;
  protected readonly addressOf = (id: string) => `/api/photographs/${id}.jpg`;
  protected readonly shown = computed(() => (this.job.visit()?.photographs ?? []).filter(({ place }) => place === this.place()));

  private readonly adding = mutation(
    (jpeg: string) => {
      const { key, recordedBy, happenedAt } = this.job.said();
      return this.serverData
        .addPhotograph$({ key, jpeg, recordedBy })
        .pipe(
          switchMap(({ id: photograph }) =>
            this.job.add$({ kind: 'photographed', photograph, place: this.place(), note: '' }, { key: newKey(), recordedBy, happenedAt }),
          ),
        );
    },
    () => undefined,
  );
  private readonly making = signal(false);
  private readonly unreadable = signal(false);
  protected readonly busy = computed(() => this.making() || this.adding.state().state === 'busy');
  protected readonly refused = computed(() =>
    this.unreadable()
      ? $localize`This browser cannot read that picture. Take a photograph, or choose a JPEG.`
      : errorIn(this.adding.state()),
  );

  protected async take(event: Event): Promise<void> {
    const chosen = event.target as HTMLInputElement; // the file field of this template
    const file = chosen.files?.[0];
    if (file === undefined) return;
    this.making.set(true);
    this.unreadable.set(false);
    try {
      this.adding.send(await smallJpeg(file));
    } catch {
      this.unreadable.set(true);
    } finally {
      this.making.set(false);
      chosen.value = '';
    }
  }
}
