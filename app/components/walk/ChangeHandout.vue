<script setup lang="ts">
import { NO_RULES } from '~~/core/handout/noRules'
import type { Rules } from '~~/core/handout/rules'
import { LOOKING, type Looking } from '~~/core/handout/settings'
import type { CarryChange } from '~~/core/slate/carry'
import type { WalkView } from '~/composables/review/useWalk'

/** What can be changed after giving out: words, the day, the board itself, closing, taking back. */
const { open, view } = defineProps<{ open: boolean; view: WalkView }>()
const emit = defineEmits<{ close: []; changed: [] }>()
interface Preview {
  upToDate: boolean
  heldBack: number
  slates: number
  touched: { what: CarryChange['what']; slates: number }[]
  unreadable: number
}

const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const path = computed(() => `/api/handouts/${view.id}`)
const word = ref('')
const day = ref('')
const time = ref('')
const handIn = ref(true)
const rules = ref<Rules>(NO_RULES)
const looking = ref<Looking>('never')
const canLook = computed(() => view.mode === 'frame-per-group' || view.ownPages)
/** Students who have none so far. */
const more = ref<string[]>([])
const preview = ref<Preview | null>(null)
const said = ref('')
const untouched = computed(() => view.slates.every(slate => slate.status === 'not-opened'))
watch(
  () => open,
  async now => {
    if (!now) return
    word.value = view.word
    day.value = view.due?.day ?? ''
    time.value = view.due?.time ?? ''
    handIn.value = view.handIn
    looking.value = view.looking
    rules.value = view.rules
    said.value = ''
    preview.value = (await attempt(() => askFor<Preview>(`${path.value}/correction`))) ?? null
  },
  { immediate: true },
)

async function done(work: () => Promise<unknown>, words: string) {
  if (await attempt(async () => (await work(), true))) {
    said.value = words
    emit('changed')
  }
}
const keep = () =>
  done(
    () =>
      askFor(path.value, {
        method: 'PUT',
        body: {
          word: word.value,
          due: day.value ? { day: day.value, ...(time.value && { time: time.value }) } : null,
          handIn: handIn.value,
          looking: looking.value,
          rules: rules.value,
        },
      }),
    t('change.kept'),
  )
const close = (closed: boolean) =>
  done(() => askFor(path.value, { method: 'PUT', body: { closed } }), t(closed ? 'change.didClose' : 'change.didOpen'))
async function correct() {
  const corrected = await attempt(() =>
    askFor<{ changed: number }>(`${path.value}/correction`, { method: 'POST', body: {} }),
  )
  if (!corrected) return
  said.value = t('change.corrected', { count: corrected.changed })
  preview.value = await askFor<Preview>(`${path.value}/correction`)
  emit('changed')
}
async function openHeld() {
  if (!(await attempt(() => askFor(`${path.value}/held-pages`, { method: 'POST', body: {} })))) return
  said.value = t('change.heldOpened')
  preview.value = await askFor<Preview>(`${path.value}/correction`)
  emit('changed')
}
async function giveToMore() {
  await done(
    () => askFor(`${path.value}/students`, { method: 'POST', body: { students: more.value } }),
    t('change.gaveToMore', { count: more.value.length }),
  )
  more.value = []
}
async function takeBack() {
  if (await attempt(() => askFor(path.value, { method: 'DELETE' }))) await navigateTo('/handouts')
}
</script>

<template>
  <UiAsk :open="open" :title="t('change.title')" wide @close="emit('close')">
    <div class="grid gap-6 md:grid-cols-2">
      <form class="flex flex-col gap-3" @submit.prevent="keep">
        <label
          ><span class="label">{{ t('giveOut.word') }}</span
          ><textarea v-model="word" rows="3" maxlength="500" class="field" />
        </label>
        <div class="flex flex-wrap gap-3">
          <label
            ><span class="label">{{ t('giveOut.due') }}</span
            ><input v-model="day" type="date" class="field"
          /></label>
          <label v-if="day"
            ><span class="label">{{ t('giveOut.dueTime') }}</span
            ><input v-model="time" type="time" class="field"
          /></label>
        </div>
        <label class="flex items-center gap-2"
          ><input v-model="handIn" type="checkbox" />{{ t('giveOut.handIn') }}</label
        >
        <WorkbenchHandoutRules
          v-model="rules"
          :several="view.mode === 'frame-per-group' || (view.mode === 'one-for-everyone' && !view.ownPages)"
          :frames="view.mode === 'frame-per-group'"
          :counted="handIn"
          :seen="view.mode !== 'copy-each'" />
        <label v-if="canLook"
          ><span class="label">{{ t(view.ownPages ? 'giveOut.lookAtPages' : 'giveOut.lookAtFrames') }}</span>
          <select v-model="looking" class="field">
            <option v-for="one in LOOKING" :key="one" :value="one">{{ t(`giveOut.looking.${one}`) }}</option>
          </select>
        </label>
        <button class="button button-action w-fit" :disabled="busy">{{ t('change.keep') }}</button>
      </form>
      <div class="flex flex-col gap-5">
        <section v-if="preview">
          <h3 class="mb-1 font-bold">{{ t('change.board') }}</h3>
          <p v-if="preview.upToDate">{{ t('change.upToDate') }}</p>
          <template v-else>
            <p>
              {{ preview.touched.length ? t('change.touches') : t('change.touchesNothing', { count: preview.slates }) }}
            </p>
            <ul class="list-disc pl-6">
              <li v-for="one in preview.touched" :key="one.what">
                {{ t(`change.what.${one.what}`, { count: one.slates }) }}
              </li>
            </ul>
            <p v-if="preview.unreadable">{{ t('change.unreadable', { count: preview.unreadable }) }}</p>
            <button type="button" class="button mt-2" :disabled="busy" @click="correct">
              <Icon name="lucide:layers" />{{ t('change.correct', { count: preview.slates }) }}
            </button>
          </template>
          <NuxtLink :to="`/board/${view.boardId}`" class="button button-quiet mt-2"
            ><Icon name="lucide:pencil-ruler" />{{ t('change.toBoard') }}</NuxtLink
          >
        </section>
        <section v-if="preview?.heldBack">
          <h3 class="mb-1 font-bold">{{ t('change.heldBack', { count: preview.heldBack }) }}</h3>
          <button type="button" class="button" :disabled="busy" @click="openHeld">
            <Icon name="lucide:file-check-2" />{{ t('change.openHeld', { count: preview.heldBack }) }}
          </button>
        </section>
        <section v-if="view.mode === 'copy-each' && view.loose.length">
          <h3 class="mb-1 font-bold">{{ t('change.more') }}</h3>
          <div class="grid max-h-40 grid-cols-2 overflow-auto">
            <label v-for="one in view.loose" :key="one.student" class="flex min-h-9 items-center gap-2"
              ><input v-model="more" type="checkbox" :value="one.student" /><bdi>{{ one.name }}</bdi></label
            >
          </div>
          <button type="button" class="button mt-2" :disabled="busy || more.length === 0" @click="giveToMore">
            <Icon name="lucide:user-round-plus" />{{ t('change.giveToMore', { count: more.length }) }}
          </button>
        </section>
        <section class="flex flex-wrap gap-2">
          <button v-if="!view.closed" type="button" class="button" :disabled="busy" @click="close(true)">
            <Icon name="lucide:lock" />{{ t('change.close') }}
          </button>
          <button v-else type="button" class="button" :disabled="busy" @click="close(false)">
            <Icon name="lucide:lock-open" />{{ t('change.open') }}
          </button>
          <button v-if="untouched" type="button" class="button button-danger" :disabled="busy" @click="takeBack">
            <Icon name="lucide:undo-2" />{{ t('change.takeBack') }}
          </button>
        </section>
        <p class="note-line">{{ t(untouched ? 'change.nobody' : 'change.fixed') }}</p>
      </div>
    </div>
    <p v-if="said" role="status" class="mt-3 font-semibold">{{ said }}</p>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons
      ><button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button></template
    >
  </UiAsk>
</template>
