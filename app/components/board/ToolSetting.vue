<script setup lang="ts">
import { FILL_NAMES, FILLS, INK_NAMES, INKS } from '~~/core/board/inks'
import type { Choice, Setting } from '~~/core/tools/making'
import { SHAPES, SIGNS, TEXT_SIZES, WIDTHS } from '~~/core/slate/own'
import type { WordKey } from '~/plugins/words'

/** One thing to choose about what is made next: what is chosen shows on a button, which opens all there is. */
const { setting, mayBeNone = false } = defineProps<{ setting: Setting; mayBeNone?: boolean }>()
const choice = defineModel<Choice>({ required: true })
const { t } = useWords()
const NONE = 'none'
const root = useTemplateRef<HTMLElement>('root')
const open = ref(false)
const VALUES = {
  ink: INK_NAMES,
  fill: FILL_NAMES,
  wide: Object.keys(WIDTHS),
  size: Object.keys(TEXT_SIZES),
  shape: SHAPES,
  sign: SIGNS,
} as const
const values = computed((): readonly string[] => (mayBeNone ? [NONE, ...VALUES[setting]] : VALUES[setting]))
const chosen = computed(() => (mayBeNone && !choice.value.filled ? NONE : choice.value[setting]))
const nameOf = (value: string) => (value === NONE ? t('tools.noFill') : t(`tools.${setting}.${value}` as WordKey))
const colourOf = (value: string) =>
  setting === 'ink' ? INKS[value as keyof typeof INKS] : setting === 'fill' ? FILLS[value as keyof typeof FILLS] : null
const ICONS: Record<string, string> = {
  none: 'lucide:ban',
  rectangle: 'lucide:rectangle-horizontal',
  ellipse: 'lucide:circle',
  triangle: 'lucide:triangle',
  diamond: 'lucide:diamond',
  tick: 'lucide:check',
  cross: 'lucide:x',
  star: 'lucide:star',
  question: 'lucide:circle-question-mark',
  dot: 'lucide:circle-dot',
}

/** Over its button, wherever the bar is pushed to; not in the bar, which cuts off what stands out of it. */
const above = ref<{ right: string; bottom: string }>()
async function show(now: boolean) {
  const button = root.value!.getBoundingClientRect()
  const { clientWidth, clientHeight } = document.documentElement
  above.value = {
    right: `max(8px, min(${clientWidth - button.right}px, 100vw - 15rem))`,
    bottom: `${clientHeight - button.top + 6}px`,
  }
  open.value = now
  await nextTick()
  root.value?.querySelector<HTMLElement>(now ? '[aria-pressed="true"]' : '[aria-expanded]')?.focus()
}
function choose(value: string) {
  choice.value =
    value === NONE
      ? { ...choice.value, filled: false }
      : { ...choice.value, [setting]: value, ...(mayBeNone && { filled: true }) }
  void show(false)
}
useEventListener(window, 'resize', () => (open.value = false))
useEventListener(window, 'pointerdown', event => {
  if (!root.value?.contains(event.target as Node)) open.value = false
})
</script>

<template>
  <div ref="root" class="relative" @keydown.escape.stop="show(false)">
    <button
      type="button"
      class="button min-w-11 px-2"
      :aria-expanded="open"
      :title="t(`tools.setting.${setting}`)"
      :aria-label="`${t(`tools.setting.${setting}`)}: ${nameOf(chosen)}`"
      @click="show(!open)">
      <span
        v-if="colourOf(chosen)"
        class="block h-6 w-6 rounded-full border border-stone-500"
        :style="{ background: colourOf(chosen)! }" />
      <span
        v-else-if="setting === 'wide'"
        class="block w-6 rounded-full bg-current"
        :style="{ height: `${WIDTHS[chosen as keyof typeof WIDTHS]}px` }" />
      <span
        v-else-if="setting === 'size'"
        class="board-text font-bold"
        :style="{ fontSize: `${10 + TEXT_SIZES[chosen as keyof typeof TEXT_SIZES] / 2.5}px` }"
        >A</span
      >
      <Icon v-else :name="ICONS[chosen]!" size="22" />
      <Icon name="lucide:chevron-up" size="14" />
    </button>
    <div
      v-if="open"
      class="fixed z-20 flex max-h-[70dvh] w-max max-w-[80vw] flex-col gap-1 overflow-y-auto rounded-xl border border-control bg-panel p-1.5 shadow-lg"
      :style="above"
      role="group"
      :aria-label="t(`tools.setting.${setting}`)">
      <button
        v-for="value in values"
        :key="value"
        type="button"
        class="flex min-h-11 items-center gap-3 rounded-lg px-3 text-left"
        :class="chosen === value ? 'bg-sunfleck-200 text-stone-950' : 'hover:bg-field'"
        :aria-pressed="chosen === value"
        @click="choose(value)">
        <span
          v-if="colourOf(value)"
          class="block h-6 w-6 rounded-full border border-stone-500"
          :style="{ background: colourOf(value)! }" />
        <span
          v-else-if="setting === 'wide'"
          class="block w-6 rounded-full bg-current"
          :style="{ height: `${WIDTHS[value as keyof typeof WIDTHS]}px` }" />
        <span
          v-else-if="setting === 'size'"
          class="board-text w-6 font-bold"
          :style="{ fontSize: `${10 + TEXT_SIZES[value as keyof typeof TEXT_SIZES] / 2.5}px` }"
          >A</span
        >
        <Icon v-else :name="ICONS[value]!" size="22" />
        {{ nameOf(value) }}
      </button>
    </div>
  </div>
</template>
