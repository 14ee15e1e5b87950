import { allSubstances } from '@hygromet/core/fluids/substance';
import { UNKNOWN_ID } from '@hygromet/core/cylinder/unknown-content';
import type { BookedBalance, BookedPart, ProvedEntry } from '../store/proof-store';
import { inKg, nanograms, shareOf } from './nanogram';

const known = new Set([...allSubstances.map(({ id }) => id), UNKNOWN_ID]);
const SAME_AS_ONE = 1_000n; // billionths: a composition is written with rounded shares

/** Adds entries up, exactly, and looks at each of them. */
export class EntrySums {
  readonly faults: string[] = [];
  readonly #masses = new Map<string, bigint>();
  readonly #entries = new Map<string, number>();
  readonly #parts = new Map<string, bigint>();
  /** Of each entry that is reversed, what its reversal has to mirror. */
  readonly #sides = new Map<string, string>();

  /** @param reversed which entries are reversed: only of these something has to be remembered, however many there are */
  constructor(
    private readonly nameOf: (account: string) => string,
    private readonly reversed: ReadonlySet<string>,
  ) {}

  add(entry: ProvedEntry): void {
    try {
      this.#looked(entry);
      this.#booked(entry.from, entry, -1n);
      this.#booked(entry.to, entry, 1n);
    } catch (error) {
      this.faults.push(`Entry ${entry.id}: ${error instanceof Error ? error.message : String(error)}.`);
    }
  }

  #looked({ id, from, to, mass, shares, reverses }: ProvedEntry): void {
    if (nanograms(mass) <= 0n) throw new RangeError(`it moves ${mass} kg`);
    const stranger = Object.keys(shares).find((substance) => !known.has(substance));
    if (stranger !== undefined) throw new RangeError(`${stranger} is no substance`);
    const whole = Object.values(shares).reduce((sum, share) => sum + nanograms(share), 0n);
    if (whole < 1_000_000_000n - SAME_AS_ONE || whole > 1_000_000_000n + SAME_AS_ONE) throw new RangeError('its shares do not sum to one');
    const side = (one: string, other: string) => [one, other, mass, JSON.stringify(shares)].join(' ');
    if (this.reversed.has(id)) this.#sides.set(id, reverses === null ? side(from, to) : 'itself a reversal');
    if (reverses !== null && this.#sides.get(reverses) !== side(to, from))
      throw new RangeError(`it does not mirror the entry ${reverses} that it reverses`);
  }

  #booked(account: string, { mass, shares }: ProvedEntry, sign: bigint): void {
    this.#masses.set(account, (this.#masses.get(account) ?? 0n) + sign * nanograms(mass));
    this.#entries.set(account, (this.#entries.get(account) ?? 0) + 1);
    for (const [substance, share] of Object.entries(shares)) {
      const key = `${account} ${substance}`;
      this.#parts.set(key, (this.#parts.get(key) ?? 0n) + sign * shareOf(mass, share));
    }
  }

  /** Where a balance is not what its entries come to. */
  differences(balances: readonly BookedBalance[], parts: readonly BookedPart[]): readonly string[] {
    return [
      ...this.#compared(
        balances.map(({ account, mass }) => [account, mass]),
        this.#masses,
      ),
      ...this.#compared(
        parts.map(({ account, substance, mass }) => [`${account} ${substance}`, mass]),
        this.#parts,
      ),
      ...balances
        .filter(({ account, entries }) => entries !== (this.#entries.get(account) ?? 0))
        .map(({ account, entries }) => `${this.nameOf(account)} counts ${entries} entries; there are ${this.#entries.get(account) ?? 0}.`),
    ];
  }

  #compared(booked: readonly (readonly [string, string])[], summed: ReadonlyMap<string, bigint>): readonly string[] {
    const known = new Map(booked);
    return [...new Set([...known.keys(), ...summed.keys()])].flatMap((key) => {
      const [account = key, substance] = key.split(' ');
      const what = `${this.nameOf(account)}${substance === undefined ? '' : `, ${substance}`}`;
      const sum = summed.get(key) ?? 0n;
      const text = known.get(key) ?? '0';
      try {
        return nanograms(text) === sum ? [] : [`${what}: the balance says ${text} kg, its entries come to ${inKg(sum)}.`];
      } catch {
        return [`${what}: the balance says ${text} kg, which is no number.`];
      }
    });
  }
}
