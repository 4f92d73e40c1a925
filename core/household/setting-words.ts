import { dateOf } from '../calendar/names'
import { DAY_NAMES, type Schedule, weekInWords } from '../calendar/week'
import type { ControllerClock, Grid } from '../study/controllers'
import type { Controls, HeaterControl, LoopControl, TIMER_BY } from '../study/controls'
import type { FlowSetting } from '../study/heating'
import type { Display } from '../units/display'
import { LOOP_MODE_WORDS } from './loop-mode-words'

/** What a setting is called, and how what it is set to reads. */
export interface SettingWords<T> {
  what: string
  say: (value: T, write: Display) => string
}

/** Every field of a group of settings: one that is added is asked for here by the compiler. */
type WordsOf<T> = { [K in keyof Required<T>]: SettingWords<Required<T>[K]> }

const minutes = (count: number) => `${count} min`
const share = (of: number) => `${Math.round(of * 100)}%`
const week = (value: Schedule, write: Display) => weekInWords(value, write.time)
const weekOrAlways = (value: Schedule | null, write: Display) => (value === null ? 'at all times' : week(value, write))
const onOff = (value: boolean) => (value ? 'on' : 'off')

/** What a timer switches. */
export const TIMER_WORDS: Record<(typeof TIMER_BY)[number], string> = {
  'not checked': 'not checked',
  'its control': 'control input',
  'its mains': 'power supply',
}

/** Days of a controller that share a programme. */
export const DAY_GROUP_WORDS: Record<Grid['days'], string> = {
  same: 'one for all days',
  'work-sat-sun': 'Mon–Fri, Sat, Sun',
  each: 'seven days',
}

/** The weekday that a clock shows, by how many days it is ahead. */
export const WEEKDAY_WORDS: Record<number, string> = {
  [-3]: '3 days behind',
  [-2]: '2 days behind',
  [-1]: '1 day behind',
  0: 'right',
  1: '1 day ahead',
  2: '2 days ahead',
  3: '3 days ahead',
}

/** What a clock does when summer time begins. */
export const SUMMER_WORDS: Record<ControllerClock['summerTime'], string> = {
  follows: 'changes automatically',
  stays: 'not changed, one hour slow',
}

const heater: WordsOf<HeaterControl> = {
  setpointC: { what: 'Setpoint', say: (c, write) => write.temperature(c) },
  differentialK: { what: 'Switching differential', say: (k, write) => write.figure('rise', k) },
  schedule: { what: 'Hot water schedule', say: weekOrAlways },
  keepHot: { what: 'Keep-hot', say: onOff },
  holidayC: { what: 'Holiday setpoint', say: (c, write) => (c === null ? 'unchanged' : write.temperature(c)) },
  pasteurisation: {
    what: 'Pasteurisation cycle',
    say: (run, write) =>
      run === null
        ? 'none'
        : `${DAY_NAMES[run.weekday]} ${write.time(run.atMin)}, ${write.temperature(run.toC)} held ${minutes(run.holdMin)}`,
  },
  overrides: {
    what: 'Manual overrides',
    say: (all, write) =>
      all
        .map(
          (o) =>
            `${write.temperature(o.setpointC)} from ${dateOf(o.fromDay - 1)} ${write.time(o.fromMin)} ${o.weekly ? 'each week ' : ''}${o.minutes === null ? 'without end time' : `for ${minutes(o.minutes)}`}`,
        )
        .join('; ') || 'nothing',
  },
  prices: { what: 'Off-peak only', say: (when) => (when === 'any' ? 'no' : 'yes') },
  timerBy: { what: 'Timer acts on', say: (by) => TIMER_WORDS[by] },
}

const loop: WordsOf<LoopControl> = {
  mode: { what: 'Circulation mode', say: (mode) => LOOP_MODE_WORDS[mode].name.toLowerCase() },
  schedule: { what: 'Circulation schedule', say: week },
  targetC: { what: 'Pump-off temperature', say: (c, write) => write.temperature(c) },
  differentialK: { what: 'Switching differential', say: (k, write) => write.figure('rise', k) },
  sampled: { what: 'Test interval', say: (t, write) => `every ${minutes(t.everyMin)} for ${write.seconds(t.testS)}` },
  demand: {
    what: 'On demand',
    say: (d, write) =>
      `by ${d.by}, ${write.seconds(d.leadS)} before draw-off, at most ${write.seconds(d.runOnS)}; ${share(d.missedShare)} without request`,
  },
  learned: {
    what: 'Learned',
    say: (l) => `from ${l.weeks === 1 ? 'one week' : `${l.weeks} weeks`}, threshold ${share(l.threshold)}`,
  },
  trace: { what: 'Cable output', say: (t, write) => write.figure('linePower', t.wPerM) },
}

/** A flow temperature as it is set, in words. */
export function flowText(flow: FlowSetting | null, write: Display): string {
  if (flow === null) return 'not read'
  if (flow.by === 'fixed') return write.temperature(flow.flowC)
  if (flow.by === 'season')
    return `${write.temperature(flow.coldC)} below ${write.temperature(flow.belowC)} outdoors, else ${write.temperature(flow.mildC)}`
  return `outdoor curve ${flow.slope}, shift ${write.figure('rise', flow.shiftK)}, at most ${write.temperature(flow.mostC)}`
}
const orNotRead = (c: number | null, write: Display) => (c === null ? 'not read' : write.temperature(c))

const heating: WordsOf<Controls['heating']> = {
  heaterId: { what: 'Space heating', say: (id) => id ?? 'another appliance' },
  schedule: { what: 'Space heating schedule', say: weekOrAlways },
  hotWaterFirst: { what: 'Hot water priority', say: (first) => (first ? 'yes' : 'no') },
  flow: { what: 'Heating flow temperature', say: flowText },
  limitKw: {
    what: 'Output limit for heating',
    say: (kw, write) => (kw === null ? 'none' : write.figure('power', kw, 1)),
  },
  comfortC: { what: 'Room temperature, comfort', say: orNotRead },
  economyC: { what: 'Room temperature, lowered', say: orNotRead },
}

const clock: WordsOf<ControllerClock> = {
  aheadMin: { what: 'Clock offset (+ = fast)', say: minutes },
  daysAhead: { what: 'Weekday shown', say: (days) => WEEKDAY_WORDS[days] },
  summerTime: { what: 'Summer time', say: (does) => SUMMER_WORDS[does] },
}

/** The words of every setting there is. */
export const SETTING_WORDS = { heater, loop, heating, clock }
