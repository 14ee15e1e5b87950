import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import type { Circuit, ComponentId, ValveId } from '@hygromet/core/circuit/circuit';
import { exchangerOf } from '@hygromet/core/circuit/exchanger';
import type { Part, Valve } from '@hygromet/core/circuit/part';
import type { Holds, Where } from '@hygromet/core/planning/where';
import { nameIn, partNames, valveIdName, valveNames } from '../systems/system-labels';
import { partOf } from '@hygromet/core/circuit/circuit-of';
import { layoutOf, type DrawnPart } from './circuit-layout';
import { drawnName } from './drawn-name';
import { touchesOf } from './circuit-touches';

const nameOf = (thing: Part | Valve): string => ({ ...partNames, ...valveNames })[thing];

/** In the drawing there is no room for more; read aloud they have their whole names. */
const shortValves: Record<Valve, string> = {
  'discharge-service': $localize`Discharge valve`,
  'receiver-inlet': $localize`Inlet valve`,
  king: $localize`King valve`,
  'liquid-service': $localize`Liquid valve`,
  'branch-liquid': $localize`Branch valve`,
  'branch-gas': $localize`Gas valve`,
  'suction-service': $localize`Suction valve`,
};
const holdsWords: Record<Holds, string> = {
  liquid: $localize`liquid`,
  vapour: $localize`vapor`,
  both: $localize`liquid and vapor`,
  'nearly-empty': $localize`nearly empty`,
};

/** The circuit: double lines filled with what is in them, valves filled when shut, the part to be opened dashed in the danger colour. */
@Component({
  selector: 'hy-circuit-drawing',
  template: `
    @let l = layout();
    <svg [attr.viewBox]="'0 0 ' + l.width + ' ' + l.height" [attr.role]="pickable() ? 'group' : 'img'" [attr.aria-label]="words()">
      @for (pipe of l.pipes; track $index) {
        <path class="pipe wall" [attr.d]="pipe.way" />
        <path [class]="'pipe ' + holds(pipe.carries)" [attr.d]="pipe.way" />
      }
      @for (part of l.parts; track part.id) {
        @let drawn = 'body ' + holds(part.id) + (isOpened(part.part) ? ' opened' : '') + (part.part === bearsLeast() ? ' least' : '');
        @switch (part.shape) {
          @case ('round') {
            <circle [class]="drawn" [attr.cx]="part.x + 28" [attr.cy]="part.y + 28" r="28" />
            <path
              class="detail"
              [attr.d]="
                'M' +
                (part.x + 12) +
                ' ' +
                (part.y + 42) +
                'L' +
                (part.x + 28) +
                ' ' +
                (part.y + 8) +
                'L' +
                (part.x + 44) +
                ' ' +
                (part.y + 42) +
                'z'
              "
            />
          }
          @case ('coil') {
            @if (part.count > 1) {
              <rect
                class="behind"
                [attr.x]="part.x + 6"
                [attr.y]="part.y + 6"
                [attr.width]="part.width"
                [attr.height]="part.height"
                rx="6"
              />
            }
            <rect
              [class]="drawn"
              [attr.x]="part.x"
              [attr.y]="part.y"
              [attr.width]="part.width"
              [attr.height]="part.height"
              [attr.rx]="isCoil(part.id) ? 6 : part.height / 2"
            />
            <path class="detail" [attr.d]="coil(part.x, part.y, part.width)" />
          }
          @case ('bow-tie') {
            <path [class]="drawn" [attr.d]="bowTie(part.x + 14, part.y + 14, true)" />
          }
          @case ('level-bow-tie') {
            <path [class]="drawn" [attr.d]="bowTie(part.x + 14, part.y + 14, false)" />
          }
          @case ('glass') {
            <circle [class]="drawn" [attr.cx]="part.x + 14" [attr.cy]="part.y + 14" r="14" />
            <circle class="detail" [attr.cx]="part.x + 14" [attr.cy]="part.y + 14" r="7" />
          }
          @default {
            <rect [class]="drawn" [attr.x]="part.x" [attr.y]="part.y" [attr.width]="part.width" [attr.height]="part.height" rx="5" />
          }
        }
        <text
          [attr.x]="part.label.x"
          [attr.y]="part.label.y"
          [attr.text-anchor]="part.label.anchor"
          [class.opened-text]="isOpened(part.part)"
        >
          {{ drawnName(part) }}
        </text>
      }
      @for (valve of l.valves; track valve.id) {
        <path class="valve" [class.shut]="isShut(valve.id)" [attr.d]="bowTie(valve.x, valve.y, valve.upright)" />
        <text class="small" [attr.x]="valve.label.x" [attr.y]="valve.label.y" [attr.text-anchor]="valve.label.anchor">
          {{ shortValves[valve.valve] }}{{ isShut(valve.id) ? phrases.shut : '' }}
        </text>
      }
      @if (pickable()) {
        @for (touch of touches(); track touch.thing) {
          <rect
            class="touch"
            role="button"
            tabindex="0"
            rx="8"
            [attr.x]="touch.x"
            [attr.y]="touch.y"
            [attr.width]="touch.width"
            [attr.height]="touch.height"
            [attr.aria-label]="touch.name"
            [attr.aria-pressed]="picked() === touch.thing"
            (click)="picked.set(touch.thing)"
            (keydown.enter)="picked.set(touch.thing)"
            (keydown.space)="picked.set(touch.thing); $event.preventDefault()"
          />
        }
      }
    </svg>
    <ul class="legend" aria-hidden="true">
      <li i18n><i class="liquid"></i>liquid</li>
      <li i18n><i class="vapour"></i>vapor</li>
      <li i18n><i class="both"></i>both</li>
      <li i18n><i class="nearly-empty"></i>nearly empty</li>
      @if (opened().length > 0) {
        <li i18n><i class="opened"></i>will be open to the air</li>
      }
      @if (bearsLeast() !== undefined) {
        <li i18n><i class="least"></i>bears least</li>
      }
    </ul>
  `,
  styleUrl: './circuit-drawing.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CircuitDrawing {
  protected readonly phrases = { shut: $localize`, shut` } as const;

  readonly circuit = input.required<Circuit>();
  /** The hand valves that are shut. */
  readonly shut = input<ReadonlySet<ValveId>>(new Set());
  readonly where = input.required<Where>();
  /** The part that limits the pressure of a test. */
  readonly bearsLeast = input<Part | undefined>();
  /** What will be open to the air. */
  readonly opened = input<readonly ComponentId[]>([]);
  /** Whether its parts, valves and lines can be touched. */
  readonly pickable = input(false);
  readonly picked = model<Part | Valve | undefined>();

  protected readonly shortValves = shortValves;
  protected readonly layout = computed(() => layoutOf(this.circuit()));
  protected readonly touches = computed(() => touchesOf(this.layout()).map((touch) => ({ ...touch, name: nameOf(touch.thing) })));
  protected readonly words = computed(() => {
    const told = [...this.where()]
      .filter(([id]) => !id.startsWith('before-'))
      .map(
        ([id, holds]) =>
          `${nameIn(this.circuit(), id)}: ${holdsWords[holds]}${this.opened().includes(id) ? $localize`, will be open to the air` : ''}${this.bearsLeast() === partOf(id) ? $localize`, bears least` : ''}`,
      );
    const shut = [...this.shut()].map((id) => $localize`${valveIdName(id)} shut`);
    return $localize`Circuit. ${[...shut, ...told].join('. ')}.`;
  });

  protected holds = (id: ComponentId): Holds => this.where().get(id) ?? 'nearly-empty';
  protected drawnName = (part: DrawnPart): string => drawnName(this.circuit(), part);
  protected isCoil = (id: ComponentId): boolean => exchangerOf(this.circuit(), id) === 'coil';
  protected isShut = (id: ValveId): boolean => this.shut().has(id);
  /** Of several alike that are drawn as one, any of them. */
  protected isOpened = (part: Part): boolean => this.opened().some((id) => partOf(id) === part && !id.startsWith('before-'));
  protected bowTie = (x: number, y: number, upright: boolean): string =>
    upright ? `M${x - 10} ${y - 14}h20l-20 28h20z` : `M${x - 14} ${y - 10}v20l28-20v20z`;
  protected coil = (x: number, y: number, width: number): string => {
    const step = (width - 20) / 4;
    return `M${x + 10} ${y + 30}` + Array.from({ length: 4 }, (_, k) => `q${step / 2} ${k % 2 === 0 ? -26 : 26} ${step} 0`).join('');
  };
}
