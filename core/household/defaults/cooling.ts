import type { Site } from '../../study/site'

/** Months whose mean air is above this are cooled where a house is cooled at all, °C; heat taken out for each kWh. */
const COOLED_FROM_C = 20
const EFFICIENCY = 3

/** Cooling as it is taken to be until somebody has asked. */
export const assumedCooling = ({ monthlyAirC }: Pick<Site, 'monthlyAirC'>): NonNullable<Site['cooling']> => ({
  months: monthlyAirC.map((c) => c > COOLED_FROM_C),
  efficiency: EFFICIENCY,
})
