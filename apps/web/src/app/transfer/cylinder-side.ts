import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { isUnknown } from '@hygromet/core/cylinder/unknown-content';
import { airCounted } from '../cylinders/judged-cylinder';
import { Units } from '../preferences/units.service';
import { Caution } from '../ui/caution';
import { CylinderDrawing, type DrawnLevel } from '../ui/cylinder-drawing';
import { valueOf } from '../ui/loadable';
import { drawnLevels } from './drawn-levels';
import { FilledFigures } from './filled-figures';
import { FillSession } from './fill.session';

/** The cylinder beside the numbers: drawn with its liquid at the dragged temperature, and the cautions that apply to it now. */
@Component({
  selector: 'hy-cylinder-side',
  imports: [Caution, CylinderDrawing, FilledFigures],
  template: `
    @let c = cylinder();
    <h2>{{ c.name }}, {{ capacity() }}, {{ units.pressureStep(c.servicePressurePa) }}</h2>
    @if (unidentified()) {
      <p i18n class="second">not identified: nothing can be drawn of it</p>
    } @else {
      <p class="second">
        {{ label() }}{{ label() && levels().length > 0 ? ' · ' : '' }}{{ levels().length > 0 ? words.dragToChangeTemperature : '' }}
      </p>
    }
    @if (levels().length > 0) {
      <hy-cylinder-drawing [levels]="levels()" [(temperature)]="session.temperature" />
    } @else if (!unidentified()) {
      <div class="no-drawing"></div>
    }
    @if (session.heat(); as heat) {
      <h3 i18n>Filled to the stop</h3>
      <hy-filled-figures [heat]="heat" [hottestK]="session.hottestK()" [air]="air()" />
    }
    <div class="cautions">
      @for (caution of session.cautions(); track caution.code) {
        <hy-caution [grave]="caution.grave">{{ caution.sentence }}</hy-caution>
      }
    </div>
  `,
  host: { class: 'side-column', role: 'complementary', '[attr.aria-label]': "'Drawing of ' + cylinder().name" },
  styleUrl: './cylinder-side.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CylinderSide {
  protected readonly words = { dragToChangeTemperature: $localize`drag to change temperature` } as const;

  protected readonly session = inject(FillSession);
  protected readonly units = inject(Units);

  protected readonly cylinder = computed(() => valueOf(this.session.cylinder())!); // the page shows this only with its cylinder
  protected readonly levels = computed<readonly DrawnLevel[]>(() => drawnLevels(valueOf(this.session.levels()), this.units));
  protected readonly unidentified = computed(() => isUnknown(this.session.incoming()?.composition ?? this.session.composition() ?? {}));
  protected readonly air = computed(() => {
    const { airShare } = this.cylinder();
    const share = `${this.units.decimal(100 * airCounted(this.cylinder()), 1)} % air`;
    return airShare === null ? $localize`${share} allowed for` : $localize`${share} found`;
  });
  protected readonly capacity = computed(() => {
    const { volumeTyped, volumeM3 } = this.cylinder();
    return volumeTyped?.unit === 'lb-water'
      ? $localize`${volumeTyped.text} lb water capacity`
      : `${this.units.decimal(volumeM3 * 1000, 1)} L`;
  });
  protected readonly label = computed(() => {
    const { flags, refrigerant } = this.cylinder();
    return flags.includes('mixed') ? $localize`a mixture` : (refrigerant ?? this.session.incoming()?.name ?? '');
  });
}
