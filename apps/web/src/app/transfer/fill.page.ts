import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { PageHead } from '../ui/page-head';
import { Spine } from '../ui/spine';
import { BookedStage } from './booked.stage';
import { CylinderStage } from './cylinder.stage';
import { FillSession } from './fill.session';
import { TransferStage } from './transfer.stage';

const STAGES = { cylinder: 'Cylinder', transfer: 'Transfer', account: 'Account' } as const;

/** One fill, from the scale to the ledger: weigh and read the stop, transfer, book. */
@Component({
  selector: 'hy-fill-page',
  imports: [BookedStage, CylinderStage, PageHead, RouterLink, Spine, TransferStage],
  providers: [FillSession],
  template: `
    @let c = session.cylinder();
    @switch (c.state) {
      @case ('ready') {
        <hy-page-head [title]="'Fill ' + c.value.name" [line]="line()">
          <hy-spine [stages]="stages" [current]="here()" />
        </hy-page-head>
        @switch (session.draft().stage) {
          @case ('cylinder') {
            <hy-cylinder-stage />
          }
          @case ('transfer') {
            <hy-transfer-stage />
          }
          @case ('account') {
            <hy-booked-stage />
          }
        }
      }
      @case ('failed') {
        <div class="alone" role="alert">
          <p>{{ c.sentence }}</p>
          <a class="button" routerLink="/cylinders">To the cylinders</a>
        </div>
      }
      @default {
        <p class="alone second">Reading the cylinder</p>
      }
    }
  `,
  styleUrl: '../ui/alone.css',
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      min-height: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FillPage {
  protected readonly session = inject(FillSession);
  protected readonly stages = Object.values(STAGES);
  protected readonly here = () => STAGES[this.session.draft().stage];

  protected line(): string {
    const incoming = this.session.incoming();
    const source = this.session.source();
    return source === undefined ? 'Stand it on the scale' : `from ${source.name}${incoming === undefined ? '' : `, ${incoming.name}`}`;
  }
}
