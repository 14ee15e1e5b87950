import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Cylinder } from '@hygromet/contract/cylinder';
import { Units } from '../preferences/units.service';
import { bodyHeightOf, cylinderShape } from '../ui/cylinder-shape';
import { contentName, stateWords } from './cylinder-labels';

/** Pixels of height of one litre: 11.9 L stand 120 px high, a half-ton stays on the screen. */
const LITRE_PX = 52.6;
export const heightOnRack = (volumeM3: number): number => Math.ceil(cylinderShape(bodyHeightOf(volumeM3, LITRE_PX)).height) + 4;
const MARKER = 'M0 0l10 -6v12z';

/** A cylinder on the rack, to scale, with its liquid at 77 °F and its stop level; a tap opens it. */
@Component({
  selector: 'hy-rack-cylinder',
  imports: [RouterLink],
  template: `
    @let c = cylinder();
    <a
      [routerLink]="choosing() ? null : ['/cylinders', c.id]"
      [class.grave]="words().grave"
      [class.chosen]="chosen()"
      [attr.role]="choosing() ? 'checkbox' : null"
      [attr.aria-checked]="choosing() ? chosen() : null"
      [attr.tabindex]="choosing() ? 0 : null"
      (click)="choose($event)"
      (keydown.space)="choose($event)"
      (keydown.enter)="choose($event)"
    >
      <span class="ground">
        <svg [attr.width]="shape().width + 44" [attr.height]="boxHeight()" [attr.viewBox]="viewBox()" aria-hidden="true">
          <defs>
            <clipPath [id]="clip()"><path [attr.d]="shape().body" /></clipPath>
            <pattern [id]="clip() + '-mixed'" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
              <rect width="5" height="9" class="liquid" />
            </pattern>
          </defs>
          <path class="outline" [attr.d]="shape().collar" />
          <g [attr.clip-path]="'url(#' + clip() + ')'">
            <rect [class]="c.contentKg > 0 ? 'vapour' : 'nothing'" x="-80" y="-400" width="160" height="400" />
            @if (c.contentKg > 0) {
              <rect
                x="-80"
                width="160"
                height="400"
                [attr.y]="shape().surface(share())"
                [style.fill]="mixed() ? 'url(#' + clip() + '-mixed)' : 'var(--liquid)'"
              />
            }
          </g>
          <path class="outline" [attr.d]="shape().body" />
          @if (stopShare(); as stop) {
            <path
              class="marker"
              [attr.d]="marker"
              [attr.transform]="'translate(' + (shape().width / 2 + 3) + ' ' + shape().surface(stop) + ')'"
            />
          }
        </svg>
      </span>
      <span class="name">
        @if (choosing()) {
          <span class="box" aria-hidden="true">{{ chosen() ? '✓' : '' }}</span>
        }
        {{ c.name }}</span
      >
      <span class="content">{{ content() }}</span>
      <span class="state">{{ words().text }}</span>
    </a>
  `,
  styleUrl: './rack-cylinder.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RackCylinder {
  private readonly units = inject(Units);
  readonly cylinder = input.required<Cylinder>();
  /** Pixels that the highest cylinder of the shelf needs: all stand on one line. */
  readonly boxHeight = input.required<number>();

  /** Taps choose it instead of opening it. */
  readonly choosing = input(false);
  readonly chosen = input(false);
  readonly picked = output();

  protected readonly marker = MARKER;
  protected readonly shape = computed(() => cylinderShape(bodyHeightOf(this.cylinder().volumeM3, LITRE_PX)));
  protected readonly viewBox = computed(
    () => `${-this.shape().width / 2 - 22} ${-this.boxHeight()} ${this.shape().width + 44} ${this.boxHeight()}`,
  );
  protected readonly clip = computed(() => `in-${this.cylinder().id}`);
  protected readonly words = computed(() => stateWords(this.cylinder(), this.units));
  protected readonly content = computed(() => contentName(this.cylinder()));
  protected readonly mixed = computed(() => this.cylinder().flags.includes('mixed'));
  protected readonly share = computed(() => {
    const { fillStatus } = this.cylinder();
    return fillStatus.state === 'limited' ? (fillStatus.liquidShare77F ?? 0) : 0;
  });
  protected choose(event: Event): void {
    if (!this.choosing()) return;
    event.preventDefault();
    this.picked.emit();
  }

  /** The level at the ruling limit. */
  protected readonly stopShare = computed(() => {
    const { fillStatus } = this.cylinder();
    return fillStatus.state === 'limited' ? (fillStatus.stopShare77F ?? undefined) : undefined;
  });
}
