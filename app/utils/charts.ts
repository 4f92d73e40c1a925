import { Chart } from 'chart.js'

/** Charts are lettered like the rest. */
export function letterCharts(): void {
  Chart.defaults.font.family = "'Source Sans 3 Variable', system-ui, sans-serif"
  Chart.defaults.font.size = 13
}

/** Colours of the page that charts are drawn in. */
const INKS = ['ink', 'ink-soft', 'line', 'line-strong', 'copper', 'copper-deep', 'verdigris'] as const
export type Ink = (typeof INKS)[number]

/** The page's colours as they are now: a canvas knows none of its variables, nor whether it is light or dark. */
export function inks(): Record<Ink, string> {
  const probe = document.body.appendChild(document.createElement('i'))
  const read = (ink: Ink) => {
    probe.style.color = `var(--color-${ink})`
    return getComputedStyle(probe).color
  }
  const all = Object.fromEntries(INKS.map((ink) => [ink, read(ink)])) as Record<Ink, string>
  probe.remove()
  Chart.defaults.color = all['ink-soft']
  return all
}
