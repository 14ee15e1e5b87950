import { ChangeDetectionStrategy, Component, ViewEncapsulation } from '@angular/core';

/** A module of its own for the styles of each library part that few pages use: they come with those pages, and with no other. */
@Component({
  selector: 'hy-descriptions-styles',
  template: '',
  styleUrl: '../../../styles/library/descriptions.less',
  encapsulation: ViewEncapsulation.None,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DescriptionsStyles {}
