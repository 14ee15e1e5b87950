import { TestBed } from '@angular/core/testing';
import { AlarmSound } from './alarm-sound';

/** Tones that would be heard, by their frequency. */
let tones: number[];
class FakeContext {
  state = 'suspended';
  currentTime = 0;
  destination = {};
  resume = () => {
    this.state = 'running';
    return Promise.resolve();
  };
  close = () => Promise.resolve();
  createGain = () => ({
    gain: { setValueAtTime: () => undefined, linearRampToValueAtTime: () => undefined },
    connect: (to: unknown) => to,
  });
  createOscillator = () => {
    const tone = {
      type: '',
      frequency: { value: 0 },
      connect: (to: unknown) => to,
      start: () => void tones.push(tone.frequency.value),
      stop: () => undefined,
    };
    return tone;
  };
}

let sound: AlarmSound;
beforeEach(() => {
  tones = [];
  jest.useFakeTimers();
  Object.assign(window, { AudioContext: FakeContext });
  TestBed.configureTestingModule({ providers: [AlarmSound] });
  sound = TestBed.inject(AlarmSound);
});
afterEach(() => {
  TestBed.resetTestingModule();
  jest.useRealTimers();
});

test('nothing sounds before the page was touched, and the page can say so', async () => {
  sound.sound('now');
  expect([sound.ready(), tones]).toEqual([false, []]);
  await sound.wake();
  expect(sound.ready()).toBe(true);
});

test('an alarm goes on until it is stopped; beyond the stop it is another one', async () => {
  await sound.wake();
  sound.sound('now');
  jest.advanceTimersByTime(1500);
  const before = tones.length;
  expect(before).toBe(6);
  sound.sound('now'); // it sounds already
  expect(tones.length).toBe(before);
  sound.sound('over');
  expect(tones.slice(before)).toEqual([1180, 880, 1180]);
  sound.stop();
  jest.advanceTimersByTime(5000);
  expect(tones.length).toBe(before + 3);
});

test('a word beforehand is heard once', async () => {
  await sound.wake();
  sound.sound('once');
  jest.advanceTimersByTime(5000);
  expect(tones).toEqual([660]);
});
