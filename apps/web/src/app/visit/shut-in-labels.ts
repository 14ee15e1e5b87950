import { WATCHED_MINUTES, type ShutIn } from '@hygromet/core/planning/shut-in';
import type { Units } from '../preferences/units.service';

type Tell = Pick<Units, 'pressure' | 'decimal'>;

/** What a shut-in system shows, in one sentence with its numbers. @param level Pa absolute */
export function shutInText({ verdict, watchedS, p, rests }: ShutIn, level: number, tell: Tell): string {
  const minutes = tell.decimal(watchedS / 60, watchedS < 600 ? 1 : 0);
  const rest =
    rests === undefined ? '' : $localize` It comes to rest at ${tell.pressure(rests.likely)}, at most ${tell.pressure(rests.most)}.`;
  switch (verdict) {
    case 'passed':
      return $localize`It stands at ${tell.pressure(p)}, above the level of ${tell.pressure(level)}\: recover again, then shut it in anew.`;
    case 'will-pass':
      return $localize`It rises, and will pass the level of ${tell.pressure(level)}.${rest} Recover again now: the oil is warm.`;
    case 'watching':
      return $localize`Watched for ${minutes} of ${WATCHED_MINUTES} minutes.${rest}`;
    case 'rises':
      return $localize`After ${minutes} minutes it still rises, and may pass the level of ${tell.pressure(level)}.${rest} Watch on, or recover again.`;
    case 'stays':
      return $localize`Stayed at or below ${tell.pressure(level)} for ${minutes} minutes.${rest}`;
    default:
      return verdict satisfies never;
  }
}
