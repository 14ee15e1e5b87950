import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { painted, render } from '../../../test/scene';
import { afterItsPaint, afterPaint$, oncePainted } from './after-paint';
import { OpenAfterPaint } from './open-after-paint';

const order: string[] = [];

test('it comes after the frame that is under way', async () => {
  order.length = 0;
  requestAnimationFrame(() => order.push('frame'));
  await new Promise<void>((resolve) => {
    afterPaint$.subscribe(() => order.push('after'));
    setTimeout(resolve, 300);
  });
  expect(order).toEqual(['frame', 'after']);
});

test('a page that is not seen, and so never painted, goes on all the same', async () => {
  const frames = jest.spyOn(globalThis, 'requestAnimationFrame').mockReturnValue(1);
  try {
    await new Promise<void>((resolve) => afterPaint$.subscribe(resolve));
    expect(frames).toHaveBeenCalled();
  } finally {
    frames.mockRestore();
  }
});

test('whoever stops waiting hears nothing', async () => {
  order.length = 0;
  afterPaint$.subscribe(() => order.push('after')).unsubscribe();
  await new Promise((resolve) => setTimeout(resolve, 300));
  expect(order).toEqual([]);
});

@Component({
  template: `{{ open() ? 'open' : 'shut' }}, {{ drawn() ? 'drawn' : 'not drawn' }}`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Door {
  static readonly open = signal(false);
  readonly open = Door.open;
  readonly drawn = oncePainted(this.open);
}

test('what is large is drawn a frame after the key that opens it, and goes together with it', async () => {
  Door.open.set(false);
  const { text, fixture } = await render(Door);
  expect(text()).toBe('shut, not drawn');
  Door.open.set(true);
  fixture.detectChanges();
  expect(text()).toBe('open, not drawn');
  await new Promise((resolve) => setTimeout(resolve, 300));
  fixture.detectChanges();
  expect(text()).toBe('open, drawn');
  Door.open.set(false);
  fixture.detectChanges();
  expect(text()).toBe('shut, not drawn');
});

@Component({
  template: `{{ touched() }}, facts of {{ drawn() }}`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class PartsMap {
  static readonly touched = signal('');
  readonly touched = PartsMap.touched;
  readonly drawn = afterItsPaint(this.touched);
}

test('what a mark is about follows it one paint later; of two touches the last one is drawn', async () => {
  PartsMap.touched.set('unit');
  const { text, fixture } = await render(PartsMap);
  expect(text()).toBe('unit, facts of unit');
  for (const part of ['receiver', 'compressor']) {
    PartsMap.touched.set(part);
    fixture.detectChanges();
    expect(text()).toBe(`${part}, facts of unit`);
  }
  await painted(fixture);
  expect(text()).toBe('compressor, facts of compressor');
});

@Component({
  imports: [FormsModule, NzSelectModule, OpenAfterPaint],
  template: `<nz-select hyOpenAfterPaint nzShowSearch [nzOptions]="options" [nzDisabled]="disabled()" [(ngModel)]="chosen" />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Field {
  static readonly disabled = signal(false);
  readonly disabled = Field.disabled;
  readonly options = [{ value: 'R-32', label: 'R-32' }];
  readonly chosen = signal('');
}

const touched = async () => {
  const { fixture } = await render(Field);
  const field = (fixture.nativeElement as HTMLElement).querySelector('nz-select')!;
  field.dispatchEvent(new MouseEvent('click', { bubbles: true }));
  fixture.detectChanges();
  const atOnce = field.classList.contains('ant-select-open');
  await new Promise((resolve) => setTimeout(resolve, 300));
  fixture.detectChanges();
  return [atOnce, field.classList.contains('ant-select-open')];
};

test('a long list opens with the frame after the touch, one that is off not at all', async () => {
  Field.disabled.set(false);
  expect(await touched()).toEqual([false, true]);
  Field.disabled.set(true);
  expect(await touched()).toEqual([false, false]);
});
