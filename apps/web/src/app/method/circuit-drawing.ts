import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import type { Part, Valve } from '@hygromet/core/circuit/part';
import type { SystemKind } from '@hygromet/core/circuit/system-kind';
import type { Holds } from '@hygromet/core/planning/where';
import { partNames, valveNames } from '../systems/system-labels';
import { layoutOf } from './circuit-layout';
import { touchesOf } from './circuit-touches';

const nameOf = (thing: Part | Valve): string => ({ ...partNames, ...valveNames })[thing];

/** A valve of the system and whether it is shut at the end. */
export interface ShownValve {
  readonly valve: Valve;
  readonly shut: boolean;
}

/** In the drawing there is no room for more; read aloud they have their whole names. */
const shortNames: Record<Valve, string> = { 'liquid-service': 'Liquid valve', 'suction-service': 'Suction valve', king: 'King valve' };
const holdsWords: Record<Holds, string> = { liquid: 'liquid', vapour: 'vapor', both: 'liquid and vapor', 'nearly-empty': 'nearly empty' };

/** The circuit: double lines filled with what is in them, valves filled when shut, the part to be opened dashed in the danger colour. */
@Component({
  selector: 'hy-circuit-drawing',
  template: `
    @let l = layout();
    <svg [attr.viewBox]="'0 0 ' + l.width + ' ' + l.height" [attr.role]="pickable() ? 'group' : 'img'" [attr.aria-label]="words()">
      @for (pipe of l.pipes; track pipe.way) {
        <path class="pipe wall" [attr.d]="pipe.way" />
        <path [class]="'pipe ' + holds(pipe.part)" [attr.d]="pipe.way" />
      }
      @for (part of l.parts; track part.part) {
        @let drawn = 'body ' + holds(part.part) + (part.part === opened() ? ' opened' : '');
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
            <rect [class]="drawn" [attr.x]="part.x" [attr.y]="part.y" [attr.width]="part.width" [attr.height]="part.height" rx="6" />
            <path class="detail" [attr.d]="coil(part.x, part.y, part.width)" />
          }
          @case ('bow-tie') {
            <path [class]="drawn" [attr.d]="bowTie(part.x + 14, part.y + 14, true)" />
          }
          @default {
            <rect [class]="drawn" [attr.x]="part.x" [attr.y]="part.y" [attr.width]="part.width" [attr.height]="part.height" rx="5" />
          }
        }
        <text
          [attr.x]="part.label.x"
          [attr.y]="part.label.y"
          [attr.text-anchor]="part.label.anchor"
          [class.opened-text]="part.part === opened()"
        >
          {{ names[part.part] }}
        </text>
      }
      @for (valve of l.valves; track valve.valve) {
        <path class="valve" [class.shut]="isShut(valve.valve)" [attr.d]="bowTie(valve.x, valve.y, valve.upright)" />
        <text class="small" [attr.x]="valve.label.x" [attr.y]="valve.label.y" [attr.text-anchor]="valve.label.anchor">
          {{ shortNames[valve.valve] }}{{ isShut(valve.valve) ? ', shut' : '' }}
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
      <li><i class="liquid"></i>liquid</li>
      <li><i class="vapour"></i>vapor</li>
      <li><i class="both"></i>both</li>
      <li><i class="nearly-empty"></i>nearly empty</li>
      @if (opened() !== undefined) {
        <li><i class="opened"></i>will be open to the air</li>
      }
    </ul>
  `,
  styleUrl: './circuit-drawing.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CircuitDrawing {
  readonly kind = input.required<SystemKind>();
  readonly valves = input.required<readonly ShownValve[]>();
  readonly where = input.required<ReadonlyMap<Part, Holds>>();
  /** The part that will be open to the air. */
  readonly opened = input<Part | undefined>();
  /** Whether its parts, valves and lines can be touched. */
  readonly pickable = input(false);
  readonly picked = model<Part | Valve | undefined>();

  protected readonly names = partNames;
  protected readonly shortNames = shortNames;
  protected readonly layout = computed(() =>
    layoutOf(
      this.kind(),
      this.valves().map(({ valve }) => valve),
    ),
  );
  protected readonly touches = computed(() => touchesOf(this.layout()).map((touch) => ({ ...touch, name: nameOf(touch.thing) })));
  protected readonly words = computed(() => {
    const told = [...this.where()].map(
      ([part, holds]) => `${partNames[part]}: ${holdsWords[holds]}${part === this.opened() ? ', will be open to the air' : ''}`,
    );
    const shut = this.valves()
      .filter((valve) => valve.shut)
      .map(({ valve }) => `${valveNames[valve]} shut`);
    return `Circuit. ${[...shut, ...told].join('. ')}.`;
  });

  protected holds = (part: Part): Holds => this.where().get(part) ?? 'nearly-empty';
  protected isShut = (valve: Valve): boolean => this.valves().some((shownValve) => shownValve.valve === valve && shownValve.shut);
  protected bowTie = (x: number, y: number, upright: boolean): string =>
    upright ? `M${x - 10} ${y - 14}h20l-20 28h20z` : `M${x - 14} ${y - 10}v20l28-20v20z`;
  protected coil = (x: number, y: number, width: number): string => {
    const step = (width - 20) / 4;
    return `M${x + 10} ${y + 30}` + Array.from({ length: 4 }, (_, k) => `q${step / 2} ${k % 2 === 0 ? -26 : 26} ${step} 0`).join('');
  };
}
