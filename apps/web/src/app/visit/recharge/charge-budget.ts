import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { ChargeLine, ChargeTerm } from '@hygromet/core/charge/charge-target';
import { Units } from '../../preferences/units.service';

const termNames: Record<ChargeTerm, string> = {
  plate: $localize`Plate, as printed`,
  'liquid-line': $localize`Liquid line beyond what the plate covers`,
  'suction-line': $localize`Suction line beyond it`,
  drier: $localize`Drier`,
  oil: $localize`Oil that was changed`,
  hose: $localize`Left in the hose`,
  flooded: $localize`Flooded condenser in the cold`,
  'came-with': $localize`Shipped with the new unit`,
  scale: $localize`Scale`,
};

/** What takes a charge: each with its mass and how sure that is. */
@Component({
  selector: 'hy-charge-budget',
  template: `
    <table>
      <caption i18n class="unseen">
        What the charge is made of
      </caption>
      <thead>
        <tr>
          <th i18n scope="col">What takes it</th>
          <th scope="col" class="number">{{ units.mass(0).unit }}</th>
          <th scope="col" class="number">±</th>
        </tr>
      </thead>
      <tbody>
        @for (line of lines(); track line.term) {
          <tr>
            <th scope="row">{{ names[line.term] }}</th>
            <td class="number">{{ units.mass(line.kg).number }}</td>
            <td class="number second">{{ units.mass(line.sigmaKg, 'up').number }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styleUrl: '../stages/stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChargeBudget {
  readonly lines = input.required<readonly ChargeLine[]>();
  protected readonly units = inject(Units);
  protected readonly names = termNames;
}
