<script setup lang="ts">
import { LONGEST_COMMENT } from '~~/core/handout/review'
import { waits, type InLine } from '~~/core/review/line'

/**
 * Hands back all that was handed in, or some of it, now or at a time, with a word to all of them, after it was said
 * what is still to be looked at.
 */
const { open, handout, slates } = defineProps<{
  open: boolean
  handout: string
  /** Those meant; absent for all. */
  slates: readonly string[] | undefined
}>()
const emit = defineEmits<{ close: [said: string] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const path = `/api/handouts/${handout}/hand-back`
interface Later {
  readonly at: string
  readonly again: boolean
  /** How many were meant; null for all that are handed in then. */
  readonly count: number | null
  /** Not all of them could go back then; it is tried again. */
  readonly failed: boolean
}
const line = shallowRef<readonly InLine[] | null>(null)
const planned = shallowRef<Later | null>(null)
const again = ref(false)
const words = ref('')
const when = ref<'now' | 'later'>('now')
const later = reactive({ day: '', time: '07:00' })
/** The slates of those groups that aren't meant. */
const without = ref<readonly string[]>([])
watch(
  () => open,
  async now => {
    if (!now) return
    again.value = false
    words.value = later.day = ''
    without.value = []
    when.value = 'now'
    line.value = null
    await attempt(async () => {
      const [slatesInLine, plan] = await Promise.all([
        ask(`/api/handouts/${handout}/line`),
        askFor<{ later: Later | null }>(path),
      ])
      planned.value = plan.later
      line.value = slatesInLine
    })
  },
)
const toggle = (id: string) =>
  (without.value = without.value.includes(id) ? without.value.filter(one => one !== id) : [...without.value, id])
const groups = computed(() => (slates ? [] : (line.value ?? []).filter(slate => slate.mark)))
const those = computed(() =>
  (line.value ?? []).filter(({ id }) => (!slates || slates.includes(id)) && !without.value.includes(id)),
)
const meant = computed(() => those.value.filter(waits))
const unseen = computed(() => meant.value.filter(slate => !slate.reviewed).length)
const unsure = computed(() => meant.value.reduce((sum, slate) => sum + slate.unsure, 0))
const ready = computed(() =>
  when.value === 'now' ? meant.value.length > 0 : those.value.length > 0 && later.day !== '' && later.time !== '',
)
const format = new Intl.DateTimeFormat('en-GB', { dateStyle: 'full', timeStyle: 'short' })
const moment = (at: string) => format.format(new Date(at))
async function handBack() {
  const some = slates ?? (without.value.length ? those.value.map(slate => slate.id) : undefined)
  const body = {
    again: again.value,
    words: words.value.trim(),
    ...(some && { slates: some }),
    ...(when.value === 'later' && { when: { ...later } }),
  }
  const done = await attempt(() =>
    askFor<{ count: number; unsaid: number; failed: number } | { at: string }>(path, { method: 'POST', body }),
  )
  if (!done) return
  if ('at' in done) return emit('close', t('handBackAll.doneLater', { at: moment(done.at) }))
  const unsaid = done.unsaid ? ` ${t('handBackAll.unsaid', { count: done.unsaid })}` : ''
  const failed = done.failed ? ` ${t('handBackAll.failed', { count: done.failed })}` : ''
  emit('close', t('handBackAll.done', { count: done.count }) + unsaid + failed)
}
async function drop() {
  if (await attempt(() => askFor(path, { method: 'DELETE' }))) planned.value = null
}
</script>

<template>
  <UiAsk :open="open" :title="t('handBackAll.title')" @close="emit('close', '')">
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <div v-if="planned" class="told mb-3 flex flex-wrap items-center gap-3" data-test="planned">
      <span class="flex-1">{{
        t(
          planned.failed
            ? 'handBackAll.plannedFailed'
            : planned.count === null
              ? 'handBackAll.plannedAll'
              : 'handBackAll.planned',
          { at: moment(planned.at), count: planned.count ?? 0 },
        )
      }}</span>
      <button type="button" class="button min-h-10 py-1" :disabled="busy" @click="drop">
        {{ t('handBackAll.drop') }}
      </button>
    </div>
    <template v-if="line">
      <fieldset v-if="groups.length > 1" class="mb-2 flex max-h-32 flex-wrap gap-x-4 gap-y-1 overflow-auto">
        <legend class="label">{{ t('handBackAll.whom') }}</legend>
        <label v-for="one in groups" :key="one.id" class="flex min-h-9 items-center gap-2"
          ><input
            type="checkbox"
            class="h-5 w-5"
            :checked="!without.includes(one.id)"
            @change="toggle(one.id)" /><bdi>{{ one.name }}</bdi></label
        >
      </fieldset>
      <p>{{ t('handBackAll.says', { count: meant.length }) }}</p>
      <p v-if="unseen" class="mt-2">{{ t('handBackAll.unseen', { count: unseen }) }}</p>
      <p v-if="unsure" class="mt-2">{{ t('handBackAll.unsure', { count: unsure }) }}</p>
      <label class="mt-3 block"
        ><span class="label">{{ t('handBackAll.words') }}</span
        ><textarea v-model="words" dir="auto" rows="2" :maxlength="LONGEST_COMMENT" class="field" />
      </label>
      <label class="mt-3 flex items-center gap-2"
        ><input v-model="again" type="checkbox" class="h-5 w-5" />{{ t('handBackAll.again') }}</label
      >
      <fieldset class="mt-3 flex flex-wrap items-center gap-x-4 gap-y-1">
        <legend class="label">{{ t('handBackAll.when') }}</legend>
        <label v-for="one in ['now', 'later'] as const" :key="one" class="flex min-h-9 items-center gap-2"
          ><input v-model="when" type="radio" name="handBackWhen" :value="one" />{{
            t(`handBackAll.whens.${one}`)
          }}</label
        >
      </fieldset>
      <div v-if="when === 'later'" class="flex flex-wrap gap-3">
        <label
          ><span class="label">{{ t('giveOut.onDay') }}</span
          ><input v-model="later.day" type="date" class="field" required
        /></label>
        <label
          ><span class="label">{{ t('giveOut.dueTime') }}</span
          ><input v-model="later.time" type="time" class="field" required
        /></label>
        <p class="note-line w-full">
          {{ t(slates || without.length ? 'handBackAll.laterSome' : 'handBackAll.laterAll') }}
        </p>
      </div>
    </template>
    <template #buttons>
      <button type="button" class="button" @click="emit('close', '')">{{ t('app.cancel') }}</button>
      <button type="button" class="button button-action" :disabled="busy || !ready" @click="handBack">
        {{ when === 'later' ? t('handBackAll.buttonLater') : t('handBackAll.button', { count: meant.length }) }}
      </button>
    </template>
  </UiAsk>
</template>
