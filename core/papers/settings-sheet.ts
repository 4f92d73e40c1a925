import { daysText, periodText } from '../checks/entries'
import { dialText } from '../heaters/dial'
import { FLOW_STEP_K } from '../heaters/flow-temperature'
import { boostNotice } from '../household/boost'
import { burnScale } from '../household/burn-scale'
import { dialGuides, marksOn, requiredAt } from '../household/dial-guide'
import type { Entries } from '../household/fit-controller'
import { lastDayThere } from '../household/last-day'
import { LOOP_MODE_WORDS } from '../household/loop-mode-words'
import { flowText } from '../household/setting-words'
import { CIRCULATION } from '../study/commanded'
import { displayOf } from '../study/display-of'
import { hasSetpoint } from '../study/heater-kinds'
import { CIRCUITS } from '../study/heating'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import { wordsOf } from '../study/words-of'
import { writeDay } from '../units/dates'
import type { Display } from '../units/display'
import { controllerFits } from '../views/controller-fit'
import { stepsText } from '../views/flow-step-words'
import { FOR_HOUSEHOLD } from '../views/heating-side'
import { type Html, html, page } from './html'

const section = (title: string, body: Html | Html[] | null): Html | null =>
  body === null || (Array.isArray(body) && body.length === 0)
    ? null
    : html`<section>
        <h2>${title}</h2>
        ${body}
      </section>`

/** Setpoints: each heater with its temperature, its dial where it has one, and what is set by hand beside it. */
function setpoints(study: Study, write: Display, words: (text: string) => string): Html {
  const controls = controlsOf(study)
  const guides = dialGuides(study, (of) => requiredAt(controls, of))
  const rows = study.plant.heaters.filter(hasSetpoint).map((h) => {
    const { setpointC, holidayC, pasteurisation, overrides } = controls.heaters[h.id]
    const dial = guides.find((g) => g.of === h.id)
    return html`<tr>
      <td>
        ${h.name}${dial && html`<br /><span class="soft">${dialWords(dial, write)}</span>`}${holidayC !== null && html`<br /><span class="soft">${words('Holiday')}: ${write.temperature(holidayC)}</span>`}${pasteurisation && html`<br /><span class="soft">${words(`Pasteurisation cycle to ${write.temperature(pasteurisation.toC)} each week: hot water scalds meanwhile`)}</span>`}${overrides.map((o) => html`<br /><span class="warn">${write.temperature(o.setpointC)} ${words(`by hand: ${boostNotice(study, o, write)}`)}</span>`)}
      </td>
      <td class="n big">${write.temperature(setpointC)}</td>
    </tr>`
  })
  return html`<table>
    ${rows}
  </table>`
}

function dialWords(guide: ReturnType<typeof dialGuides>[number], write: Display): string {
  const names = marksOn(guide)
  const read = guide.marks.map((m) => `${dialText(names, m.division)} = ${write.temperature(m.tempC)}`)
  return `Dial, as measured: ${read.length ? read.join(', ') : 'not read yet'}`
}

/** What is keyed into each controller, in the order of its keys; what has to read empty stands there too. */
function programmes(study: Study, write: Display, words: (text: string) => string): Html[] {
  return controllerFits(study).map(({ of, name, controller, entries, problems, unusedReads }) => {
    const title = `${controller?.name ?? 'Controller'}: ${words(name)}`
    const loop = of === CIRCULATION ? ` (${words(LOOP_MODE_WORDS[controlsOf(study).loop.mode].name)})` : ''
    if (problems.length)
      return html`<h3>${title}${loop}</h3>
        <p class="warn">${words('Cannot be entered as planned:')} ${problems.map(words).join(' ')}</p>`
    return html`<h3>${title}${loop}</h3>
      <table>
        ${entries.map(
          ({ days, periods }) =>
            html`<tr>
              <th>${daysText(days)}</th>
              <td>
                ${periodLines(periods, write, words(unusedReads)).map((line, i) => html`${i > 0 && html`<br />`}${line}`)}
              </td>
            </tr>`,
        )}
      </table>`
  })
}

/** Periods of a programme line by line; those that are not used stand together in one. */
function periodLines(periods: Entries['periods'], write: Display, unusedReads: string): Html[] {
  const used = periods.filter((p) => p !== null)
  const unused = periods.length - used.length
  const first = used.length + 1
  return [
    ...used.map((p, i) => html`${i + 1}. <b>${periodText(p, write)}</b>`),
    ...(unused > 0 ? [html`${unused > 1 ? `${first}–${periods.length}` : first}. ${unusedReads}`] : []),
  ]
}

/** The heating side: flow, rooms, pressure with its levels, and what to do when it is too cold. */
function heating(study: Study, write: Display, words: (text: string) => string): Html | null {
  const { heating } = study
  if (!heating) return null
  const { flow, comfortC, economyC } = controlsOf(study).heating
  const bar = (x: number | null) => (x === null ? null : write.figure('pressure', x, 1))
  const rows: [string, string][] = [
    ...(flow ? [['Heating flow temperature', flowText(flow, write)] as [string, string]] : []),
    ...(heating.steps ? [['Flow in small steps', stepsText(heating.steps, write)] as [string, string]] : []),
    ...(comfortC === null ? [] : [['Room control, comfort', write.temperature(comfortC)] as [string, string]]),
    ...(economyC === null ? [] : [['Room control, lowered', write.temperature(economyC)] as [string, string]]),
    ...CIRCUITS.flatMap((name) => {
      const c = heating.circuits[name]
      if (!c) return []
      const says = [
        bar(c.coldBar) && `${bar(c.coldBar)} cold`,
        bar(c.warnBar) && `top up below ${bar(c.warnBar)}`,
        bar(c.reliefBar) && `relief valve at ${bar(c.reliefBar)}`,
      ].filter(Boolean)
      return says.length ? [[`Pressure, ${name} circuit`, says.join(', ')] as [string, string]] : []
    }),
  ]
  return html`<table>
      ${rows.map(
        ([what, value]) =>
          html`<tr>
            <td>${words(what)}</td>
            <td class="n"><b>${value}</b></td>
          </tr>`,
      )}
    </table>
    <p>
      <b>${words('All rooms too cold in a frost:')}</b>
      ${words(`raise the flow temperature by ${write.figure('rise', FLOW_STEP_K)}, wait two days, and note the day and how warm it was. Put it back when the frost has gone.`)}
    </p>
    <p class="soft">${words(FOR_HOUSEHOLD)}</p>`
}

const percent = (share: number) => `${(100 * share).toFixed(1)}%`

/** Who to call, and whose rules bind. */
function whoToCall(study: Study): Html {
  const { handover, controls } = study
  const name = [controls.by, handover.mark].filter(Boolean).join(', ')
  return html`<p class="big">${handover.phone || 'no telephone number written down'}</p>
    <p>${name || 'no engineer written down'}</p>`
}

/** The settings of a household on one side of a sheet, as HTML: what is entered where, what is left alone, and who to call. */
export function settingsSheet(study: Study): string {
  const write = displayOf(study)
  const words = wordsOf(study)
  const { handover, controls } = study
  const { limitC } = burnScale(study)
  const on = controls.setOn ?? lastDayThere(study)
  const picture = (id: string | null) => study.readings.find((r) => r.id === id)?.photo ?? null
  const others = controls.own.map((s) => `${s.place}, ${s.what}: ${s.now ?? s.found} ${s.unit}`.trim())
  const body = html`<h1>${words('Settings sheet')}: ${study.name}</h1>
    <p class="soft">
      ${on ? words(`As set on ${writeDay(on, study.units)}.`) : words('No day of the visit is written down.')}
      ${words('Keep it where the controller is.')}
    </p>
    <div class="columns">
      ${section(words('Hot water'), setpoints(study, write, words))}
      ${section(words('Controllers, in the order of their keys'), programmes(study, write, words))}
      ${section(
        words('Other settings'),
        others.map((o) => html`<p>${o}</p>`),
      )}
      ${section(words('Heating'), heating(study, write, words))}
      ${section(
        words('Leave alone'),
        handover.leaveAlone.map(
          (l, i) =>
            html`<p>${i + 1}. <b>${l.what}</b>${l.why && `: ${l.why}`}</p>
              ${picture(l.picture) && html`<div class="marked"><img src="${picture(l.picture)}" alt="${l.what}" />${l.at && html`<span class="mark" style="left:${percent(l.at.x)};top:${percent(l.at.y)}">${i + 1}</span>`}</div>`}`,
        ),
      )}
      ${section(words('Scald hazard'), html`<p class="warn">${words(`Water above ${write.temperature(limitC)} at an outlet can burn, children and old people first. Run cold water into a bath before hot, and feel it.`)}</p>`)}
      ${section(words('Going away'), html`<p>${words('Setpoint to holiday, circulation pump off, then shut the water. Coming back: water on, heat the whole cylinder through, then run every outlet hot before anybody showers.')}</p>`)}
      ${section(
        words('Rules of this place'),
        handover.rules.map(
          (r) => html`<p>${r.about}: ${[r.place, r.number, r.edition].filter(Boolean).join(', ') || 'not cited'}</p>`,
        ),
      )}
      ${section(words('Who to call'), whoToCall(study))}
    </div>`
  return page(`${words('Settings sheet')}: ${study.name}`, study.units === 'us' ? 'en-US' : 'en-GB', body)
}
