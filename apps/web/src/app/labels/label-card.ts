import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Cylinder } from '@hygromet/contract/cylinder';
import { from, switchMap } from 'rxjs';
import { Units } from '../preferences/units.service';
import { labelOf } from './label';
import { labelSizeNames, type LabelSize } from './label-sizes';

/** The code of a cylinder, and its label to print. */
@Component({
  selector: 'hy-label-card',
  template: `
    <h2 i18n>Label</h2>
    <div class="card">
      <svg [attr.viewBox]="box()" role="img" [attr.aria-label]="words.codeOf(cylinder().name)" class="code">
        <path [attr.d]="code()" />
      </svg>
      <div>
        <p>{{ label().content }}</p>
        <p class="small">{{ label().marks.join(' · ') }}</p>
        @for (size of sizes; track size) {
          <button type="button" class="button small" [attr.aria-label]="words.labelAsPdf(size)" (click)="print(size)">
            {{ size }}
          </button>
        }
      </div>
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      margin-top: 18px;
    }

    h2 {
      font-size: 16.5px;
    }

    .card {
      display: grid;
      align-items: start;
      gap: 14px;
      grid-template-columns: 128px minmax(0, 1fr);
    }

    .code {
      width: 128px;
      background: #fff;
    }

    .button {
      margin: 8px 8px 0 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LabelCard {
  protected readonly words = {
    codeOf: (name: string): string => $localize`Code of ${name}`,
    labelAsPdf: (size: string): string => $localize`Label as PDF, ${size}`,
  };

  readonly cylinder = input.required<Cylinder>();
  readonly safetyGroup = input<string | null | undefined>();
  private readonly units = inject(Units);
  protected readonly sizes = labelSizeNames;
  protected readonly label = computed(() => labelOf(this.cylinder(), this.safetyGroup(), location.origin, this.units));
  private readonly drawn = toSignal(toObservable(computed(() => this.label().code)).pipe(switchMap((code) => from(drawn(code)))));
  protected readonly code = computed(() => this.drawn()?.way ?? '');
  protected readonly box = computed(() => `0 0 ${this.drawn()?.side ?? 1} ${this.drawn()?.side ?? 1}`);

  protected async print(size: LabelSize): Promise<void> {
    const [{ labelPdf }, { save }] = await Promise.all([import('./label-pdf'), import('../ui/save-file')]);
    const bytes = await labelPdf([this.label()], size);
    save(`label-${this.cylinder().name}.pdf`, new Blob([bytes as BlobPart], { type: 'application/pdf' }));
  }
}

/** The code as one way of unit squares. */
async function drawn(code: string): Promise<{ readonly way: string; readonly side: number }> {
  const { modulesOf } = await import('./code-modules');
  const { side, dark } = modulesOf(code);
  return { side, way: dark.map(([column, row]) => `M${column} ${row}h1v1h-1z`).join('') };
}
