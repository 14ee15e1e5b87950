/** "62 % R-410A + 38 % R-22", the heaviest first. */
export function mixtureName(contents: readonly { id: string; massKg: number }[], percent: (share: number) => string): string {
  const total = contents.reduce((sum, { massKg }) => sum + massKg, 0);
  return [...contents]
    .sort((a, b) => b.massKg - a.massKg)
    .map(({ id, massKg }) => `${percent(massKg / total)} ${id}`)
    .join(' + ');
}
