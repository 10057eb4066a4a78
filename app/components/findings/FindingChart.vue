<script setup lang="ts">
import { BarController, BarElement, CategoryScale, Chart, Legend, LinearScale, Tooltip } from 'chart.js'
import { Bar } from 'vue-chartjs'

export interface Bars {
  readonly labels: readonly string[]
  /** What the labels are, and what is counted. */
  readonly of: string
  readonly count: string
  /** Bars that go to the right, one below the other. */
  readonly lying?: boolean
  /** On each other; the table beside it says the same in numbers. */
  readonly series: readonly { readonly name: string; readonly tone: Tone; readonly values: readonly number[] }[]
}
type Tone = 'leaf' | 'berry' | 'sunfleck' | 'stone'

/** A finding as bars. Whoever can't see them has the sentence above and the table below. */
const { bars, label } = defineProps<{ bars: Bars; label: string }>()
Chart.register(BarController, BarElement, CategoryScale, Legend, LinearScale, Tooltip)

const style = getComputedStyle(document.documentElement)
const token = (name: string) => style.getPropertyValue(name).trim()
const TONES: Readonly<Record<Tone, string>> = {
  leaf: token('--color-leaf-600'),
  berry: token('--color-berry-700'),
  sunfleck: token('--color-sunfleck-400'),
  stone: token('--panel-line'),
}
const ink = token('--ink')
const line = token('--panel-line')
/** What is wrong is hatched: it is told from what is right without its colour. */
function hatched(colour: string): CanvasPattern | string {
  const tile = Object.assign(document.createElement('canvas'), { width: 8, height: 8 })
  const pen = tile.getContext('2d')
  if (!pen) return colour
  pen.strokeStyle = colour
  pen.lineWidth = 3
  for (const x of [-4, 4, 12]) {
    pen.moveTo(x - 6, 10)
    pen.lineTo(x + 6, -2)
  }
  pen.stroke()
  return pen.createPattern(tile, 'repeat') ?? colour
}
const FILLS = { ...TONES, berry: hatched(TONES.berry) }
const MOST_LABEL = 28
const data = computed(() => ({
  labels: bars.labels.map(text => (text.length > MOST_LABEL ? `${text.slice(0, MOST_LABEL - 1)}…` : text)),
  datasets: bars.series.map(({ name, tone, values }) => ({
    label: name,
    data: [...values],
    backgroundColor: FILLS[tone],
    borderColor: ink,
    borderWidth: 1,
    maxBarThickness: 28,
  })),
}))
Chart.defaults.font.family = getComputedStyle(document.body).fontFamily
const still = matchMedia('(prefers-reduced-motion: reduce)').matches
const options = computed(() => {
  const axis = (text: string, counts: boolean) => ({
    stacked: true,
    title: { display: true, text, color: ink },
    ticks: { color: ink, ...(counts && { precision: 0 }) },
    grid: { color: counts ? line : 'transparent' },
  })
  const [labels, counts] = [axis(bars.of, false), axis(bars.count, true)]
  return {
    indexAxis: bars.lying ? ('y' as const) : ('x' as const),
    maintainAspectRatio: false,
    animation: still ? (false as const) : { duration: 200 },
    scales: bars.lying ? { x: counts, y: { ...labels, title: { display: false } } } : { x: labels, y: counts },
    plugins: { legend: { display: bars.series.length > 1, labels: { color: ink } } },
  }
})
/** Room for each bar, and for what stands around them. */
const height = computed(() => (bars.lying ? 90 + 26 * bars.labels.length : 220))
</script>

<template>
  <div :style="{ height: `${height}px` }" role="img" :aria-label="label">
    <Bar :data="data" :options="options" aria-hidden="true" />
  </div>
</template>
