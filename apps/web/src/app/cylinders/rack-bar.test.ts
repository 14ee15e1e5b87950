import { OverlayContainer } from '@angular/cdk/overlay';
import { TestBed } from '@angular/core/testing';
import { render, settled, stage } from '../../../test/scene';
import { RackBar } from './rack-bar';
import type { RackView } from './rack-view';

const filters = [
  { id: 'all', name: 'All 16', grave: false },
  { id: 'empty', name: 'Empty 4', grave: false },
];
const open = async (view: Partial<RackView> = {}) => {
  stage();
  const page = await render(RackBar, { view: { search: '', filter: 'all', as: 'rack', by: 'place', ...view }, filters });
  const changes: object[] = [];
  page.fixture.componentInstance.changed.subscribe((change) => changes.push(change));
  const menu = async (name: string) => {
    page.root.querySelector<HTMLButtonElement>(`button[aria-label=${name}]`)!.click();
    await settled(page.fixture);
    const items = [...TestBed.inject(OverlayContainer).getContainerElement().querySelectorAll<HTMLButtonElement>('.menu button')];
    return { items, pick: (label: string) => items.find(({ textContent }) => textContent?.trim() === label)!.click() };
  };
  return { ...page, changes, menu };
};

test('the menu of filters names each with its number, and the one that is set', async () => {
  const { menu, changes } = await open({ filter: 'empty' });
  const filter = await menu('Filter');
  expect(filter.items.map((item) => [item.textContent?.trim(), item.getAttribute('aria-checked')])).toEqual([
    ['All 16', 'false'],
    ['Empty 4', 'true'],
  ]);
  filter.pick('All 16');
  expect(changes).toEqual([{ filter: 'all' }]);
});

test('a filter that hides cylinders is told under the row, with the way back', async () => {
  const all = await open();
  expect(all.text()).not.toContain('Show all');
  TestBed.resetTestingModule();
  const some = await open({ filter: 'empty' });
  expect(some.text()).toContain('Empty 4');
  await some.press('Show all');
  expect(some.changes).toEqual([{ filter: 'all' }]);
});

test('shelves, export and choosing are in the menu', async () => {
  const { menu, changes, fixture } = await open();
  const told: string[] = [];
  fixture.componentInstance.exported.subscribe((format) => told.push(format));
  fixture.componentInstance.chooses.subscribe(() => told.push('choose'));
  (await menu('More')).pick('As a table');
  (await menu('More')).pick('Export as CSV');
  (await menu('More')).pick('Select multiple');
  expect(changes).toEqual([{ as: 'table' }]);
  expect(told).toEqual(['csv', 'choose']);
});
