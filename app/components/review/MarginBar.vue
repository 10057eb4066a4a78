<script setup lang="ts">
import { LONGEST_NOTE } from '~~/core/margin/item'
import { MARGIN_TOOLS, type useMarginTools } from '~/composables/review/useMarginTools'

/** The tools of the margin, how the one in hand is used, and what it asks for. */
const {
  tools: desk,
  past,
  atWork,
} = defineProps<{
  tools: ReturnType<typeof useMarginTools>
  /** An earlier state is looked at, on which nothing is written. */
  past: boolean
  atWork: boolean
}>()
const { tool, tools, takes, picking, cards, wrong, chosen } = desk
const atOnce = defineModel<boolean>('atOnce', { required: true })
const { t } = useWords()
const setting = ref(false)
const why = ref('')
const readyWhys = (['rule', 'heading', 'other', 'try'] as const).map(one => t(`sentences.aside.${one}`))
async function setThemAside() {
  setting.value = false
  await desk.setThemAside(why.value.trim())
}
const canUse = computed(() => takes.value === 'anything' || cards.value.length > 0)
</script>

<template>
  <div class="flex flex-wrap items-center gap-2" role="toolbar" :aria-label="t('marginDesk.tools')">
    <button
      v-for="name in tools"
      :key="name"
      type="button"
      class="button px-3"
      :class="tool === name ? 'border-bilberry-700 bg-bilberry-100 text-stone-950' : ''"
      :aria-pressed="tool === name"
      :disabled="past && name !== 'look'"
      @click="tool = name">
      <Icon :name="MARGIN_TOOLS[name].icon" />{{ t(`marginDesk.tool.${name}`) }}
    </button>
    <div class="ml-auto flex flex-wrap gap-2"><slot /></div>
  </div>
  <label v-if="atWork && tool !== 'look' && tool !== 'aside'" class="flex items-center gap-2"
    ><input v-model="atOnce" type="checkbox" class="h-5 w-5" />{{ t('marginDesk.atOnce') }}</label
  >
  <div v-if="picking" class="flex flex-wrap items-center gap-2">
    <p class="note-line" role="status">
      {{ canUse ? t(`marginDesk.how.${picking}`) : t('marginDesk.nothingLies') }}
    </p>
    <template v-if="tool === 'aside'">
      <button
        v-if="wrong.length"
        type="button"
        class="button min-h-10 py-1"
        @click="chosen = new Set(wrong.map(piece => piece.id))">
        {{ t('marginDesk.chooseWrong', { count: wrong.length }) }}
      </button>
      <button
        type="button"
        class="button button-action min-h-10 py-1"
        :disabled="!chosen.size"
        @click="((why = ''), (setting = true))">
        {{ t('marginDesk.setThemAside', { count: chosen.size }) }}
      </button>
    </template>
  </div>
  <UiAsk :open="setting" :title="t('marginDesk.asideTitle', { count: chosen.size })" @close="setting = false">
    <form id="aside" @submit.prevent="setThemAside">
      <label
        ><span class="label">{{ t('marginDesk.asideWhy') }}</span
        ><textarea v-model="why" dir="auto" rows="2" :maxlength="LONGEST_NOTE" class="field" />
      </label>
      <LessonSentences v-model="why" :ready="readyWhys" :longest="LONGEST_NOTE" />
    </form>
    <template #buttons>
      <button type="button" class="button" @click="setting = false">{{ t('app.cancel') }}</button>
      <button form="aside" class="button button-action">
        {{ t('marginDesk.setThemAside', { count: chosen.size }) }}
      </button>
    </template>
  </UiAsk>
</template>
