import { Chart } from 'chart.js'

/** Charts are lettered like the rest. */
export function letterCharts(): void {
  Chart.defaults.font.family = "'Source Sans 3 Variable', system-ui, sans-serif"
  Chart.defaults.font.size = 13
  Chart.defaults.color = '#5a5347'
}
