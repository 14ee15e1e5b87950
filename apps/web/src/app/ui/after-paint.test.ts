import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { painted, render } from '../../../test/scene';
import { afterItsPaint, afterPaint$, oncePainted } from './after-paint';
import { ListAfterPaint } from './list-after-paint';
import { SelectAfterPaint } from './select-after-paint';

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
  imports: [FormsModule, NzSelectModule, SelectAfterPaint],
  template: `<nz-select hyAfterPaint nzShowSearch [nzOptions]="options" [nzDisabled]="disabled()" [(ngModel)]="chosen" />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Field {
  static readonly disabled = signal(false);
  readonly disabled = Field.disabled;
  readonly options = ['R-32', 'R-410A', 'R-454B'].map((label) => ({ value: label, label }));
  readonly chosen = signal('');
}

describe('a long list', () => {
  const opened = async (disabled = false) => {
    Field.disabled.set(disabled);
    const { fixture, root } = await render(Field);
    const field = root.querySelector('nz-select')!;
    field.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    fixture.detectChanges();
    return {
      fixture,
      field,
      atOnce: field.classList.contains('ant-select-open'),
      input: field.querySelector('input')!,
      chosen: fixture.componentInstance.chosen,
      option: (label: string) => document.querySelector<HTMLElement>(`nz-option-item[title="${label}"]`),
      seen: () => [...document.querySelectorAll('nz-option-item')].map((option) => option.getAttribute('title')),
      later: async () => {
        await painted(fixture);
        fixture.detectChanges();
        await painted(fixture);
      },
    };
  };
  const type = (input: HTMLInputElement, text: string) => {
    input.value = text;
    input.dispatchEvent(new Event('input', { bubbles: true }));
  };

  test('opens with the frame after the touch, one that is off not at all', async () => {
    const { atOnce, field, later } = await opened();
    await later();
    expect([atOnce, field.classList.contains('ant-select-open')]).toEqual([false, true]);
    const off = await opened(true);
    await off.later();
    expect([off.atOnce, off.field.classList.contains('ant-select-open')]).toEqual([false, false]);
  });

  test('is searched with the frame after the letter', async () => {
    const { fixture, input, seen, later } = await opened();
    await later();
    expect(seen()).toEqual(['R-32', 'R-410A', 'R-454B']);
    type(input, '454');
    fixture.detectChanges();
    expect(seen()).toHaveLength(3);
    await later();
    expect(seen()).toEqual(['R-454B']);
  });

  test('a letter that opens it stands in it, and is searched', async () => {
    Field.disabled.set(false);
    const { fixture, root } = await render(Field);
    const input = root.querySelector('input')!;
    input.dispatchEvent(new KeyboardEvent('keydown', { key: '4', bubbles: true }));
    type(input, '4');
    await painted(fixture);
    fixture.detectChanges();
    await painted(fixture);
    expect(input.value).toBe('4');
    expect([...document.querySelectorAll('nz-option-item')].map((option) => option.getAttribute('title'))).toEqual(['R-410A', 'R-454B']);
  });

  test('Enter at once after the letters takes what they find', async () => {
    const { input, chosen, later } = await opened();
    await later();
    type(input, '454');
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    expect(chosen()).toBe('');
    await later();
    expect(chosen()).toBe('R-454B');
  });

  test('marks the option that was hit, and takes it with the next frame', async () => {
    const { option, chosen, later, field } = await opened();
    await later();
    const hit = option('R-410A')!;
    hit.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    expect([hit.classList.contains('ant-select-item-option-selected'), chosen()]).toEqual([true, '']);
    await later();
    expect([chosen(), field.classList.contains('ant-select-open')]).toEqual(['R-410A', false]);
  });

  test('of two lists that are open each takes its own option, and neither closes the other', async () => {
    const one = await opened();
    await one.later();
    const { fixture, root } = await render(Field);
    const field = root.querySelector('nz-select')!;
    const hit = one.option('R-410A')!;
    hit.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    // by key, before the choice of the first is taken
    field.querySelector('input')!.dispatchEvent(new KeyboardEvent('keydown', { key: 'f', bubbles: true }));
    fixture.detectChanges();
    expect(field.classList.contains('ant-select-open')).toBe(true);
    await one.later();
    expect([one.chosen(), one.field.classList.contains('ant-select-open')]).toEqual(['R-410A', false]);
    expect([fixture.componentInstance.chosen(), field.classList.contains('ant-select-open')]).toEqual(['', true]);
  });
});

@Component({
  imports: [ListAfterPaint],
  template: `<select [disabled]="disabled()">
    <option>lb</option>
    <option>kg</option>
  </select>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class ShortList {
  static readonly disabled = signal(false);
  readonly disabled = ShortList.disabled;
}

describe('a short list', () => {
  const known = [globalThis.CSS, globalThis.matchMedia] as const;
  const picker = jest.fn();
  /** A browser that opens lists in the page, by a mouse or a thumb. */
  const pressed = async (by: 'mouse' | 'thumb', { button = 0, disabled = false } = {}) => {
    HTMLSelectElement.prototype.showPicker = picker.mockClear();
    globalThis.CSS = { supports: () => true } as unknown as typeof CSS;
    globalThis.matchMedia = () => ({ matches: by === 'mouse' }) as MediaQueryList;
    ShortList.disabled.set(disabled);
    const { fixture, root } = await render(ShortList);
    document.body.append(root);
    const list = root.querySelector('select')!;
    // the engine of the tests knows no open lists
    list.matches = (() => false) as unknown as typeof list.matches;
    const event = new MouseEvent('mousedown', { button, cancelable: true });
    list.dispatchEvent(event);
    const atOnce = picker.mock.calls.length;
    await painted(fixture);
    return { held: event.defaultPrevented, focused: document.activeElement === list, atOnce, later: picker.mock.calls.length };
  };
  afterEach(() => {
    [globalThis.CSS, globalThis.matchMedia] = known;
    Reflect.deleteProperty(HTMLSelectElement.prototype, 'showPicker');
  });

  test('is marked by the press of a mouse, and opens with the frame after it', async () => {
    expect(await pressed('mouse')).toEqual({ held: true, focused: true, atOnce: 0, later: 1 });
  });

  test.each([
    ['a thumb', 'thumb', {}],
    ['another key of the mouse', 'mouse', { button: 2 }],
    ['a list that is off', 'mouse', { disabled: true }],
  ] as const)('%s is left to the browser', async (_, by, options) => {
    expect(await pressed(by, options)).toMatchObject({ held: false, later: 0 });
  });
});
