// @ts-check

/**
 * A file of the built application: its size on the wire, what it needs before it runs, and what it asks for later.
 * @typedef {{ bytes: number, needs: string[], later: string[] }} Built
 */

/** Bytes that one more request costs: its headers, and the wait for one of six connections. */
const REQUEST_COSTS = 2000;
/** Whoever opens one page does not load more than this for the sake of the others, at one stroke. */
const MOST_FOR_OTHERS = 2 * REQUEST_COSTS;
/** Files of the start from this size on stay on their own: the browser has a moment for other things between one and the next. */
const OWN_TASK_FROM = 15_000;

/**
 * @typedef {object} Group
 * @property {string[]} members
 * @property {Set<string>} entries who loads it
 * @property {number} bytes
 * @property {Set<string>} needs files of other groups
 */

/**
 * Which files of the built application become one. The bundler makes a file of its own for each set of pages that share something, a hundred
 * and more for one page; two become one where the requests saved outweigh what a page then loads for others. What a file needs still
 * runs before it: no two files ever need each other.
 * @param {Map<string, Built>} files @param {string} main where the application starts
 * @returns {string[][]}
 */
export function fileGroups(files, main) {
  let groups = loadedBy(files, main);
  for (;;) {
    const behind = everythingBehind(groups);
    const pair = best(groups, main, behind);
    if (pair === undefined) return groups.map(({ members }) => members);
    groups = joined(groups, behind, ...pair);
  }
}

/** Each file for itself, with the entries that load it: the start, and everything that is asked for later. @param {Map<string, Built>} files @param {string} main */
function loadedBy(files, main) {
  const start = reached(files, main);
  const entries = new Set([...files.values()].flatMap(({ later }) => later).filter((name) => !start.has(name)));
  /** @type {Map<string, Set<string>>} */
  const loaders = new Map([...start].map((name) => [name, new Set([main])]));
  for (const entry of entries) {
    for (const name of reached(files, entry)) {
      if (!start.has(name)) loaders.set(name, (loaders.get(name) ?? new Set()).add(entry));
    }
  }
  return [...loaders].map(([name, by]) => {
    const { bytes, needs } = built(files, name);
    return /** @type {Group} */ ({ members: [name], entries: by, bytes, needs: new Set(needs) });
  });
}

/** Everything that a file needs, itself included. @param {Map<string, Built>} files @param {string} from @param {Set<string>} [seen] */
function reached(files, from, seen = new Set()) {
  if (seen.has(from)) return seen;
  seen.add(from);
  for (const name of built(files, from).needs) reached(files, name, seen);
  return seen;
}

/** @param {Map<string, Built>} files @param {string} name @returns {Built} */
function built(files, name) {
  const file = files.get(name);
  if (file === undefined) throw new Error(`${name} is asked for, and is no file of the application.`);
  return file;
}

/** The two that are worth most as one, where any are. @param {Group[]} groups @param {string} main @param {Map<Group, Set<Group>>} behind @returns {[Group, Group] | undefined} */
function best(groups, main, behind) {
  const joinable = groups.filter(({ entries, bytes, members }) => !members.includes(main) && !(entries.has(main) && bytes > OWN_TASK_FROM));
  /** @type {[Group, Group] | undefined} */
  let most;
  let gained = 0;
  for (const [index, one] of joinable.entries()) {
    for (const other of joinable.slice(index + 1)) {
      const saved = REQUEST_COSTS * [...one.entries].filter((entry) => other.entries.has(entry)).length;
      if (saved <= gained) continue;
      const gain = saved - loadedForOthers(one, other, behind) - loadedForOthers(other, one, behind);
      if (gain > gained && !reachesByThird(one, other, behind) && !reachesByThird(other, one, behind)) {
        gained = gain;
        most = [one, other];
      }
    }
  }
  return most;
}

/** What those who load only one of two would load with it. @param {Group} loaded @param {Group} other @param {Map<Group, Set<Group>>} behind */
function loadedForOthers(loaded, other, behind) {
  let sum = 0;
  for (const entry of loaded.entries) {
    if (other.entries.has(entry)) continue;
    const more = [...(behind.get(other) ?? [])].reduce((bytes, group) => bytes + (group.entries.has(entry) ? 0 : group.bytes), 0);
    if (more > MOST_FOR_OTHERS) return Infinity;
    sum += more;
  }
  return sum;
}

/** Whether one needs the other by way of a third: as one they would need each other. @param {Group} from @param {Group} to @param {Map<Group, Set<Group>>} behind */
const reachesByThird = (from, to, behind) =>
  [...(behind.get(from) ?? [])].some((between) => between !== from && between !== to && behind.get(between)?.has(to));

/** Every group with all that it needs, itself included. @param {Group[]} groups */
function everythingBehind(groups) {
  const groupOf = new Map(groups.flatMap((group) => group.members.map((name) => /** @type {const} */ ([name, group]))));
  /** @type {Map<Group, Set<Group>>} */
  const behind = new Map();
  /** @param {Group} group @returns {Set<Group>} */
  const of = (group) => {
    const known = behind.get(group);
    if (known !== undefined) return known;
    const all = new Set([group]);
    behind.set(group, all);
    for (const name of group.needs) {
      const next = groupOf.get(name);
      if (next !== undefined) for (const each of of(next)) all.add(each);
    }
    return all;
  };
  groups.forEach(of);
  return behind;
}

/** @param {Group[]} groups @param {Map<Group, Set<Group>>} behind @param {Group} one @param {Group} other @returns {Group[]} */
function joined(groups, behind, one, other) {
  for (const [from, to] of /** @type {const} */ ([
    [one, other],
    [other, one],
  ])) {
    for (const group of behind.get(to) ?? []) {
      if (group !== one && group !== other) from.entries.forEach((entry) => group.entries.add(entry));
    }
  }
  const members = [...one.members, ...other.members];
  return [
    ...groups.filter((group) => group !== one && group !== other),
    {
      members,
      entries: new Set([...one.entries, ...other.entries]),
      bytes: one.bytes + other.bytes,
      needs: new Set([...one.needs, ...other.needs].filter((name) => !members.includes(name))),
    },
  ];
}
