import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { bandPath, bandRole, heatBands, isEnd } from '../views/heat-bands'
import type { HeatNode } from '../year/account/heat-flow'
import { cameInKwh, moneyByStation } from '../year/account/where-it-goes'
import type { YearResult } from '../year/result'
import { type Html, html } from './html'

/** Inks of the drawings on paper: told apart in grey too. */
const INKS: Record<HeatNode['role'], string> = {
  bought: '#1d1a16',
  free: '#3f7d6c',
  passes: '#a4582c',
  lost: '#b9b0a2',
  useful: '#3f7d6c',
}
const WIDTH = 720
const LABELS = 210
/** Of a drawing whose words are translated. */
type Words = (text: string) => string

/** Where the heat of a year went, as bands as wide as it. */
export function heatDrawing(year: YearResult, write: Display, words: Words): Html {
  const graph = heatBands(year, year, { width: WIDTH, labels: LABELS })
  const height = Math.max(...graph.nodes.map((n) => n.y1 ?? 0)) + 24
  const total = cameInKwh(year)
  return html`<svg
    viewBox="0 0 ${WIDTH} ${Math.ceil(height)}"
    role="img"
    aria-label="${words(`Heat flow of ${write.energy(total)} input`)}"
  >
    ${graph.links.map(
      (l) =>
        html`<path
          d="${bandPath(l) ?? ''}"
          fill="none"
          stroke="${INKS[bandRole(l)]}"
          stroke-width="${Math.max(1, l.width ?? 0).toFixed(1)}"
          stroke-opacity="0.4"
        />`,
    )}${graph.nodes.map((n) => {
      const [x0, x1, y0, y1] = [n.x0 ?? 0, n.x1 ?? 0, n.y0 ?? 0, n.y1 ?? 0]
      const text = `${words(n.name)}: ${write.energy(n.value ?? 0)}, ${Math.round((100 * (n.value ?? 0)) / total)}%`
      return html`<rect
          x="${x0.toFixed(1)}"
          y="${y0.toFixed(1)}"
          width="${(x1 - x0).toFixed(1)}"
          height="${Math.max(1.5, y1 - y0).toFixed(1)}"
          fill="${INKS[n.role]}"
        /><text
          x="${(isEnd(n) ? x1 + 6 : x0).toFixed(1)}"
          y="${(isEnd(n) ? (y0 + y1) / 2 + 4 : y0 - 4).toFixed(1)}"
          font-size="12"
          >${text}</text
        >`
    })}
  </svg>`
}

/** The line of water, from the cold main to the drain, each station with what it costs in the year. */
export function waterLine({ plant, pipes }: Study, year: YearResult, write: Display, words: Words): Html {
  const money = moneyByStation(year)
  const stations = [
    { name: words('Cold main'), costs: null },
    { name: plant.heaters.map((h) => h.name).join(', '), costs: money.heater },
    ...(plant.store ? [{ name: plant.store.name, costs: money.store }] : []),
    ...(pipes.loop ? [{ name: words('Circulation'), costs: money.loop }] : []),
    { name: words('Pipe runs'), costs: money.runs },
    { name: words('Outlets'), costs: money.taps },
    { name: words('Draw-off to waste'), costs: money.toWaste },
  ]
  const step = WIDTH / stations.length
  const cut = (text: string) => (text.length > 17 ? `${text.slice(0, 16)}…` : text)
  return html`<svg viewBox="0 0 ${WIDTH} 74" role="img" aria-label="${words('System diagram with annual costs')}">
    <path d="M${step / 2} 22H${WIDTH - step / 2}" stroke="#a4582c" stroke-width="5" />
    ${stations.map(
      ({ name, costs }, i) =>
        html`<circle
            cx="${(step * (i + 0.5)).toFixed(1)}"
            cy="22"
            r="9"
            fill="#fff"
            stroke="#1d1a16"
            stroke-width="2"
          /><text x="${(step * (i + 0.5)).toFixed(1)}" y="50" font-size="11" text-anchor="middle">${cut(name)}</text
          >${costs !== null && html`<text x="${(step * (i + 0.5)).toFixed(1)}" y="66" font-size="12" font-weight="600" text-anchor="middle">${write.money(costs)}</text>`}`,
    )}
  </svg>`
}

/** From a year to another in steps, each beginning where the one before it ended. */
export function cascadeDrawing(
  { from, steps, to }: { from: number; steps: readonly { name: string; from: number; to: number }[]; to: number },
  write: (x: number) => string,
  words: Words,
): Html {
  const rows = [
    { name: words('Before'), low: 0, high: from, text: write(from), ink: '#1d1a16' },
    ...steps.map((s) => ({
      name: s.name,
      low: Math.min(s.from, s.to),
      high: Math.max(s.from, s.to),
      text: write(s.to - s.from),
      ink: s.to > s.from ? '#a2381f' : '#3f7d6c',
    })),
    { name: words('After'), low: 0, high: to, text: write(to), ink: '#1d1a16' },
  ]
  const least = Math.min(0, ...rows.map((r) => r.low))
  const most = Math.max(1e-9, ...rows.map((r) => r.high))
  const at = (x: number) => 240 + ((x - least) / (most - least)) * (WIDTH - 330)
  const cut = (text: string) => (text.length > 36 ? `${text.slice(0, 35)}…` : text)
  return html`<svg viewBox="0 0 ${WIDTH} ${rows.length * 22 + 4}" role="img" aria-label="${words('Saving by measure')}">
    ${rows.map(
      (r, i) =>
        html`<text x="0" y="${i * 22 + 15}" font-size="12">${cut(r.name)}</text
          ><rect
            x="${at(r.low).toFixed(1)}"
            y="${i * 22 + 3}"
            width="${Math.max(1.5, at(r.high) - at(r.low)).toFixed(1)}"
            height="16"
            fill="${r.ink}"
          /><text x="${(at(r.high) + 6).toFixed(1)}" y="${i * 22 + 15}" font-size="12">${r.text}</text>`,
    )}
  </svg>`
}
