import type { Level } from '@hygromet/core/cylinder/level';
import { HOT_REFERENCE } from '@hygromet/core/cylinder/reference-temperatures';
import type { Units } from '../preferences/units.service';
import type { DrawnLevel } from '../ui/cylinder-drawing';

/** The levels of a drawing in words, highest first, so that the lower is drawn over it: now, filled and in the heat, or now and in the heat. */
export function drawnLevels(levels: readonly Level[] | undefined, units: Units, filled = $localize`at the stop`): readonly DrawnLevel[] {
  const [now, ...others] = levels ?? [];
  const hot = others.at(-1);
  const stop = others.length > 1 ? others[0] : undefined;
  if (now === undefined || hot === undefined) return [];
  return [
    { kind: 'hot', share: hot.liquidShare, title: $localize`at ${units.temperature(HOT_REFERENCE)}`, text: words(hot, units) },
    ...(stop === undefined ? [] : [{ kind: 'stop' as const, share: stop.liquidShare, title: filled, text: stopWords(stop, units) }]),
    {
      kind: 'now',
      share: now.liquidShare,
      title: now.state === 'two-liquids' ? $localize`now, two layers` : $localize`now`,
      text: words(now, units),
    },
  ];
}

function words(level: Level, units: Units): string {
  switch (level.state) {
    case 'empty':
      return $localize`empty`;
    case 'vapour':
      return `vapor · ${units.pressure(level.p)}`;
    case 'two-phase':
    case 'two-liquids':
      return `${units.percent(level.liquidShare)} · ${units.pressure(level.p)}`;
    case 'liquid-full':
      return `liquid-full · ${units.pressure(level.p)}`;
    default:
      return level satisfies never;
  }
}

const stopWords = (level: Level, units: Units): string =>
  level.state === 'two-phase'
    ? $localize`${units.percent(level.liquidShare)} · ${units.percent(1 - level.liquidShare)} free`
    : words(level, units);
