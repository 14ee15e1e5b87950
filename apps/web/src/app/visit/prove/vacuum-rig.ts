import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** How the vacuum is set up: pump with its ballast, hose, core, circuit, and the gauge where it belongs. */
@Component({
  selector: 'hy-vacuum-rig',
  template: `
    <svg viewBox="0 0 402 132" role="img" [attr.aria-label]="words()">
      <path class="hose" d="M82 76H150M180 76H214" [style.stroke-width]="bore()" />
      <path class="line" d="M324 76H348" />
      <rect class="body" x="6" y="48" width="76" height="56" rx="6" />
      <rect class="body" x="214" y="40" width="110" height="72" rx="6" />
      <circle class="body" cx="372" cy="76" r="24" />
      <path class="detail" d="M372 76l10-14" />
      <path class="valve" [class.in]="core() === 'in'" d="M150 64v24l30-24v24z" />
      <text i18n x="44" y="81">Pump</text>
      <text i18n class="note" x="46" y="123">ballast open</text>
      <text i18n class="note" x="116" y="58">{{ hose() }} in</text>
      <text i18n class="note" x="165" y="108">core {{ core() }}</text>
      <text i18n x="269" y="72">Circuit</text>
      <text i18n class="note" x="269" y="93">both sides</text>
      <text i18n class="note" x="372" y="123">gauge</text>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      max-width: 470px;
      width: 100%;
    }

    .body,
    .valve {
      fill: var(--sheet);
      stroke: var(--ink);
      stroke-width: 2;
    }

    .valve.in {
      fill: var(--caution);
    }

    .hose,
    .line,
    .detail {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2.4;
    }

    text {
      fill: var(--ink);
      font-size: 15px;
      font-weight: 600;
      text-anchor: middle;
    }

    .note {
      fill: var(--ink-2);
      font-size: 13.5px;
      font-weight: 400;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VacuumRig {
  /** Its size as it is sold, "3/8". */
  readonly hose = input.required<string>();
  readonly core = input.required<string>();
  /** px: a wider hose is drawn wider. */
  protected readonly bore = computed(() => (this.hose() === '1/4' ? 3 : this.hose() === '3/8' ? 6 : 9));
  protected readonly words = computed(
    () =>
      $localize`Set-up: pump with its ballast open at first, ${this.hose()} inch hose, valve core ${this.core()}, circuit with both sides open, the micron gauge at its far end.`,
  );
}
