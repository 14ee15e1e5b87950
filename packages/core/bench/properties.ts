import { refrigerant } from '../src/fluids/refrigerant';
import { fillLimits } from '../src/cylinder/fill-limit';
import { compositionOf } from '../src/fluids/composition';
import { leak } from '../src/thermo/leak';
import { saturationTable } from '../src/thermo/saturation-table';
import { closedVolume } from '../src/thermo/closed-volume';
import { liquidFull } from '../src/thermo/liquid-full';
import { bubblePoint, dewPoint } from '../src/thermo/saturation';
import { cubicMetre, density, kelvin, kilogram } from '../src/units/quantity';

/** Rows that the comparison times as well: boiling liquid, or half boiled away (its nearest to a closed vessel that answers for every blend). */
export const compared: Readonly<Record<string, { readonly refrigerant: string; readonly vapourShare: number }>> = {
  'bubble point of R-410A, 2 components': { refrigerant: 'R-410A', vapourShare: 0 },
  'bubble point of R-407C, 3 components': { refrigerant: 'R-407C', vapourShare: 0 },
  'bubble point of R-448A, 5 components': { refrigerant: 'R-448A', vapourShare: 0 },
  'closed volume of R-410A': { refrigerant: 'R-410A', vapourShare: 0.5 },
  'closed volume of R-448A': { refrigerant: 'R-448A', vapourShare: 0.5 },
};

/** Mass fractions of a refrigerant, for the comparison. */
export const compositionFor = (id: string) => of(id);

/** What is timed: each takes the number of its call, so that no two calls ask the same. */
const temperature = (k: number) => kelvin(253.15 + (k % 60));
const of = (id: string) => refrigerant(id).composition;
const V = cubicMetre(0.0119);

const table = saturationTable(of('R-410A'));

export const tasks: Readonly<Record<string, (k: number) => unknown>> = {
  'saturation of R-134a, 1 component': (k) => bubblePoint(of('R-134a'), temperature(k)),
  'saturation of R-744, 1 component': (k) => bubblePoint(of('R-744'), kelvin(233.15 + (k % 60))),
  'bubble point of R-410A, 2 components': (k) => bubblePoint(of('R-410A'), temperature(k)),
  'bubble point of R-407C, 3 components': (k) => bubblePoint(of('R-407C'), temperature(k)),
  'bubble point of R-448A, 5 components': (k) => bubblePoint(of('R-448A'), temperature(k)),
  'dew point of R-448A, 5 components': (k) => dewPoint(of('R-448A'), temperature(k)),
  'closed volume of R-410A': (k) => closedVolume(of('R-410A'), V, kilogram(1 + (k % 9)), temperature(k)),
  'closed volume of R-448A': (k) => closedVolume(of('R-448A'), V, kilogram(1 + (k % 9)), temperature(k)),
  'liquid-full temperature of R-410A': (k) => liquidFull(of('R-410A'), density(850 + (k % 200))),
  'slow leak of R-407C to 75 %': (k) => leak(of('R-407C'), V, kilogram(6), temperature(k), 'vapour', [0.25, 0.5, 0.75]),
  'saturation table of a mixture, built': (k) => saturationTable(compositionOf({ 'R-32': 0.4 + 1e-9 * k, 'R-125': 0.6 - 1e-9 * k })),
  'saturation table, one look-up': (k) => table.at(temperature(k)),
  'all fill limits of R-410A': (k) =>
    fillLimits({ composition: of('R-410A'), volume: V, tare: kilogram(7.8), content: kilogram(1), hottest: kelvin(313.15 + (k % 20)) }),
};
