import { describe, expect, it } from 'vitest'
import { courtFlat } from '../../core/demos/court-flat'
import { duplex } from '../../core/demos/duplex'
import { hillTown } from '../../core/demos/hill-town'
import { warmUpOf } from '../../core/household/warm-up'
import { beginMeasure } from '../../core/measures/begin'
import { stepsOf } from '../../core/measures/steps'
import { pipeOf } from '../../core/pipes/catalogue'
import { INSULATIONS, pipeLoss } from '../../core/pipes/loss'
import { judge } from '../../core/readings/kinds'
import { lastTakenWith } from '../../core/readings/taken-with'
import { warmUpLossS } from '../../core/recovery/drain-recovery'
import { displayOf } from '../../core/study/display-of'
import type { Study } from '../../core/study/study'
import { insulationKinds } from '../../core/views/insulation-kinds'
import { measuredOnPaper } from '../../core/views/measured'
import { KJ_PER_LITRE_K } from '../../core/water/properties'
import { simulate } from '../../core/year/simulate'
import { changed, readingOf } from '../../proof/studies'

const steps = (study: Study, r: ReturnType<typeof readingOf>) => judge(study, r)!.worked.steps
const step = (study: Study, r: ReturnType<typeof readingOf>, label: string) =>
  steps(study, r).find((s) => s.label === label)?.value

describe('a store that reheats', () => {
  it('shows the output that went into it, loss and all', () => {
    const at = readingOf('reheat', { fromC: 30, toC: 50, minutes: 60 }, { where: duplex.plant.heaters[0].id })
    const kw = step(duplex, at, 'Output into the water')!
    const heated = (duplex.plant.store!.litres * KJ_PER_LITRE_K * 20) / 3600
    expect(kw).toBeGreaterThan(heated)
    expect(kw).toBeLessThan(1.15 * heated)
  })

  it('warms only what is above the heat input', () => {
    const share = 1 - (hillTown.plant.heaters[0] as { coil: { bottom: number } }).coil.bottom
    const at = readingOf('reheat', { fromC: 30, toC: 50, minutes: 60 }, { where: hillTown.plant.heaters[0].id })
    expect(step(hillTown, at, 'Heated volume')).toBeCloseTo(hillTown.plant.store!.litres * share, 9)
    // A coil gives what the water takes: nothing is held against its rating.
    expect(judge(hillTown, at)!.verdict).toBeNull()
  })
})

describe('a drain unit that warms up', () => {
  it('loses τ (1 − e^(−t/τ)): nearly all of a short draw, one time constant of a long one', () => {
    expect(warmUpLossS(40, 1) / 1).toBeGreaterThan(0.98)
    expect(warmUpLossS(40, 3600)).toBeCloseTo(40, 6)
    expect(warmUpLossS(0, 300)).toBe(0)
  })

  it('recovers less in the year by about the share that is told', () => {
    const recovering = (warmUpS: number) =>
      changed(courtFlat, (s) => {
        const measure = s.packages.flatMap((p) => p.measures).find((m) => m.kind === 'drain-recovery')!
        s.pipes.recovery = { ...measure.recovery, warmUpS }
        s.packages = []
        s.claims = []
      })
    const study = recovering(60)
    const told = warmUpOf(study, study.pipes.recovery!)!.share
    const lost = 1 - simulate(study).energy.recoveredKwh / simulate(recovering(0)).energy.recoveredKwh
    expect(lost).toBeGreaterThan(0.5 * told)
    expect(lost).toBeLessThan(1.2 * told)
  })

  it('is read with what of the shower’s heat comes back', () => {
    const read = readingOf('drain', { coldC: 10, preheatC: 20, drainC: 36, drainOutC: 26, coldLMin: 8, drainLMin: 8 })
    const share = step(hillTown, read, 'Share of the shower’s heat')!
    expect(share).toBeCloseTo((100 * 10) / 26, 0)
  })
})

describe('air beside a pipe', () => {
  it('makes of a temperature at an outlet a coefficient of the pipes, the same on a cold and a warm day', () => {
    const tap = hillTown.pipes.taps[0].id
    // 60 °C leaves; what arrives after a coefficient of 12 W/K at 6 L/min, by air.
    const arrives = (airC: number) => airC + (60 - airC) * Math.exp(-12 / ((6 * KJ_PER_LITRE_K * 1000) / 60))
    const study = changed(hillTown, (s) => {
      s.controls.set = null
      s.controls.found.heaters.boiler.setpointC = 60
      s.plant.store!.mixing = 'none'
    })
    for (const airC of [0, 18, 30]) {
      const r = readingOf(
        'tap-temperature',
        { hotC: arrives(airC), where: 'far', flowLMin: 6, ambientC: airC },
        { where: tap },
      )
      expect(step(study, r, 'Heat loss coefficient of the pipes to it')).toBeCloseTo(12, 6)
    }
  })
})

describe('kinds of insulation', () => {
  it('stand side by side with what a metre of the first wrapped pipe loses, and what it costs where it is priced', () => {
    const measure = beginMeasure(hillTown, 'insulate-runs', 'w')
    const { of, kinds, bareWM } = insulationKinds(hillTown, measure)
    expect(kinds).toHaveLength(Object.keys(INSULATIONS).length)
    for (const k of kinds) {
      expect(k.lossWM!).toBeLessThan(bareWM!)
      expect(k.priceEach).toBeNull()
    }
    const sorted = kinds.toSorted((a, b) => a.lambdaWMK - b.lambdaWMK)
    expect(sorted.map((k) => k.lossWM)).toEqual(kinds.map((k) => k.lossWM).toSorted((a, b) => a! - b!))
    expect(pipeLoss(pipeOf(of!.material, of!.size), 60, 20).lossWM).toBeGreaterThan(0)
  })

  it('none is compared where no pipe is chosen', () => {
    const none = { ...beginMeasure(hillTown, 'insulate-runs', 'w'), runIds: [], loopReturn: false }
    expect(insulationKinds(hillTown, none).kinds.every((k) => k.lossWM === null)).toBe(true)
  })

  it('are closed as their kind and slit ask', () => {
    const wrap = beginMeasure(hillTown, 'insulate-runs', 'w')
    expect(stepsOf({ ...wrap, slit: 'self-sealing' }).join(' ')).toMatch(/pressed shut/)
    expect(stepsOf({ ...wrap, slit: 'plain' }).join(' ')).toMatch(/glued/)
    expect(stepsOf(beginMeasure(hillTown, 'setpoint', 's'))).toEqual([])
  })
})

describe('the thermometer in the bag', () => {
  const bag = { thermometer: 'infrared' as const, checkedOn: '2026-01-10' }
  const read = readingOf('mains', { coldC: 11, thermometer: 'glass thermometer' }, { takenAt: '2026-03-02T09:00:00Z' })

  it('is what the first temperature of a day is read with; then whatever was in the hand last', () => {
    const study = { ...hillTown, readings: [read] }
    expect(lastTakenWith(study, '2026-03-03', bag)).toEqual(bag)
    expect(lastTakenWith(study, '2026-03-02', bag)).toEqual({ thermometer: 'glass thermometer' })
    expect(lastTakenWith(hillTown, '2026-03-02')).toEqual({})
  })
})

describe('readings on paper', () => {
  it('come with their figures and units, what they are held against, and their pictures', () => {
    const photo = 'data:image/png;base64,AAAA'
    const study: Study = {
      ...hillTown,
      readings: [
        readingOf(
          'drain',
          { coldC: 10, preheatC: 20, drainC: 36, drainOutC: 26, coldLMin: 8 },
          { id: 'd', takenAt: '2026-03-02T09:00:00Z' },
        ),
        readingOf('mains', { coldC: 11 }, { id: 'm', takenAt: '2026-03-01T09:00:00Z' }),
        { ...readingOf('note', {}, { id: 'n', takenAt: '2026-03-03T09:00:00Z' }), photo },
        readingOf('note', {}, { id: 'w', takenAt: '2026-03-03T10:00:00Z' }),
      ],
    }
    const paper = measuredOnPaper(study, displayOf(study))
    expect(paper.map((p) => p.id)).toEqual(['m', 'd', 'n'])
    expect(paper[0].against).toMatch(/measured .*°C, calculated .*°C; they (agree|differ)/)
    expect(paper[1].figures.join(' ')).toMatch(/Recovered: [\d.]+ kW/)
    expect(paper[2].photo).toBe(photo)
  })
})
