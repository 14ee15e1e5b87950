import { ChangeDetectionStrategy, Component, ViewEncapsulation } from '@angular/core';

/** A module of its own for the styles of each library part that few pages use: they come with those pages, and with no other. */
@Component({
  selector: 'hy-timeline-styles',
  template: '',
  styleUrl: '../../../styles/library/timeline.less',
  encapsulation: ViewEncapsulation.None,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TimelineStyles {}
