import { TestBed } from '@angular/core/testing';
import { defer, of, throwError } from 'rxjs';
import { organisation, render, stage } from '../../../test/scene';
import { AppRoot } from '../app-root';
import { ApiError } from '../data/api-error';
import { Connection } from '../data/connection';
import { DraftStore } from '../data/draft-store';
import { SiteAltitude } from './site-altitude.service';
import { Units } from './units.service';

const KEPT_AS = 'hygromet.altitude';
const high = of({ ...organisation, altitudeM: 1609 });
const outage = throwError(() => new ApiError('unavailable', 'The database does not answer.'));

const opened = (organisation$: unknown, stored?: string) => {
  stage({ serverData: { organisation$ } });
  if (stored !== undefined) TestBed.inject(DraftStore).write(KEPT_AS, stored);
  const site = TestBed.inject(SiteAltitude);
  TestBed.tick();
  return site;
};

test('an altitude that could not be read is read again, and gauges are right from then on', () => {
  let works = false;
  const site = opened(defer(() => (works ? high : outage)));
  expect(site.meters()).toBeUndefined();
  works = true;
  TestBed.inject(Connection).tryAgain();
  expect(site.meters()).toBe(1609);
  // 83.4 kPa at 1609 m: U.S. Standard Atmosphere 1976
  expect(TestBed.inject(Units).atmosphere() / 1000).toBeCloseTo(83.4, 0);
});

test('a device that has heard it once goes by that while nothing answers', () => {
  const { meters } = opened(high);
  expect(meters()).toBe(1609);
  const kept = TestBed.inject(DraftStore).read(KEPT_AS);
  TestBed.resetTestingModule();
  expect(opened(outage, JSON.stringify(kept)).meters()).toBe(1609);
});

test.each(['', '{"altitudeM":', '{"altitudeM":"high"}', '{}'])('what is kept as %p is no altitude', (stored) => {
  expect(opened(outage, stored).meters()).toBeUndefined();
});

test('no page is opened before the altitude is known: without it no gauge tells a pressure', async () => {
  let works = false;
  stage({ serverData: { organisation$: defer(() => (works ? high : outage)) } });
  const { root, text, press } = await render(AppRoot);
  expect(root.querySelector('router-outlet')).toBeNull();
  expect(text()).toMatch(/The altitude of the firm cannot be read now\. ?The database does not answer\./);
  works = true;
  await press('Read again');
  expect(root.querySelector('router-outlet')).not.toBeNull();
});
