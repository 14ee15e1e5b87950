/** Whether people could take two numbers of cylinders for one: "c 7", "C-07" and "C07" are told apart by nobody on a van. */
export function sameNumber(one: string, other: string): boolean {
  const spoken = plainNumber(one);
  return spoken !== '' && spoken === plainNumber(other);
}

/** The runs of letters and of digits, these without the zeros before them. */
const plainNumber = (text: string): string =>
  (text.toLowerCase().match(/\p{L}+|\d+/gu) ?? []).map((run) => run.replace(/^0+(?=\d)/, '')).join('.');
