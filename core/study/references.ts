import type { z } from 'zod'
import { CIRCULATION, SPACE_HEATING } from './commanded'
import type { Commanded } from './controllers'
import type { Controls } from './controls'
import { carrierOf, hasSetpoint, isInstantaneous, isOnStore, isPointOfUse, storesWater } from './heater-kinds'
import { lists, type Named, needs } from './measures'
import { MOST_PICTURES, picturesTake } from './readings'
import type { StudyShape } from './shape'

type Report = (path: (string | number)[], message: string) => void

/** Holds the parts of a study against each other: every name used must exist, and the plant must be one the engine knows. */
export function checkReferences(study: StudyShape, ctx: z.RefinementCtx): void {
  const report: Report = (path, message) => ctx.addIssue({ code: 'custom', path, message })
  checkPipes(study, report)
  checkPlant(study, report)
  checkPeople(study, report)
  checkControls(study, study.controls.found, ['controls', 'found'], report)
  if (study.controls.set) checkControls(study, study.controls.set, ['controls', 'set'], report)
  checkReasons(study, report)
  checkControllers(study, report)
  checkReadBack(study, report)
  checkSettings(study, report)
  checkPackages(study, report)
  checkClaims(study, report)
  checkCards(study, report)
  checkHandover(study, report)
  unique(
    study.verification.meters.map((m) => m.id),
    ['verification', 'meters'],
    report,
  )
  const { protocol, meters } = study.verification
  if (protocol && !meters.some((m) => m.id === protocol.meterId))
    report(['verification', 'protocol', 'meterId'], `there is no meter "${protocol.meterId}"`)
  checkBills(study, report)
  if (picturesTake(study.readings) > MOST_PICTURES)
    report(
      ['readings'],
      `their pictures come to ${(picturesTake(study.readings) / 1e6).toFixed(1)} MB; a study takes ${MOST_PICTURES / 1e6} MB of them`,
    )
}

function unique(ids: string[], path: (string | number)[], report: Report): Set<string> {
  const seen = new Set<string>()
  ids.forEach((id, i) => {
    if (seen.has(id)) report([...path, i, 'id'], `"${id}" is used twice; each needs a name of its own`)
    seen.add(id)
  })
  return seen
}

function checkClaims({ claims, packages }: StudyShape, report: Report): void {
  unique(
    claims.map((c) => c.id),
    ['claims'],
    report,
  )
  claims.forEach(({ packageId }, i) => {
    if (packageId !== null && !packages.some((p) => p.id === packageId))
      report(['claims', i, 'packageId'], `there is no package "${packageId}"`)
  })
}

function checkBills({ verification }: StudyShape, report: Report): void {
  const { bills, away, meters } = verification
  unique(
    bills.map((b) => b.id),
    ['verification', 'bills'],
    report,
  )
  bills.forEach(({ meterId, from, to, money, standing }, i) => {
    const path = ['verification', 'bills', i]
    if (!meters.some((m) => m.id === meterId)) report([...path, 'meterId'], `there is no meter "${meterId}"`)
    if (to <= from) report([...path, 'to'], 'must be after the first day')
    if (standing > money) report([...path, 'standing'], 'must not be more than is asked for in all')
  })
  away.forEach(({ from, to }, i) => {
    if (to < from) report(['verification', 'away', i, 'to'], 'must not be before the first day')
  })
}

function checkHandover({ handover, pipes, plant }: StudyShape, report: Report): void {
  for (const part of ['rules', 'leaveAlone', 'tests'] as const)
    unique(
      handover[part].map((x) => x.id),
      ['handover', part],
      report,
    )
  const taps = new Set(pipes.taps.map((t) => t.id))
  handover.tests.forEach(({ kind, at, beside }, i) => {
    const path = ['handover', 'tests', i]
    if (kind === 'dial' && !plant.heaters.some((h) => h.id === at))
      report([...path, 'at'], `there is no heater "${at}"`)
    if (kind !== 'dial' && kind !== 'return' && !taps.has(at ?? ''))
      report([...path, 'at'], `there is no outlet "${at}"`)
    if (kind === 'two outlets' && (beside === at || !taps.has(beside ?? '')))
      report([...path, 'beside'], `there is no other outlet "${beside}"`)
  })
}

function checkCards({ cards, plant }: StudyShape, report: Report): void {
  unique(
    cards.map((c) => c.id),
    ['cards'],
    report,
  )
  cards.forEach(({ heaterId }, i) => {
    if (heaterId !== null && !plant.heaters.some((h) => h.id === heaterId))
      report(['cards', i, 'heaterId'], `there is no heater "${heaterId}"`)
  })
}

function checkPipes({ pipes }: StudyShape, report: Report): void {
  const runs = unique(
    pipes.runs.map((r) => r.id),
    ['pipes', 'runs'],
    report,
  )
  unique(
    pipes.taps.map((t) => t.id),
    ['pipes', 'taps'],
    report,
  )
  const from = new Map(pipes.runs.map((r) => [r.id, r.from]))
  pipes.runs.forEach((run, i) => {
    if (run.from !== null && !runs.has(run.from)) report(['pipes', 'runs', i, 'from'], `there is no run "${run.from}"`)
    let steps = 0
    for (let at: string | null | undefined = run.from; at; at = from.get(at))
      if (++steps > pipes.runs.length) {
        report(
          ['pipes', 'runs', i, 'from'],
          'connects to itself. Every run must start at the hot connection or at another run',
        )
        break
      }
  })
  pipes.taps.forEach((tap, i) => {
    if (!runs.has(tap.runId)) report(['pipes', 'taps', i, 'runId'], `there is no run "${tap.runId}"`)
  })
  pipes.recovery?.tapIds.forEach(
    (id, i) =>
      !pipes.taps.some((t) => t.id === id) && report(['pipes', 'recovery', 'tapIds', i], `there is no outlet "${id}"`),
  )
  pipes.drain?.tapIds.forEach(
    (id, i) =>
      !pipes.taps.some((t) => t.id === id) && report(['pipes', 'drain', 'tapIds', i], `there is no outlet "${id}"`),
  )
  if (pipes.loop && !runs.has(pipes.loop.returnConnectionRunId))
    report(['pipes', 'loop', 'returnConnectionRunId'], `there is no run "${pipes.loop.returnConnectionRunId}"`)
}

function checkPlant({ plant, prices, pipes, site }: StudyShape, report: Report): void {
  unique(
    plant.heaters.map((h) => h.id),
    ['plant', 'heaters'],
    report,
  )
  plant.heaters.forEach((heater, i) => {
    const path = ['plant', 'heaters', i]
    if (!prices.carriers[carrierOf(heater)])
      report(['prices', 'carriers', carrierOf(heater)], `needs a price: "${heater.name}" uses it`)
    if ('minOutputKw' in heater && heater.minOutputKw > heater.outputKw)
      report([...path, 'minOutputKw'], `must not be above the output, ${heater.outputKw} kW`)
    if ('coil' in heater && heater.coil.top <= heater.coil.bottom)
      report([...path, 'coil', 'top'], 'must be above the bottom of the coil')
    if (isOnStore(heater) && !plant.store) report(['plant', 'store'], `needs a cylinder: "${heater.name}" heats one`)
    if (!isPointOfUse(heater)) return
    if (!pipes.taps.some((t) => t.id === heater.tapId))
      report([...path, 'tapId'], `there is no outlet "${heater.tapId}"`)
    if (plant.heaters.findIndex((h) => isPointOfUse(h) && h.tapId === heater.tapId) !== i)
      report([...path, 'tapId'], 'this outlet has a point-of-use heater already')
  })
  const running = plant.heaters.filter(isInstantaneous)
  if (running.length > 1)
    report(['plant', 'heaters', plant.heaters.indexOf(running[1])], 'only one instantaneous water heater is possible')
  if (plant.store && !plant.heaters.some(isOnStore))
    report(['plant', 'store'], 'has no heater; remove it, or add a heater')
  if (plant.heaters.every(isPointOfUse)) report(['plant', 'heaters'], 'at least one heater must serve all outlets')
  if (!prices.carriers[site.heating.carrier])
    report(['prices', 'carriers', site.heating.carrier], 'needs a price: it heats the house')
  if (!prices.carriers.electricity)
    report(['prices', 'carriers', 'electricity'], 'needs a price: pumps and controls use it')
}

function checkPeople({ people, pipes }: StudyShape, report: Report): void {
  const persons = unique(
    people.persons.map((p) => p.id),
    ['people', 'persons'],
    report,
  )
  unique(
    people.uses.map((h) => h.id),
    ['people', 'uses'],
    report,
  )
  const taps = new Set(pipes.taps.map((t) => t.id))
  people.uses.forEach((habit, i) => {
    if (!taps.has(habit.tapId)) report(['people', 'uses', i, 'tapId'], `there is no outlet "${habit.tapId}"`)
    if (habit.personId !== null && !persons.has(habit.personId))
      report(['people', 'uses', i, 'personId'], `there is no person "${habit.personId}"`)
  })
  people.absences.forEach((absence, i) => {
    if (absence.personId !== null && !persons.has(absence.personId))
      report(['people', 'absences', i, 'personId'], `there is no person "${absence.personId}"`)
    if (absence.toDay < absence.fromDay) report(['people', 'absences', i, 'toDay'], 'must not be before the first day')
  })
  people.guests.forEach((guests, i) => {
    if (!persons.has(guests.likePersonId))
      report(['people', 'guests', i, 'likePersonId'], `there is no person "${guests.likePersonId}"`)
    if (guests.toDay < guests.fromDay) report(['people', 'guests', i, 'toDay'], 'must not be before the first day')
  })
  if (people.draws.kind === 'logged')
    people.draws.draws.forEach(
      (d, i) =>
        !taps.has(d.tapId) && report(['people', 'draws', 'draws', i, 'tapId'], `there is no outlet "${d.tapId}"`),
    )
  if (people.draws.kind === 'standard' && !taps.has(people.draws.tapId))
    report(['people', 'draws', 'tapId'], `there is no outlet "${people.draws.tapId}"`)
}

function checkControls(study: StudyShape, controls: Controls, path: (string | number)[], report: Report): void {
  for (const heater of study.plant.heaters.filter(hasSetpoint)) {
    const control = Object.hasOwn(controls.heaters, heater.id) ? controls.heaters[heater.id] : null
    if (!control) report([...path, 'heaters', heater.id], `needs a setpoint: the study has "${heater.name}"`)
    else if (isInstantaneous(heater) !== (control.keepHot !== undefined))
      report(
        [...path, 'heaters', heater.id, 'keepHot'],
        isInstantaneous(heater)
          ? 'on or off: it is an instantaneous water heater'
          : 'only for instantaneous water heaters',
      )
    else if (!storesWater(heater) && control.pasteurisation)
      report(
        [...path, 'heaters', heater.id, 'pasteurisation'],
        'only for stored hot water: it is an instantaneous water heater',
      )
  }
  for (const id of Object.keys(controls.heaters)) {
    const heater = study.plant.heaters.find((h) => h.id === id)
    if (!heater) report([...path, 'heaters', id], `there is no heater "${id}"`)
    else if (!hasSetpoint(heater)) report([...path, 'heaters', id], `"${heater.name}" has no thermostat to set`)
  }
  const { heaterId } = controls.heating
  if (heaterId !== null && !study.plant.heaters.some((h) => h.id === heaterId))
    report([...path, 'heating', 'heaterId'], `there is no heater "${heaterId}"`)
  if (controls.loop.mode !== 'off' && !study.pipes.loop)
    report([...path, 'loop', 'mode'], 'must be "off": there is no circulation')
}

/** A thing that is commanded is there, and can be: what is wrong of it, or null. */
function uncommanded({ plant, pipes }: StudyShape, of: Commanded): string | null {
  if (of === SPACE_HEATING) return null
  if (of === CIRCULATION) return pipes.loop ? null : 'there is no circulation'
  const heater = plant.heaters.find((h) => h.id === of)
  if (!heater) return `there is no heater "${of}"`
  return hasSetpoint(heater) ? null : `"${heater.name}" has no thermostat to set`
}

function checkControllers(study: StudyShape, report: Report): void {
  const { controllers, controls } = study
  const ids = unique(
    controllers.map((c) => c.id),
    ['controllers'],
    report,
  )
  controllers.forEach(({ commands, range }, i) => {
    const seen = new Set<Commanded>()
    commands.forEach((of, j) => {
      const path = ['controllers', i, 'commands', j]
      const wrong = seen.has(of) ? 'is commanded twice by one controller' : uncommanded(study, of)
      seen.add(of)
      if (wrong) report(path, wrong)
    })
    if (range && range.highC <= range.lowC)
      report(['controllers', i, 'range', 'highC'], 'must be above the lowest temperature')
  })
  for (const as of ['found', 'set'] as const) {
    const clocks = controls[as]?.clocks
    if (!clocks) continue
    for (const id of ids)
      if (!Object.hasOwn(clocks, id)) report(['controls', as, 'clocks', id], 'the controller needs a clock')
    for (const id of Object.keys(clocks))
      if (!ids.has(id)) report(['controls', as, 'clocks', id], `there is no controller "${id}"`)
  }
}

function checkReadBack(study: StudyShape, report: Report): void {
  const seen = new Set<Commanded>()
  study.controls.readBack.forEach(({ of }, i) => {
    const wrong = seen.has(of) ? 'is read back twice' : uncommanded(study, of)
    seen.add(of)
    if (wrong) report(['controls', 'readBack', i, 'of'], wrong)
  })
}

function checkSettings({ controls, plant, heating }: StudyShape, report: Report): void {
  unique(
    controls.own.map((s) => s.id),
    ['controls', 'own'],
    report,
  )
  for (const id of Object.keys(controls.factory))
    if (!plant.heaters.some((h) => h.id === id)) report(['controls', 'factory', id], `there is no heater "${id}"`)
  if (!heating) return
  const rooms = unique(
    heating.radiators.map((r) => r.id),
    ['heating', 'radiators'],
    report,
  )
  if (heating.sensorIn !== null && !rooms.has(heating.sensorIn))
    report(['heating', 'sensorIn'], `there is no radiator "${heating.sensorIn}"`)
}

function checkReasons({ controls, plant }: StudyShape, report: Report): void {
  controls.reasons.forEach(
    ({ heaterId }, i) =>
      !plant.heaters.some((h) => h.id === heaterId) &&
      report(['controls', 'reasons', i, 'heaterId'], `there is no heater "${heaterId}"`),
  )
}

/** What a thing is called in a sentence. */
const NAMED_WORDS: Record<keyof Named, string> = {
  thermostats: 'heater with a thermostat',
  heaters: 'heater',
  taps: 'tap',
  runs: 'run',
  uses: 'use',
}

function checkPackages(study: StudyShape, report: Report): void {
  const ids = (all: readonly { id: string }[]) => new Set(all.map(({ id }) => id))
  const there: Record<keyof Named, ReadonlySet<string>> = {
    thermostats: ids(study.plant.heaters.filter(hasSetpoint)),
    heaters: ids(study.plant.heaters),
    taps: ids(study.pipes.taps),
    runs: ids(study.pipes.runs),
    uses: ids(study.people.uses),
  }
  unique(
    study.packages.map((p) => p.id),
    ['packages'],
    report,
  )
  study.packages.forEach((pack, p) => {
    unique(
      pack.measures.map((m) => m.id),
      ['packages', p, 'measures'],
      report,
    )
    pack.measures.forEach((m, i) => {
      const path = ['packages', p, 'measures', i]
      for (const named of [needs(m), lists(m)])
        for (const what of Object.keys(there) as (keyof Named)[])
          named[what].forEach((id) => {
            if (!there[what].has(id)) report(path, `there is no ${NAMED_WORDS[what]} "${id}"`)
          })
      if (m.kind === 'heat-source') {
        if (hasSetpoint(m.heater) !== (m.control !== null))
          report([...path, 'control'], hasSetpoint(m.heater) ? 'it needs a setpoint' : 'it has no thermostat')
        if (study.plant.heaters.some((h) => h.id === m.heater.id && !m.replaces.includes(h.id)))
          report([...path, 'heater', 'id'], `"${m.heater.id}" is used twice; each needs a name of its own`)
      }
      if (m.kind === 'insulate-runs' && m.loopReturn && !study.pipes.loop)
        report([...path, 'loopReturn'], 'there is no circulation')
      if (m.kind === 'loop-mode' && m.mode !== 'off' && !study.pipes.loop)
        report([...path, 'mode'], 'there is no circulation')
    })
  })
}
