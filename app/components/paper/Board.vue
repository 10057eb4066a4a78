<script setup lang="ts">
import { BOARD_PAPERS, MOST_SETS } from '~~/core/paper/boardPapers'
import type { LeftOut } from '~~/core/format/qti/frame'
import type { KeyKind } from '~~/core/keys/key'
import { SHEET_NAMES, type SheetName } from '~~/core/paper/sheets'

/** How a board comes onto paper, or out as a picture. What is chosen is an address: it can be opened, or kept. */
const { open, board, pages } = defineProps<{ open: boolean; board: string; pages: number }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const WHATS = [...BOARD_PAPERS, 'png', 'svg', 'qti'] as const
type What = (typeof WHATS)[number]
const what = ref<What>('pages')
const chosen = reactive({
  sheet: 'own' as SheetName | 'own',
  grey: false,
  page: 1,
  percent: 150,
  sets: 1,
  headings: 0,
  numbers: false,
  dpi: 150,
})
/** Which of them each asks for. */
const ASKS: Record<What, readonly (keyof typeof chosen)[]> = {
  pages: ['sheet', 'grey'],
  poster: ['sheet', 'page', 'percent', 'grey'],
  'cut-out': ['sheet', 'sets', 'headings', 'numbers', 'grey'],
  'two-sided': ['sheet', 'grey'],
  png: ['page', 'dpi'],
  svg: ['page'],
  qti: [],
}
const asks = (name: keyof typeof chosen) => ASKS[what.value].includes(name) && (name !== 'page' || pages > 1)
const sheets = computed(() => (what.value === 'pages' ? (['own', ...SHEET_NAMES] as const) : SHEET_NAMES))
watch(sheets, now => !(now as readonly string[]).includes(chosen.sheet) && (chosen.sheet = 'a4'))
const NUMBERS = {
  page: [1, pages],
  percent: [25, 400],
  sets: [1, MOST_SETS],
  headings: [0, 12],
  dpi: [36, 600],
} as const
type NumberName = keyof typeof NUMBERS
const numbers = computed(() => (Object.keys(NUMBERS) as NumberName[]).filter(asks))
const within = (name: NumberName) => {
  const [least, most] = NUMBERS[name]
  const wanted = Math.round(Number(chosen[name]))
  return Number.isFinite(wanted) ? Math.min(most, Math.max(least, wanted)) : least
}
const file = computed(() => what.value === 'png' || what.value === 'svg' || what.value === 'qti')
/** What other programs' questions can't carry of this board's answers. */
const carried = shallowRef<{ items: number; left: { kind: KeyKind; why: LeftOut }[] } | null>(null)
const { attempt, trouble } = useAsking()
watch(what, async now => {
  if (now === 'qti' && !carried.value)
    carried.value =
      (await attempt(() => askFor<NonNullable<typeof carried.value>>(`/api/boards/${board}/qti?list=1`))) ?? null
})
const address = computed(() => {
  if (what.value === 'qti') return `/api/boards/${board}/qti`
  const query = new URLSearchParams(file.value ? { format: what.value } : { what: what.value })
  if (asks('sheet')) query.set('sheet', chosen.sheet)
  for (const name of numbers.value) query.set(name, String(name === 'page' ? within(name) - 1 : within(name)))
  for (const name of ['grey', 'numbers'] as const) if (asks(name) && chosen[name]) query.set(name, '1')
  return `/api/boards/${board}/${file.value ? 'picture' : 'paper'}?${query}`
})
</script>

<template>
  <UiAsk :open="open" :title="t('paper.title')" @close="emit('close')">
    <fieldset class="grid gap-x-4 sm:grid-cols-2">
      <legend class="label">{{ t('paper.what') }}</legend>
      <label v-for="one in WHATS" :key="one" class="flex min-h-10 items-center gap-2"
        ><input v-model="what" type="radio" name="paperWhat" class="h-5 w-5" :value="one" />{{
          t(`paper.whats.${one}`)
        }}</label
      >
    </fieldset>
    <p class="note-line mt-2 min-h-12" aria-live="polite">{{ t(`paper.says.${what}`) }}</p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <div v-if="what === 'qti' && carried" class="mt-2" data-test="carried">
      <p>{{ t('paper.qti.items', { count: carried.items }) }}</p>
      <ul v-if="carried.left.length" class="list-disc pl-5">
        <li v-for="(one, i) in carried.left" :key="i">
          {{ t('paper.qti.left', { kind: t(`answers.kinds.${one.kind}`), why: t(`paper.qti.why.${one.why}`) }) }}
        </li>
      </ul>
    </div>
    <div class="mt-2 flex flex-wrap items-end gap-3">
      <label v-if="asks('sheet')"
        ><span class="label">{{ t('paper.sheet') }}</span
        ><select v-model="chosen.sheet" class="field">
          <option v-for="one in sheets" :key="one" :value="one">{{ t(`paper.sheets.${one}`) }}</option>
        </select></label
      >
      <label v-for="name in numbers" :key="name"
        ><span class="label">{{ t(`paper.${name}`) }}</span
        ><input v-model="chosen[name]" type="number" class="field w-28" :min="NUMBERS[name][0]" :max="NUMBERS[name][1]"
      /></label>
      <template v-for="name in ['numbers', 'grey'] as const" :key="name">
        <label v-if="asks(name)" class="flex min-h-11 items-center gap-2"
          ><input v-model="chosen[name]" type="checkbox" class="h-5 w-5" />{{ t(`paper.${name}`) }}</label
        >
      </template>
    </div>
    <template #buttons>
      <button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button>
      <a
        class="button button-action"
        :href="address"
        :target="file ? undefined : '_blank'"
        rel="noopener"
        :download="file ? '' : undefined"
        @click="emit('close')"
        ><Icon :name="file ? 'lucide:download' : 'lucide:printer'" />{{ t(file ? 'paper.save' : 'paper.make') }}</a
      >
    </template>
  </UiAsk>
</template>
