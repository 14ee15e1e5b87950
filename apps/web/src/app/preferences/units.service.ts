import { computed, inject, Injectable } from '@angular/core';
import { densityIn } from '@hygromet/core/units/density';
import { lengthIn } from '@hygromet/core/units/length';
import { massFrom, massIn, poundsOuncesOf, type MassUnit } from '@hygromet/core/units/mass';
import { atmosphereAt, pressureDifferenceIn, pressureIn } from '@hygromet/core/units/pressure';
import { altitude } from '@hygromet/core/units/quantity';
import { volumeFlowIn } from '@hygromet/core/units/volume-flow';
import { specificEnergyIn } from '@hygromet/core/units/specific-energy';
import { temperatureDifferenceIn, temperatureIn } from '@hygromet/core/units/temperature';
import { NOTHING_KG } from '@hygromet/core/account/ledger-resolution';
import { PreferencesService } from './preferences.service';
import { SiteAltitude } from './site-altitude.service';

/** A number with its unit, set apart so that the number can be drawn large. */
export interface FormattedQuantity {
  readonly number: string;
  readonly unit: string;
}

/** How a number is brought to the digits that are shown. A limit is never rounded up, and what is too much never down. */
export type Rounding = 'nearest' | 'down' | 'up';

const DECIMALS: Record<MassUnit, number> = { lb: 1, 'lb-oz': 0, oz: 0, kg: 2, g: 0 };
/** Below this a charge is told with one digit more. */
const SMALL_KG_SHOWN = 0.5;
/** Pa: less cannot be read on a gauge. */
const VACUUM_SHOWN = 1500;
const decimalsFor = (unit: MassUnit, kg: number) =>
  DECIMALS[unit] + (Math.abs(kg) > NOTHING_KG && Math.abs(kg) < SMALL_KG_SHOWN && unit !== 'g' && unit !== 'oz' ? 1 : 0);
const rounded = (value: number, decimals: number, rounding: Rounding) => {
  const step = 10 ** decimals;
  // a value that is a tenth but for its last bits is that tenth
  const digits = { nearest: Math.round(value * step), down: Math.floor(value * step + 1e-6), up: Math.ceil(value * step - 1e-6) };
  return digits[rounding] / step;
};

/** Quantities in the units of this person: the only place of the interface where SI becomes a text. */
@Injectable({ providedIn: 'root' })
export class Units {
  private readonly preferences = inject(PreferencesService).current;
  private readonly site = inject(SiteAltitude);
  /** Pa, at the organisation's altitude; as long as that is not known no page is open (`app-root`). */
  readonly atmosphere = computed(() => atmosphereAt(altitude(this.site.meters() ?? 0)));

  mass(kg: number, rounding: Rounding = 'nearest', unit: MassUnit = this.preferences().mass): FormattedQuantity {
    if (unit === 'lb-oz') return this.poundsOunces(kg, rounding);
    const decimals = decimalsFor(unit, kg);
    return { number: this.decimal(rounded(massIn(kg, unit), decimals, rounding), decimals), unit };
  }

  /** "38.8 lb" */
  massText(kg: number, rounding: Rounding = 'nearest', unit: MassUnit = this.preferences().mass): string {
    const { number, unit: label } = this.mass(kg, rounding, unit);
    return `${number} ${label}`.trim();
  }

  /** The unit that is not on this scale. */
  otherMassUnit(unit: MassUnit = this.preferences().mass): MassUnit {
    return unit === 'kg' || unit === 'g' ? 'lb' : 'kg';
  }

  /** "10.5 L": of circuits, in the unit of the field where it is typed. */
  volumeText(m3: number): string {
    const litres = m3 * 1000;
    return `${this.decimal(litres, litres < 20 ? 1 : 0)} L`;
  }

  temperature(T: number, decimals = 0): string {
    const { temperature } = this.preferences();
    return `${this.decimal(temperatureIn(T, temperature), decimals)} °${temperature}`;
  }

  temperatureShown(T: number): FormattedQuantity {
    const { temperature } = this.preferences();
    return { number: this.decimal(temperatureIn(T, temperature), 1), unit: `°${temperature}` };
  }

  temperatureUnit = (): 'F' | 'C' => this.preferences().temperature;
  temperatureNumber = (T: number): number => temperatureIn(T, this.preferences().temperature);
  /** What one degree of this person's thermometer is, K. */
  kelvinsInADegree = (): number => 1 / temperatureDifferenceIn(1, this.preferences().temperature);

  /** A vacuum is told in inches of mercury where gauges are read in psig: so are those gauges marked. */
  pressure(p: number): string {
    const { pressure } = this.preferences();
    const atmosphere = this.atmosphere();
    if (pressure === 'psig' && p < atmosphere - VACUUM_SHOWN)
      return $localize`${this.decimal(pressureIn(p, 'inHg', atmosphere), 0)} inHg vacuum`;
    return `${this.decimal(pressureIn(p, pressure, atmosphere), pressure === 'barg' ? 1 : 0)} ${PRESSURE_LABELS[pressure]}`;
  }

  /** A difference of pressures, Pa. */
  pressureStep(difference: number): string {
    const { pressure } = this.preferences();
    return `${this.decimal(pressureDifferenceIn(difference, pressure), pressure === 'barg' ? 1 : 0)} ${DIFFERENCE_LABELS[pressure]}`;
  }

  /** Of a gauge as this person reads it. */
  pressureShown(p: number): FormattedQuantity {
    const { pressure } = this.preferences();
    const value = pressureIn(p, pressure, this.atmosphere());
    return { number: this.decimal(value, pressure === 'barg' ? 2 : value < 100 ? 1 : 0), unit: PRESSURE_LABELS[pressure] };
  }

  pressureNumber = (p: number): number => pressureIn(p, this.preferences().pressure, this.atmosphere());
  pressureUnit = (): string => PRESSURE_LABELS[this.preferences().pressure];

  /** A difference of temperatures, K. */
  temperatureStep(difference: number): string {
    const { temperature } = this.preferences();
    return `${this.decimal(temperatureDifferenceIn(difference, temperature), 1)} °${temperature}`;
  }

  length(metres: number): string {
    return this.metric() ? `${this.decimal(metres, 1)} m` : $localize`${this.decimal(lengthIn(metres, 'ft'), 0)} ft`;
  }

  /** Of water, m³/s: without its unit, and its unit. */
  waterFlow(flow: number): FormattedQuantity {
    const unit = this.metric() ? 'L/s' : 'gpm';
    const value = volumeFlowIn(flow, unit);
    return { number: this.decimal(value, value < 20 ? 1 : 0), unit };
  }

  density(rho: number): string {
    return this.metric() ? $localize`${this.decimal(rho, 1)} kg/m³` : $localize`${this.decimal(densityIn(rho, 'lb/ft3'), 2)} lb/ft³`;
  }

  latentHeat(energy: number): string {
    return this.metric()
      ? `${this.decimal(specificEnergyIn(energy, 'kJ/kg'), 1)} kJ/kg`
      : `${this.decimal(specificEnergyIn(energy, 'Btu/lb'), 1)} Btu/lb`;
  }

  private readonly metric = () => this.preferences().mass === 'kg';

  percent = (share: number): string => `${this.decimal(share * 100, 0)} %`;

  decimal(value: number, decimals: number): string {
    const fixed = value.toFixed(decimals);
    // a nought has no sign
    const text = (Number(fixed) === 0 ? fixed.replace('-', '') : fixed).replace('-', '−');
    return this.preferences().decimalMark === ',' ? text.replace('.', ',') : text;
  }

  private poundsOunces(kg: number, rounding: Rounding): FormattedQuantity {
    const ounces = rounded(massIn(Math.abs(kg), 'oz'), 0, rounding);
    const { pounds, ounces: rest } = poundsOuncesOf(massFrom(ounces, 'oz'), 0);
    return { number: [`${kg < 0 ? '−' : ''}${pounds}`, 'lb', rest].join(' '), unit: 'oz' };
  }
}

const PRESSURE_LABELS = { psig: $localize`psig`, barg: $localize`bar gauge`, kPag: $localize`kPa gauge` } as const;
const DIFFERENCE_LABELS = { psig: 'psi', barg: 'bar', kPag: 'kPa' } as const;
