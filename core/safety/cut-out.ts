/**
 * Store at which the safety cut-out of a burner or an element ends its heat whatever the thermostat says, the pilot's too,
 * °C. Makers set it between about 80 and 95; it is what a failed or badly placed thermostat can do to a store.
 */
export const CUT_OUT_C = 88
