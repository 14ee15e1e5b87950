import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { render, settled, stage } from '../../../test/scene';
import { Computing } from './computing';
import type { Loadable } from './loadable';

@Component({
  selector: 'hy-told',
  imports: [Computing],
  template: `<p [hyComputing]="answer()">12.4 lb</p>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Told {
  readonly answer = input.required<Loadable<number>>();
}

test.each<[string, Loadable<number>, boolean]>([
  ['the answer to what is asked', { state: 'ready', value: 12 }, false],
  ['the answer to what was asked before', { state: 'ready', value: 12, stale: true }, true],
  ['nothing yet', { state: 'waiting' }, false],
  ['a failure', { state: 'failed', sentence: 'x' }, false],
])('%s: greyed %p', async (_, answer, greyed) => {
  stage();
  const { root, fixture } = await render(Told, { answer });
  const told = root.querySelector('p')!;
  expect([told.classList.contains('computing'), told.getAttribute('aria-busy')]).toEqual([greyed, greyed ? 'true' : null]);
  fixture.componentRef.setInput('answer', { state: 'ready', value: 13 });
  await settled(fixture);
  expect(told.classList.contains('computing')).toBe(false);
});
