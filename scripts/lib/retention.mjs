// @ts-check
/** How many backups stay: the newest of so many days, weeks and months. */
const KEPT = { days: 7, weeks: 4, months: 12 };

const NAME = /^hygromet-(\d{4})-(\d{2})-(\d{2})T(\d{2})(\d{2})(\d{2})Z\.dump$/;
const DAY_MS = 86_400_000;

/** When a backup was made, by its name; nothing for any other file. @param {string} name @returns {Date | undefined} */
export function madeAt(name) {
  const [, ...parts] = NAME.exec(name) ?? [];
  if (parts.length === 0) return undefined;
  const [year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0] = parts.map(Number);
  return new Date(Date.UTC(year, month - 1, day, hour, minute, second));
}

/** Of these files, the backups that nobody needs any more. @param {readonly string[]} names @returns {string[]} */
export function outlived(names) {
  const backups = names
    .flatMap((name) => {
      const made = madeAt(name);
      return made === undefined ? [] : [{ name, made }];
    })
    .sort((a, b) => b.made.getTime() - a.made.getTime());
  const kept = new Set([
    ...newestOfEach(backups, (made) => made.toISOString().slice(0, 10), KEPT.days),
    ...newestOfEach(backups, (made) => String(Math.floor((made.getTime() / DAY_MS - 4) / 7)), KEPT.weeks), // Monday to Sunday
    ...newestOfEach(backups, (made) => made.toISOString().slice(0, 7), KEPT.months),
  ]);
  return backups.map(({ name }) => name).filter((name) => !kept.has(name));
}

/** @param {{ name: string, made: Date }[]} backups newest first @param {(made: Date) => string} period @param {number} count */
function newestOfEach(backups, period, count) {
  /** @type {Map<string, string>} */
  const newest = new Map();
  for (const { name, made } of backups) if (!newest.has(period(made))) newest.set(period(made), name);
  return [...newest.values()].slice(0, count);
}

/** Whether it is time for another: a day after the last one. @param {readonly string[]} names @param {Date} now */
export function isDue(names, now) {
  const last = Math.max(...names.map((name) => madeAt(name)?.getTime() ?? -Infinity));
  return now.getTime() - last >= DAY_MS;
}
