import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { render, stage } from '../../../test/scene';
import { AskedButton } from './asked-button';

@Component({
  imports: [AskedButton],
  template: `{{ times() }} times
    <hy-asked-button label="Discard" question="Discard what you typed?" keep="Keep it" (confirmed)="times.set(times() + 1)" />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Host {
  readonly times = signal(0);
}

test('what cannot be taken back is asked first, and done only where that is answered', async () => {
  stage({ id: '' });
  const { press, answer, text } = await render(Host);
  await press('Discard');
  expect(document.querySelector('.ant-popover')?.textContent).toContain('Discard what you typed?');
  await answer('Keep it');
  expect(text()).toContain('0 times');
  await press('Discard');
  await answer('Discard');
  expect(text()).toContain('1 times');
});
