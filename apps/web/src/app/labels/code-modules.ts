import { create } from 'qrcode';

/** Empty modules around a code, without which it cannot be read. */
export const QUIET_MODULES_COUNT = 4;

export interface CodeModules {
  /** Modules along a side, the quiet ones included. */
  readonly side: number;
  /** Dark modules by column and row from the upper left, the quiet ones included. */
  readonly dark: readonly (readonly [number, number])[];
}

/** The modules of the code (QR, error correction M) of a text. */
export function modulesOf(text: string): CodeModules {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const dark: [number, number][] = [];
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column)) dark.push([column + QUIET_MODULES_COUNT, row + QUIET_MODULES_COUNT]);
  return { side: modules.size + 2 * QUIET_MODULES_COUNT, dark };
}
