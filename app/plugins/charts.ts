import { Chart } from 'chart.js'

/** Charts are lettered like the rest. */
export default defineNuxtPlugin(() => {
  Chart.defaults.font.family = "'Source Sans 3 Variable', system-ui, sans-serif"
  Chart.defaults.font.size = 13
  Chart.defaults.color = '#5a5347'
})
