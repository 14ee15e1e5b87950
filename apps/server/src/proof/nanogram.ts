/** A decimal number of PostgreSQL, exactly: `digits` × 10^−`scale`. */
interface Decimal {
  readonly digits: bigint;
  readonly scale: number;
}

const DECIMAL = /^(-?)(\d+)(?:\.(\d+))?(?:[eE]([+-]?\d+))?$/;

/** @throws where it is no decimal, such as NaN */
function decimal(text: string): Decimal {
  const match = DECIMAL.exec(text);
  if (match === null) throw new RangeError(`"${text}" is no number`);
  const [, sign = '', whole = '', fraction = '', exponent = '0'] = match;
  const digits = BigInt(sign + whole + fraction);
  const scale = fraction.length - Number(exponent);
  return scale >= 0 ? { digits, scale } : { digits: digits * 10n ** BigInt(-scale), scale: 0 };
}

const SCALE_DIGITS = 9;

/** Half away from zero, as PostgreSQL rounds. */
function rounded({ digits, scale }: Decimal): bigint {
  if (scale <= SCALE_DIGITS) return digits * 10n ** BigInt(SCALE_DIGITS - scale);
  const unit = 10n ** BigInt(scale - SCALE_DIGITS);
  const half = digits < 0n ? -unit / 2n : unit / 2n;
  return (digits + half) / unit;
}

/** kg as text → whole billionths of a kilogram: sums of them are exact. @throws where it is no number */
export const nanograms = (kg: string): bigint => rounded(decimal(kg));

/** What a share of a mass comes to, as the ledger keeps it. @throws where one of them is no number */
export function shareOf(kg: string, share: string): bigint {
  const [mass, part] = [decimal(kg), decimal(share)];
  return rounded({ digits: mass.digits * part.digits, scale: mass.scale + part.scale });
}

/** As a person reads it. */
export function inKg(amount: bigint): string {
  const digits = (amount < 0n ? -amount : amount).toString().padStart(SCALE_DIGITS + 1, '0');
  return `${amount < 0n ? '−' : ''}${digits.slice(0, -SCALE_DIGITS)}.${digits.slice(-SCALE_DIGITS)} kg`;
}
