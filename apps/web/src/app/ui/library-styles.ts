import { ChangeDetectionStrategy, Component, ViewEncapsulation } from '@angular/core';

/** Styles of library parts that few pages use: each comes with the page that names it, not with the first load. */

@Component({
  selector: 'hy-form-styles',
  template: '',
  styleUrl: '../../styles/library/form.less',
  encapsulation: ViewEncapsulation.None,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FormStyles {}

@Component({
  selector: 'hy-steps-styles',
  template: '',
  styleUrl: '../../styles/library/steps.less',
  encapsulation: ViewEncapsulation.None,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepsStyles {}

@Component({
  selector: 'hy-descriptions-styles',
  template: '',
  styleUrl: '../../styles/library/descriptions.less',
  encapsulation: ViewEncapsulation.None,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DescriptionsStyles {}

@Component({
  selector: 'hy-timeline-styles',
  template: '',
  styleUrl: '../../styles/library/timeline.less',
  encapsulation: ViewEncapsulation.None,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TimelineStyles {}

@Component({
  selector: 'hy-popconfirm-styles',
  template: '',
  styleUrl: '../../styles/library/popconfirm.less',
  encapsulation: ViewEncapsulation.None,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PopconfirmStyles {}

@Component({
  selector: 'hy-radio-styles',
  template: '',
  styleUrl: '../../styles/library/radio.less',
  encapsulation: ViewEncapsulation.None,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RadioStyles {}

@Component({
  selector: 'hy-checkbox-styles',
  template: '',
  styleUrl: '../../styles/library/checkbox.less',
  encapsulation: ViewEncapsulation.None,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CheckboxStyles {}
