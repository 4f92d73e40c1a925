import { displayOf } from '../study/display-of'
import type { Study } from '../study/study'
import { wordsOf } from '../study/words-of'
import type { YearResult } from '../year/result'
import { AS_READ_CHECKS } from './as-read'
import { type Check, check, type Rule, type Visit } from './check'
import { CIRCULATION_CHECKS } from './circulation'
import { COMBUSTION_CHECKS } from './combustion'
import { CONTROLLERS_CHECKS } from './controllers'
import { CONTROLS_CHECKS } from './controls'
import { DELIVERY_CHECKS } from './delivery'
import { ELECTRICAL_CHECKS } from './electrical'
import { ENTRIES_CHECKS } from './entries'
import { FIRE_CHECKS } from './fire'
import { FLOW_CHECKS } from './flow'
import { FROST_CHECKS } from './frost'
import { HEATING_CHECKS } from './heating'
import { HYGIENE_CHECKS } from './hygiene'
import { LIMIT_CHECKS } from './limits-in-order'
import { LOG_CHECKS } from './log'
import { OUTDOORS_CHECKS } from './outdoors'
import { PIPES_CHECKS } from './pipes'
import { RECORDS_CHECKS } from './records'
import { RECOVERY_CHECKS } from './recovery'
import { RELIEF_CHECKS } from './relief'
import { RUNNING_CHECKS } from './running'
import { SCALD_CHECKS } from './scald'
import { SETTINGS_CHECKS } from './settings'
import { STEPS_CHECKS } from './steps'
import { TARGET_CHECKS } from './targets'
import { TREND_CHECKS } from './trends'
import { WATER_CHECKS } from './water'

/** Every check there is, by name, in the order of the water: a file's own that are left out of its record are unused. */
const CATALOGUE = {
  ...SCALD_CHECKS,
  ...AS_READ_CHECKS,
  ...RELIEF_CHECKS,
  ...FIRE_CHECKS,
  ...COMBUSTION_CHECKS,
  ...ELECTRICAL_CHECKS,
  ...FROST_CHECKS,
  ...OUTDOORS_CHECKS,
  ...HYGIENE_CHECKS,
  ...LIMIT_CHECKS,
  ...WATER_CHECKS,
  ...DELIVERY_CHECKS,
  ...FLOW_CHECKS,
  ...CIRCULATION_CHECKS,
  ...RUNNING_CHECKS,
  ...CONTROLS_CHECKS,
  ...CONTROLLERS_CHECKS,
  ...HEATING_CHECKS,
  ...SETTINGS_CHECKS,
  ...ENTRIES_CHECKS,
  ...PIPES_CHECKS,
  ...RECOVERY_CHECKS,
  ...TARGET_CHECKS,
  ...RECORDS_CHECKS,
  ...STEPS_CHECKS,
  ...LOG_CHECKS,
  ...TREND_CHECKS,
} as const satisfies Record<string, Rule>

/** A household judged: every check, each once. */
export function checksOf(study: Study, year: YearResult | null): Check[] {
  const visit: Visit = { study, year, write: displayOf(study) }
  const words = wordsOf(study)
  return Object.values(CATALOGUE).flatMap((rule: Rule) => rule(visit).map((told) => check(told, words)))
}
