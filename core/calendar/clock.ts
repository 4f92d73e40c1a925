export const MINUTES_A_DAY = 1440
export const DAYS_A_WEEK = 7
