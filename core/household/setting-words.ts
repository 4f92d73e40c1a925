import { dateOf } from '../calendar/names'
import { DAY_NAMES, type Week, weekInWords } from '../calendar/week'
import type { Controls, HeaterControl, LoopControl, TIMER_BY } from '../study/controls'
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
const share = (of: number) => `${Math.round(of * 100)} %`
const week = (value: Week, write: Display) => weekInWords(value, write.time)
const weekOrAlways = (value: Week | null, write: Display) => (value === null ? 'at all times' : week(value, write))
const onOff = (value: boolean) => (value ? 'on' : 'off')

/** What a timer switches. */
export const TIMER_WORDS: Record<(typeof TIMER_BY)[number], string> = {
  'not looked': 'not looked',
  'its control': 'asks its control',
  'its mains': 'cuts its mains',
}

/** What a clock does when summer time begins. */
export const SUMMER_WORDS: Record<Controls['clock']['summerTime'], string> = {
  follows: 'goes forward by itself',
  stays: 'stays an hour behind',
}

const heater: WordsOf<HeaterControl> = {
  setpointC: { what: 'Setpoint', say: (c, write) => write.temperature(c) },
  hysteresisK: { what: 'Calls below it by', say: (k, write) => write.figure('rise', k) },
  windows: { what: 'May heat', say: weekOrAlways },
  keepHot: { what: 'Keep-hot', say: onOff },
  holidayC: { what: 'Holiday level', say: (c, write) => (c === null ? 'as always' : write.temperature(c)) },
  disinfection: {
    what: 'Hot run',
    say: (run, write) =>
      run === null
        ? 'none'
        : `${DAY_NAMES[run.weekday]} ${write.time(run.atMin)}, ${write.temperature(run.toC)} held ${minutes(run.holdMin)}`,
  },
  overrides: {
    what: 'Set by hand',
    say: (all, write) =>
      all
        .map(
          (o) =>
            `${write.temperature(o.setpointC)} from ${dateOf(o.fromDay - 1)} ${write.time(o.fromMin)} ${o.minutes === null ? 'without end' : `for ${minutes(o.minutes)}`}`,
        )
        .join('; ') || 'nothing',
  },
  prices: { what: 'Waits for a price', say: (when) => (when === 'any' ? 'no' : 'the cheapest') },
  timerBy: { what: 'The timer switches', say: (by) => TIMER_WORDS[by] },
}

const loop: WordsOf<LoopControl> = {
  mode: { what: 'Pump runs', say: (mode) => LOOP_MODE_WORDS[mode].name.toLowerCase() },
  windows: { what: 'Windows of the pump', say: week },
  targetC: { what: 'Runs up to', say: (c, write) => write.temperature(c) },
  differentialK: { what: 'Begins below it by more than', say: (k, write) => write.figure('rise', k) },
  sampled: { what: 'Tests', say: (t, write) => `every ${minutes(t.everyMin)} for ${write.seconds(t.testS)}` },
  demand: {
    what: 'On demand',
    say: (d, write) =>
      `by ${d.by}, ${write.seconds(d.leadS)} before a draw, at most ${write.seconds(d.runOnS)}; ${share(d.missedShare)} come without`,
  },
  learned: {
    what: 'Learned',
    say: (l) => `from ${l.weeks === 1 ? 'one week' : `${l.weeks} weeks`}, runs from ${share(l.threshold)} of them on`,
  },
  trace: { what: 'The cable can give', say: (t) => `${t.wPerM} W/m` },
}

const heating: WordsOf<Controls['heating']> = {
  heaterId: { what: 'Heats the house', say: (id) => id ?? 'another appliance' },
  windows: { what: 'May heat the house', say: weekOrAlways },
  hotWaterFirst: { what: 'Hot water goes first', say: (first) => (first ? 'yes' : 'no') },
}

const clock: WordsOf<Controls['clock']> = {
  aheadMin: { what: 'Clock is ahead by', say: minutes },
  summerTime: { what: 'Clock in summer', say: (does) => SUMMER_WORDS[does] },
}

const grid: WordsOf<Controls['grid']> = {
  stepMin: { what: 'Step', say: minutes },
  periodsPerDay: { what: 'Periods a day', say: String },
  days: {
    what: 'Programme for',
    say: (days) => ({ same: 'all days alike', 'work-sat-sun': 'Mon–Fri, Sat, Sun', each: 'each day by itself' })[days],
  },
}

/** The words of every setting there is. */
export const SETTING_WORDS = { heater, loop, heating, clock, grid }
