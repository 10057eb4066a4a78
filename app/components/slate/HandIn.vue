<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { Rules } from '~~/core/handout/rules'
import { leftToDo, progress, type Left } from '~~/core/placement/tasks'
import { shortNames } from '~~/core/roster/names'
import type { Author } from '~~/core/slate/actor'
import type { SlateKind } from '~~/core/slate/kind'
import { besideName, firstToWork } from '~~/core/slate/beside'
import type { Move } from '~~/core/slate/move'
import { editMove } from '~~/core/slate/texts'
import { LONGEST_TEXT, type SlateState } from '~~/core/slate/state'
import { askedReasons } from '~/composables/slate/reasons'
import type { Member } from '~/composables/slate/useSlate'

/**
 * Before it is handed in: what is empty, with a way there; why it was sorted so; who isn't done; a word to the teacher.
 */
const { open, edition, state, before, kind, members, here, own, rules, counted, handIn } = defineProps<{
  open: boolean
  edition: Edition
  state: SlateState
  /** The state at the end of the try before; null in the first. */
  before: SlateState | null
  kind: SlateKind
  members: readonly Member[]
  /** Those of the others who have the slate before them. */
  here: ReadonlySet<Author>
  own: Author
  rules: Rules
  counted: boolean
  handIn: (word: string) => Promise<unknown>
}>()
const emit = defineEmits<{ close: []; go: [left: Left]; make: [move: Move] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const word = ref('')
const left = computed(() => (open ? leftToDo(state, edition) : []))
const done = computed(() => progress(state, edition))
/** In another try: what is seen differently now, if nothing was written yet when it was opened. */
const compares = ref(false)
const differently = computed(() => besideName(firstToWork(edition.board).id, 'differently'))
/** Those that were empty when it was opened, so that a line doesn't go while it is written. */
const asked = shallowRef<ReturnType<typeof askedReasons>>([])
watch(
  () => open,
  now => {
    if (!now) return
    asked.value = askedReasons(edition.board).filter(({ name }) => !state.texts[name]?.trim())
    compares.value = !!before && !state.texts[differently.value]?.trim()
  },
  { immediate: true },
)
/** Whoever hands in is done. */
const notDone = computed(() =>
  kind === 'frame' && rules.handInBy === 'all-done'
    ? members.filter(member => !member.done && authorOf(member) !== own)
    : [],
)
const waiting = computed(() => notDone.value.filter(member => here.has(authorOf(member))))
/** Who is away holds nobody up. */
const without = computed(() => notDone.value.filter(member => !here.has(authorOf(member))))
const short = computed(() => shortNames(members.map(member => member.name)))
async function send() {
  if (await attempt(async () => (await handIn(word.value), true))) emit('close')
}
</script>

<template>
  <UiAsk :open="open" :title="t(counted ? 'slate.handInTitle' : 'slate.finishTitle')" @close="emit('close')">
    <p v-if="waiting.length" class="trouble mb-3" role="status">
      {{ t('together.waitFor', { names: waiting.map(member => short(member.name)).join(', ') }) }}
    </p>
    <p v-if="without.length && !waiting.length" class="told mb-3" role="status">
      {{ t('together.without', { names: without.map(member => short(member.name)).join(', ') }) }}
    </p>
    <SlateLeft v-if="done.placed < done.of" :board="edition.board" :left="left" @go="emit('go', $event)" />
    <p v-else class="text-lg">{{ t('slate.allPlaced') }}</p>
    <div v-if="asked.length" class="mt-3 flex flex-col gap-2" data-test="asked">
      <p class="font-semibold">{{ t('beside.stillAsked') }}</p>
      <LazySlateReasons :reasons="asked" :state="state" :before="before" editable @make="emit('make', $event)" />
    </div>
    <label v-if="compares" class="mt-3 block"
      ><span class="label">{{ t('beside.differently') }}</span
      ><LazyBoardWritingField
        class="field"
        lines="many"
        rows="2"
        :text="state.texts[differently] ?? ''"
        :weave="state.weaves?.[`text:${differently}`]"
        :longest="LONGEST_TEXT"
        @edit="emit('make', editMove({ of: 'text', name: differently }, $event))"
    /></label>
    <label v-if="counted" class="mt-3 block"
      ><span class="label">{{ t('slate.word') }}</span
      ><textarea v-model="word" dir="auto" class="field" rows="2" maxlength="500" />
    </label>
    <p class="mt-2">{{ t(counted ? 'slate.thenNothingMoves' : 'slate.thenFinished') }}</p>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons>
      <button type="button" class="button" @click="emit('close')">{{ t('slate.keepWorking') }}</button>
      <button type="button" class="button button-action" :disabled="busy || waiting.length > 0" @click="send">
        {{ t(counted ? 'slate.handInNow' : 'slate.finishNow') }}
      </button>
    </template>
  </UiAsk>
</template>
