/** What a controller may command besides heaters: names that no heater can have. */
export const CIRCULATION = 'hot water circulation'
export const SPACE_HEATING = 'space heating'
