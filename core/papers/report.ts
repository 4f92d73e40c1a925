import { citation, publishedFigures } from '../household/data-source'
import { lastDayThere } from '../household/last-day'
import { settingsOf, wasChanged } from '../household/register'
import type { Ranges } from '../scenarios/ranges'
import { displayOf } from '../study/display-of'
import type { Package } from '../study/measures'
import type { Study } from '../study/study'
import { wordsOf } from '../study/words-of'
import { writeDay } from '../units/dates'
import type { Display } from '../units/display'
import { appraisalRows } from '../views/appraisal-words'
import { cascadeOf } from '../views/cascade'
import type { FullComparison } from '../views/compare'
import { findingsOf } from '../views/findings'
import { FORMULAS } from '../views/formula-words'
import { LEVEL_WORDS } from '../views/level-words'
import { measuredOnPaper } from '../views/measured'
import { OPEN_WORDS, openItems } from '../views/open-items'
import { costText, paybackRangeText } from '../views/payback-words'
import { spreadText } from '../views/range-words'
import { systemText } from '../views/system-text'
import { figureRows } from '../views/year-figure-words'
import { figuresOfYear } from '../year/figures'
import { cascadeDrawing, heatDrawing, waterLine } from './drawings'
import { type Html, html, page } from './html'
import { inputsOf } from './inputs'

/** What a report is made of: the household, its years, and how far the savings may lie apart where that was worked out. */
export interface Reported {
  study: Study
  comparison: FullComparison
  /** By package; none was worked out for one that is not there. */
  ranges: ReadonlyMap<string, Ranges>
  /** Day on which it is written. */
  on: string
}

interface Writing {
  study: Study
  write: Display
  words: (text: string) => string
}

const SEVERITY_WORDS = { danger: 'Danger', action: 'Action', check: 'Check' } as const

function found({ study, write, words }: Writing, comparison: FullComparison): Html {
  const findings = findingsOf(comparison.checks)
  const changed = settingsOf(study).filter(wasChanged)
  return html`<h2>${words('What was found')}</h2>
    <p>${systemText(study, write)}.</p>
    <table>
      ${findings.map(
        (f) =>
          html`<tr>
            <th>${SEVERITY_WORDS[f.severity]}</th>
            <td>
              <b>${f.title}</b><br />${f.sentence}${f.remedy && html`<br /><span class="soft">${f.remedy}</span>`}
            </td>
          </tr>`,
      )}
    </table>
    ${
      changed.length > 0 &&
      html`<h2>${words('What was set')}</h2>
        <table>
          <tr>
            <th>${words('Setting')}</th>
            <th>${words('Found')}</th>
            <th>${words('Now')}</th>
          </tr>
          ${changed.map(
            (s) =>
              html`<tr>
                <td>${words(`${s.what} of ${s.place}`)}</td>
                <td>${words(s.say(s.found, write))}</td>
                <td><b>${words(s.say(s.now, write))}</b></td>
              </tr>`,
          )}
        </table>`
    }`
}

function measured({ study, write, words }: Writing): Html | null {
  const all = measuredOnPaper(study, write)
  if (all.length === 0)
    return html`<h2>${words('What was measured')}</h2>
      <p>${words('Nothing yet: every figure is entered or assumed.')}</p>`
  return html`<h2>${words('What was measured')}</h2>
    <table>
      ${all.map(
        (m) =>
          html`<tr>
            <th>
              ${words(m.title)}${m.place && `, ${m.place}`}<br /><span class="soft"
                >${m.on}${m.applied && words(', applied')}</span
              >
            </th>
            <td>${m.figures.map((f) => html`${words(f)}<br />`)}${m.against && words(m.against)}</td>
            <td>${m.photo && html`<img src="${m.photo}" alt="${words(m.title)}" />`}</td>
          </tr>`,
      )}
    </table>`
}

/** The year before anything is bought, in figures and in bands. */
function theYear({ study, write, words }: Writing, { asFound, asSet, packages }: FullComparison): Html {
  const now = asSet?.result ?? asFound
  const rows = figureRows(Math.min(now.comfort.waiting, ...packages.map((p) => p.result.comfort.waiting)))
  const columns = [
    { name: words('As found'), year: asFound },
    ...(asSet ? [{ name: words('As set'), year: asSet.result }] : []),
    ...packages.map((p) => ({ name: p.name, year: p.result })),
  ]
  const figures = columns.map((c) => ({ ...c, of: figuresOfYear(c.year) }))
  return html`<h2>${words('A year of hot water')}</h2>
    <table>
      <tr>
        <th></th>
        ${figures.map((c) => html`<th class="n">${c.name}</th>`)}
      </tr>
      ${rows.map(
        (r) =>
          html`<tr>
            <td>${words(r.name)}</td>
            ${figures.map((c) => html`<td class="n">${r.write(write, c.of[r.key])}</td>`)}
          </tr>`,
      )}
    </table>
    <p class="soft">${words('Simulated, with the weather, draw-offs and prices of the appendix; not a bill.')}</p>
    <h3>${words('What it costs on its way, as it stands')}</h3>
    ${waterLine(study, now, write, words)}
    <h3>${words('Where the heat goes, as it stands')}</h3>
    ${heatDrawing(now, write, words)}`
}

/** A package: what it saves and how surely, what it is made of, who does it, what it makes worse. */
function proposed(
  { write, words }: Writing,
  comparison: FullComparison,
  result: FullComparison['packages'][number],
  pack: Package,
  range: Ranges | null,
): Html {
  const base = comparison.asSet?.result ?? comparison.asFound
  const rows = figureRows(Math.min(base.comfort.waiting, result.result.comfort.waiting))
  const cascade = cascadeOf(base, result, 'cost')
  const savings = range?.savings
  return html`<h2>${words('Proposed')}: ${pack.name}</h2>
    <table>
      <tr>
        <th>${words('Saved in a year')}</th>
        <th class="n">${words('Computed')}</th>
        <th class="n">${words('Range, 8 of 10 samples')}</th>
      </tr>
      ${rows.map(
        (r) =>
          html`<tr>
            <td>${words(r.name)}</td>
            <td class="n">${r.write(write, -result.againstSet[r.key])}</td>
            <td class="n">
              ${savings ? spreadText(savings[r.key], (x) => r.write(write, x)) : words('not worked out')}
            </td>
          </tr>`,
      )}
    </table>
    <p>
      ${words('Cost')}:
      ${words(costText(result.costMoney, write))}.${savings && ` ${words(`Simple payback: ${paybackRangeText(result.costMoney, savings.cost)}.`)}`}
    </p>
    <h3>${words('Saving by measure, money a year')}</h3>
    ${cascadeDrawing(cascade, write.money, words)}
    <table>
      ${result.measures.map(
        (m) =>
          html`<tr>
            <td>
              <b>${m.name}</b><br /><span class="soft">${words(m.who)}</span>${m.checks
                .filter((c) => c.level !== 'pass')
                .map((c) => html`<br />${words(LEVEL_WORDS[c.level])}: ${c.sentence}`)}
            </td>
            <td class="n">${write.moneyChange(-m.inOrder.cost)}</td>
            <td class="n">${words(costText(m.costMoney, write))}</td>
          </tr>`,
      )}
    </table>
    ${
      result.brought.length > 0 &&
      html`<h3>${words('Made worse by it')}</h3>
        <ul>
          ${result.brought.map((b) => html`<li>${words(LEVEL_WORDS[b.level])}: ${b.title}. ${b.sentence}</li>`)}
        </ul>`
    }
    ${
      result.appraisal &&
      html`<h3>${words('Money over the years')}</h3>
        <ul>
          ${appraisalRows(result.appraisal, write).map(([name, text]) => html`<li>${words(name)}: ${words(text)}</li>`)}
        </ul>`
    }`
}

function appendix({ study, words }: Writing): Html {
  const inputs = inputsOf(study)
  const published = publishedFigures(study)
  return html`<h2>${words('Appendix: how the figures come about')}</h2>
    <table>
      ${FORMULAS.map(
        (f) =>
          html`<tr>
            <th>${words(f.figure)}</th>
            <td>${words(f.formula)}</td>
            <td class="soft">${words(f.source)}</td>
          </tr>`,
      )}
    </table>
    ${
      published.length > 0 &&
      html`<h3>${words('Figures of others')}</h3>
        <ul>
          ${published.map((p) => html`<li>${words(p.name)}: ${words(citation(p.dataSource))}</li>`)}
        </ul>`
    }
    <h3>${words('Every input, in the units of the file (metric)')}</h3>
    <p class="soft">${words('Entered where nothing is said beside it.')}</p>
    <div class="inputs">
      ${inputs.map(
        (i) =>
          html`<p>
            ${i.path}
            <b class="${i.origin === 'assumed' ? 'assumed' : ''}">${i.value}</b
            >${i.origin !== 'entered' && ` (${words(i.origin)})`}
          </p>`,
      )}
    </div>`
}

/** The report for the householder, with an appendix for the next engineer: one HTML file, nothing fetched from elsewhere. */
export function report({ study, comparison, ranges, on }: Reported): string {
  const writing: Writing = { study, write: displayOf(study), words: wordsOf(study) }
  const { words, write } = writing
  const { controls, handover, site } = study
  const day = (iso: string) => writeDay(iso, study.units)
  const open = openItems(study, comparison.checks, on, write).filter((i) => i.kind !== 'upkeep')
  const there = lastDayThere(study)
  const assumed = Object.values(study.origins).filter((o) => o === 'assumed').length
  const body = html`<h1>${words('Hot water report')}: ${study.name}</h1>
    <p>
      ${[site.name, there && words(`visited ${day(there)}`), words(`written ${day(on)}`)].filter(Boolean).join(' · ')}
    </p>
    <p>
      ${[controls.by, handover.mark, handover.phone].filter(Boolean).join(', ') || words('No engineer is written down.')}
    </p>
    ${found(writing, comparison)} ${measured(writing)} ${theYear(writing, comparison)}
    ${comparison.packages.map((p, i) => proposed(writing, comparison, p, study.packages[i], ranges.get(p.id) ?? null))}
    <h2>${words('Open items')}</h2>
    ${
      open.length === 0
        ? html`<p>${words('None.')}</p>`
        : html`<table>
            ${open.map(
              (i) =>
                html`<tr>
                  <th>${words(OPEN_WORDS[i.kind])}</th>
                  <td><b>${i.title}</b><br />${i.says}</td>
                  <td>${i.due && day(i.due)}</td>
                </tr>`,
            )}
          </table>`
    }
    <h2>${words('Cautions')}</h2>
    <p class="warn">
      ${words('Hot water can scald and carries legionella risk. Gas, electrical, pressure and drinking water work is for a registered installer; the local code and the manufacturer’s instructions go before this paper.')}
    </p>
    ${
      handover.rules.length > 0 &&
      html`<h3>${words('Rules of this place')}</h3>
        <ul>
          ${handover.rules.map((r) => html`<li>${r.about}: ${[r.place, r.number, r.edition].filter(Boolean).join(', ') || 'not cited'}</li>`)}
        </ul>`
    }
    <h2>${words('What the figures rest on')}</h2>
    <p>
      ${assumed === 0 ? words('No input is assumed.') : words(`${assumed} inputs are still assumed; they are marked in the appendix.`)}
    </p>
    ${appendix(writing)}`
  return page(`${words('Hot water report')}: ${study.name}`, study.units === 'us' ? 'en-US' : 'en-GB', body)
}
