import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { collarStamps, type CollarEntries, type StampId } from './collar-stamps';

/** Where a stamp lies on the front of the collar: middle and width along the row, and the row's height, in units of the drawing. */
const PLACES: Readonly<Record<StampId, { readonly x: number; readonly width: number; readonly y: number }>> = {
  service: { x: 118, width: 150, y: 128 },
  number: { x: 286, width: 130, y: 128 },
  volume: { x: 118, width: 150, y: 176 },
  tare: { x: 286, width: 130, y: 176 },
  stamp: { x: 200, width: 150, y: 224 },
};
/** How far the front of the collar bulges below its ends, over half its width. */
const BULGE_DRAWN = 22;
const [LEFT, RIGHT] = [36, 364];

/** The collar of a cylinder, seen from the front and a little above: where each stamp is found, with what was typed of it. */
@Component({
  selector: 'hy-collar-drawing',
  template: `
    <svg viewBox="0 0 400 330" role="group" aria-label="The stamps on the collar" i18n-aria-label>
      <path class="steel" d="M10 330 C14 282 40 262 70 254 H330 C360 262 386 282 390 330 Z" />
      @if (flammable()) {
        <path class="flammable" d="M16.8 299 H383.2 L388.2 317 H11.8 Z" />
        <text i18n class="flammable-word" x="200" y="313">flammable</text>
      }
      <path class="back" d="M36 84 Q200 40 364 84 V150 H36 Z" />
      <g class="valve">
        <path d="M186 116 V62 H214 V116" />
        <path class="ports" d="M186 80 H160 V94 M214 80 H240 V94" />
        <rect x="172" y="34" width="56" height="14" rx="6" />
        <path d="M200 48 V62" />
      </g>
      <path class="front" d="M36 84 Q200 128 364 84 V236 Q200 280 36 236 Z" />
      @for (place of stamps(); track place.id) {
        <g
          class="stamp"
          role="button"
          tabindex="0"
          [class.here]="place.id === here()"
          [attr.aria-label]="place.label"
          [attr.transform]="place.transform"
          (click)="touched.emit(place.id)"
          (keydown.enter)="touched.emit(place.id)"
          (keydown.space)="$event.preventDefault(); touched.emit(place.id)"
        >
          <rect [attr.x]="-place.width / 2" y="-22" [attr.width]="place.width" height="44" rx="5" />
          <text y="7">
            @if (place.before) {
              <tspan class="before">{{ place.before }}&nbsp;</tspan>
            }
            @if (place.figure) {
              <tspan>{{ place.figure }}</tspan>
            } @else {
              <tspan class="blank">{{ place.example }}</tspan>
            }
          </text>
        </g>
      }
    </svg>
  `,
  styleUrl: './collar-drawing.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CollarDrawing {
  readonly entries = input.required<CollarEntries>();
  /** The stamp whose field is being typed. */
  readonly here = input<StampId | undefined>();
  readonly flammable = input(false);
  readonly touched = output<StampId>();

  protected readonly stamps = computed(() =>
    collarStamps(this.entries()).map((stamp) => {
      const { x, width, y } = PLACES[stamp.id];
      return {
        ...stamp,
        width,
        transform: `translate(${x} ${y + sag(x)}) rotate(${slope(x)})`,
        label: $localize`Stamp ${stamp.said}\: ${stamp.figure || $localize`not typed yet`}`,
        example: EXAMPLES[stamp.id],
      };
    }),
  );
}

const EXAMPLES: Readonly<Record<StampId, string>> = {
  service: '___',
  number: $localize`number`,
  volume: '____',
  tare: '____',
  stamp: $localize`MM-YY test`,
};

/** -1 at the left end of the collar, 1 at its right. */
const across = (x: number) => (2 * x - LEFT - RIGHT) / (RIGHT - LEFT);
const sag = (x: number) => BULGE_DRAWN * (1 - across(x) ** 2) - BULGE_DRAWN / 2;
const slope = (x: number) => (Math.atan((-4 * BULGE_DRAWN * across(x)) / (RIGHT - LEFT)) * 180) / Math.PI;
