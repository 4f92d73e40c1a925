/**
 * Density of liquid water at atmospheric pressure.
 *
 * @param tempC water temperature, 0 to 100 °C
 * @returns kg/m³
 * Source: Kell (1975); within 0.01 % of the tables from 0 to 100 °C.
 * @example density(40) // 992.22
 */
export function density(tempC: number): number {
  const t = tempC
  const top =
    999.83952 + t * (16.945176 + t * (-7.9870401e-3 + t * (-46.170461e-6 + t * (105.56302e-9 - 280.54253e-12 * t))))
  return top / (1 + 16.87985e-3 * t)
}

/**
 * Specific heat of liquid water at constant pressure.
 *
 * @param tempC water temperature, 0 to 100 °C
 * @returns kJ/(kg·K)
 * Source: Popiel & Wojtkowiak (1998); within 0.05 % of the tables.
 * @example specificHeat(60) // 4.1846
 */
export function specificHeat(tempC: number): number {
  const t = tempC
  return 4.2174356 - 5.6181625e-3 * t + 1.2992528e-3 * t ** 1.5 - 1.1535353e-4 * t * t + 4.14964e-6 * t ** 2.5
}

/**
 * Dynamic viscosity of liquid water.
 *
 * @param tempC water temperature, 0 to 100 °C
 * @returns Pa·s
 * Source: Vogel form, 2.414e-5 × 10^(247.8/(T+133.15)), T in °C; within 2.5 % from 0 to 100 °C.
 */
export function viscosity(tempC: number): number {
  return 2.414e-5 * 10 ** (247.8 / (tempC + 133.15))
}

/**
 * Heat held by a litre of water for each kelvin, kJ/(L·K): the value at 40 °C, 992.22 kg/m³ × 4.1788 kJ/(kg·K).
 *
 * The yearly engine uses this one figure throughout so that its ledger closes exactly. Against the
 * temperature-dependent values it is off by at most +0.4 % / −1.3 % between 5 and 65 °C.
 */
export const KJ_PER_LITRE_K = 4.146
