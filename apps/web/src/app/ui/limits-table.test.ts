import { TestBed } from '@angular/core/testing';
import { fillLimits } from '@hygromet/core/cylinder/fill-limit';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { kilogram } from '@hygromet/core/units/quantity';
import { fahrenheit } from '@hygromet/core/units/temperature';
import { volumeFrom } from '@hygromet/core/units/volume';
import { massFrom } from '@hygromet/core/units/mass';
import { of } from 'rxjs';
import { ServerData } from '../data/server-data.service';
import { LimitsTable } from './limits-table';

async function drawn() {
  TestBed.configureTestingModule({
    imports: [LimitsTable],
    providers: [{ provide: ServerData, useValue: { organisation$: of({ altitudeM: 0 }) } }],
  });
  const { limits, ruling } = fillLimits({
    composition: refrigerant('R-410A').composition,
    volume: volumeFrom(26.2, 'lb-water'),
    tare: massFrom(17.2, 'lb'),
    content: kilogram(3.357),
    hottest: fahrenheit(140),
  });
  const fixture = TestBed.createComponent(LimitsTable);
  fixture.componentRef.setInput('limits', limits);
  fixture.componentRef.setInput('ruling', ruling.rule);
  await fixture.whenStable();
  return fixture.nativeElement as HTMLElement;
}

test('what is required stands first, the ruling limit is marked, advice says so', async () => {
  const rows = [...(await drawn()).querySelectorAll('tbody tr')];
  expect(rows.map((row) => row.querySelector('button')!.textContent.trim())).toEqual([
    'Not liquid-full at the hottest location',
    'Not liquid-full at 131 °F',
    '80 % at 77 °F',
    '80 % at the hottest location',
    'UN P200',
  ]);
  expect(rows.map((row) => row.classList.contains('rules'))).toEqual([true, false, false, false, false]);
  expect(rows.map((row) => row.textContent.includes('advice'))).toEqual([false, false, false, true, true]);
});

test('net is told as computed, the reading of the scale rounded down', async () => {
  const cells = [...(await drawn()).querySelectorAll('tbody tr:first-child td')].map((cell) => cell.textContent.trim());
  expect(cells).toEqual(['20.3 lb', '37.5 lb', '+12.9']);
});
