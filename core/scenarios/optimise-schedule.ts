import { ALWAYS, everyDay, type Schedule } from '../calendar/week'
import { checksOf } from '../checks/catalogue'
import { gridOf } from '../household/controllers'
import { misfits } from '../household/grid'
import { warmUpVolumeTo } from '../household/lookups'
import { storeUa } from '../household/store-connections'
import { storeThermostat } from '../household/supply'
import { CIRCULATION } from '../study/commanded'
import type { Grid } from '../study/controllers'
import { edited } from '../study/edited'
import { hasSetpoint, isOnStore, outputOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import { KJ_PER_LITRE_K } from '../water/properties'
import { drawsOfYear } from '../year/draws/draws'
import { WAITS_S, type YearResult } from '../year/result'
import { coarseWeeks, neighbours, weekOfDraws, widened } from './schedule-candidates'

/** What the windows have to keep: a share of the draws that wait warm within a time, one of `WAITS_S`, s. */
export interface Goal {
  shareWarm: number
  withinS: number
}
export const DEFAULT_GOAL: Goal = { shareWarm: 0.95, withinS: 20 }

/** Windows that were tried: null where they are not looked for. */
export interface Plan {
  /** Of the loop; an empty week is the loop off, a full one always on. */
  loop: Schedule | null
  /** Of the heater that holds the store; a full week is no timer. */
  heater: Schedule | null
}

/** A plan with what its full year came to. */
export interface Tried {
  plan: Plan
  cost: number
  /** Share of draws warm within the wait of the goal. */
  warm: number
}

export interface Found {
  goal: Goal
  /** Heater whose windows were looked for; null: none. */
  heaterId: string | null
  looksForLoop: boolean
  best: Tried
  /** The goal is kept; else always on does not keep it either, and the best keeps what that does. */
  kept: boolean
  asItStands: Tried
  always: Tried
  /** The best with every window a step wider: what one step warmer costs. */
  warmer: Tried
  /** Draws a year that the best leaves out of the goal, of so many. */
  leftOut: number
  draws: number
  /** Minutes before the first draw that a window opens, by what it takes to heat up. */
  leadMin: { loop: number; heater: number }
  /** Cheaper plans that were not taken, because they would bring a danger. */
  refusedForDanger: number
  years: number
}

/** Why there is nothing to look for. */
export type NothingToFind = { nothing: string }

/** Simulates years side by side; null for one that was refused. It throws to end the search. */
export type Simulator = (studies: readonly Study[]) => Promise<(YearResult | null)[]>

export interface FindOptions {
  /** Told after each year: how many of how many at most, and the best so far. */
  onProgress?: (done: number, most: number, best: Tried | null) => void
  /** Most years that are simulated. */
  mostYears?: number
}

/** A window looked for begins no finer than this, min: with it all single windows of a day are 37. */
const COARSE_MIN = 180
const MOST_YEARS = 170
/** The shares of the busiest step, and the gaps closed, that windows by the draws are tried with. */
const SHARES = [0, 0.05, 0.1, 0.2, 0.35, 0.5]
const GAPS_MIN = [30, 90]
/** Moves of an edge, in steps of the grid: the long ones first. */
const MOVES = [4, 2, 1]
/** A plan has to be cheaper by this to be taken for better, money a year. */
const LEAST_BETTER = 0.005
/** The longest rest of a store that its heat-up is reckoned from, h. */
const REST_H = 8

/**
 * Looks for the cheapest windows of loop and store on the controller's grid that keep the goal and bring no danger that was
 * not there. Every plan is judged by its own full year. First all single windows of the day on a coarse grid, then windows
 * that follow the draws, then moves of single edges from the best.
 */
export async function optimiseSchedule(
  study: Study,
  goal: Goal,
  simulate: Simulator,
  options: FindOptions = {},
): Promise<Found | NothingToFind> {
  const subject = subjectOf(study)
  if ('nothing' in subject) return subject
  const search = new Search(study, goal, subject, simulate, options)
  return search.run()
}

interface Subject {
  loop: boolean
  heaterId: string | null
}

function subjectOf(study: Study): Subject | NothingToFind {
  const heater = storeThermostat(study)?.heaterId ?? null
  const loop = study.pipes.loop !== null
  if (!loop && heater === null)
    return {
      nothing:
        'No schedule to optimise: no circulation, and an instantaneous water heater heats only during draw-off. Its setpoint and keep-hot can be set.',
    }
  return { loop, heaterId: heater }
}

/** The household with a plan set; a loop without windows is off. */
export function withPlan(study: Study, plan: Plan, heaterId: string | null): Study {
  return edited(study, ({ controls }) => {
    controls.set ??= structuredClone(controlsOf(study))
    if (plan.loop) {
      controls.set.loop.mode = plan.loop.some((day) => day.length) ? 'clock' : 'off'
      if (controls.set.loop.mode === 'clock') controls.set.loop.schedule = plan.loop
    }
    if (plan.heater && heaterId)
      controls.set.heaters[heaterId].schedule =
        JSON.stringify(plan.heater) === JSON.stringify(ALWAYS) ? null : plan.heater
  })
}

/** Minutes to bring hot water from the plant to where the loop turns. */
function loopLeadMin(study: Study): number {
  const { loop } = study.pipes
  return loop ? warmUpVolumeTo(study, { runId: loop.returnConnectionRunId }) / loop.pumpLMin : 0
}

/** Minutes in which the heater makes good what the store cools in a night's rest, and what its thermostat lets it fall. */
function heaterLeadMin(study: Study, heaterId: string): number {
  const { store, heaters } = study.plant
  const heater = heaters.find((h) => h.id === heaterId)!
  if (!store || !isOnStore(heater) || !hasSetpoint(heater)) return 0
  const { setpointC, differentialK } = controlsOf(study).heaters[heaterId]
  const tauH = (store.litres * KJ_PER_LITRE_K) / (storeUa(study)! * 3.6)
  const fallK = differentialK + (setpointC - 15) * (1 - Math.exp(-REST_H / tauH))
  return (store.litres * KJ_PER_LITRE_K * fallK) / ((outputOf(heater)?.kw ?? 1) * 60)
}

class Search {
  private readonly tried = new Map<string, Tried | null>()
  private best: Tried | null = null
  private years = 0
  private dangers = 0
  private readonly dangersNow = new Set<string>()
  private readonly waitAt: number
  private readonly most: number
  private draws = 0
  /** Share that has to be kept. */
  private least = 1

  constructor(
    private readonly study: Study,
    private readonly goal: Goal,
    private readonly subject: Subject,
    private readonly simulate: Simulator,
    private readonly options: FindOptions,
  ) {
    const at = WAITS_S.findIndex((s) => s >= goal.withinS)
    this.waitAt = at < 0 ? WAITS_S.length - 1 : at
    this.most = options.mostYears ?? MOST_YEARS
  }

  async run(): Promise<Found | NothingToFind> {
    const { study, subject } = this
    const nowYear = (await this.simulate([study]))[0]
    if (!nowYear)
      throw new RangeError('the year of the household as it stands is refused: nothing can be compared with it')
    this.draws = nowYear.comfort.waiting
    if (this.draws === 0)
      return { nothing: 'No use waits for hot water, so there is no share to hold. Set it under Occupants and use.' }
    for (const id of dangersOf(study, nowYear)) this.dangersNow.add(id)
    const asItStands = this.entry(this.planNow(), nowYear)
    const always = (await this.tryAll([this.planAlways()]))[0] ?? asItStands
    // What always on does not keep no windows keep: then they have to keep as much as that.
    this.least = Math.min(this.goal.shareWarm, always.warm)
    this.best = always
    // What is set counts as an answer where the controller can hold it: a slip of the pen may have been entered as found.
    const now = this.planNow()
    if ((['loop', 'heater'] as const).every((p) => now[p] === null || misfits(this.gridOf(p), now[p]).length === 0))
      await this.tryAll([now])

    const draws = drawsOfYear(study.people, study.site)
    const lead = {
      loop: subject.loop ? loopLeadMin(study) : 0,
      heater: subject.heaterId ? heaterLeadMin(study, subject.heaterId) : 0,
    }
    const parts = [...(subject.loop ? (['loop'] as const) : []), ...(subject.heaterId ? (['heater'] as const) : [])]
    // A loop costs more than a store: its windows first, the store's with the best of them, then both by turns.
    for (const part of parts) {
      await this.tryAll(coarseWeeks(COARSE_MIN).map((week) => this.with(part, week)))
      const followed = SHARES.flatMap((share) =>
        GAPS_MIN.map((gapMin) =>
          weekOfDraws(draws, study.site.firstWeekday, this.gridOf(part), { share, gapMin, leadMin: lead[part] }),
        ),
      )
      await this.tryAll(followed.map((week) => this.with(part, week)))
    }
    for (const steps of MOVES)
      for (let better = true; better && this.years < this.most;) {
        const before = this.best
        for (const part of parts) {
          const from = (this.best ?? always).plan[part]!
          await this.tryAll(neighbours(from, this.gridOf(part), steps).map((week) => this.with(part, week)))
        }
        better = this.best !== before
      }
    return this.answer(asItStands, always, lead)
  }

  /** What the controller of a part can hold. */
  private gridOf(part: 'loop' | 'heater'): Grid {
    return gridOf(this.study, part === 'loop' ? CIRCULATION : this.subject.heaterId!)
  }

  private async answer(asItStands: Tried, always: Tried, leadMin: Found['leadMin']): Promise<Found> {
    const { goal, subject, study } = this
    const best = this.best ?? always
    const wider: Plan = {
      loop: best.plan.loop && widened(best.plan.loop, this.gridOf('loop')),
      heater: best.plan.heater && widened(best.plan.heater, this.gridOf('heater')),
    }
    const year = (await this.simulate([withPlan(study, wider, subject.heaterId)]))[0]
    return {
      goal,
      heaterId: subject.heaterId,
      looksForLoop: subject.loop,
      best,
      kept: this.least >= this.goal.shareWarm,
      asItStands,
      always,
      warmer: year ? this.entry(wider, year) : best,
      leftOut: Math.round((1 - best.warm) * this.draws),
      draws: this.draws,
      leadMin,
      refusedForDanger: this.dangers,
      years: this.years,
    }
  }

  private planNow(): Plan {
    const controls = controlsOf(this.study)
    const { loop } = controls
    const { heaterId } = this.subject
    return {
      loop: !this.subject.loop
        ? null
        : loop.mode === 'off'
          ? everyDay()
          : loop.mode === 'always'
            ? ALWAYS
            : loop.schedule,
      heater: heaterId === null ? null : (controls.heaters[heaterId].schedule ?? ALWAYS),
    }
  }

  private planAlways(): Plan {
    return { loop: this.subject.loop ? ALWAYS : null, heater: this.subject.heaterId === null ? null : ALWAYS }
  }

  /** The best plan so far with other windows of a part. */
  private with(part: keyof Plan, week: Schedule): Plan {
    return { ...(this.best?.plan ?? this.planAlways()), [part]: week }
  }

  private entry(plan: Plan, year: YearResult): Tried {
    return { plan, cost: year.cost.total, warm: year.comfort.warmWithin[this.waitAt] }
  }

  /** Simulates plans that were not tried yet, and keeps the best. */
  private async tryAll(plans: readonly Plan[]): Promise<(Tried | null)[]> {
    const fresh = plans.filter((p, i) => {
      const key = JSON.stringify(p)
      return !this.tried.has(key) && plans.findIndex((q) => JSON.stringify(q) === key) === i
    })
    const batch = 8
    for (let i = 0; i < fresh.length && this.years < this.most; i += batch) {
      const some = fresh.slice(i, Math.min(i + batch, i + this.most - this.years))
      const studies = some.map((p) => withPlan(this.study, p, this.subject.heaterId))
      const years = await this.simulate(studies)
      years.forEach((year, k) => this.take(some[k], studies[k], year))
      this.options.onProgress?.(this.years, this.most, this.best)
    }
    return plans.map((p) => this.tried.get(JSON.stringify(p)) ?? null)
  }

  private take(plan: Plan, study: Study, year: YearResult | null): void {
    this.years++
    const entry = year && this.entry(plan, year)
    this.tried.set(JSON.stringify(plan), entry)
    if (!entry || !year) return
    if (entry.warm < this.least || (this.best && entry.cost > this.best.cost - LEAST_BETTER)) return
    // What would hurt somebody is no answer, however cheap.
    if (dangersOf(study, year).some((id) => !this.dangersNow.has(id))) {
      this.dangers++
      return
    }
    this.best = entry
  }
}

/** What would hurt somebody in a year, by the names of its checks. */
const dangersOf = (study: Study, year: YearResult): string[] =>
  checksOf(study, year).flatMap((c) => (c.concern === 'harm' && c.level === 'fail' ? [c.id] : []))
