<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { PutUp } from '~~/core/lesson/putUp'
import { libraryAddress, pictureAddress } from '~/composables/board/pictures'
import type { WalkSlate } from '~/composables/review/useWalk'

/**
 * All that students put where others see it, in one queue: pictures that wait are let through, what doesn't belong is
 * hidden by one press.
 */
const { handout, slates, version, approves } = defineProps<{
  handout: string
  slates: readonly WalkSlate[]
  /** Counts news of the lesson. */
  version: number
  /** Pictures wait for the teacher. */
  approves: boolean
}>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const { attempt, trouble } = useAsking()
const READ_SOON_MS = 600
const all = shallowRef<readonly PutUp[] | null>(null)
const read = async () => (all.value = (await ask(`/api/handouts/${handout}/put-up`).catch(() => null)) ?? all.value)
const readSoon = useDebounceFn(read, READ_SOON_MS, { maxWait: 3000 })
void read()
watch([() => slates, () => version], () => void readSoon())
const time = new Intl.DateTimeFormat('en-GB', { dateStyle: 'short', timeStyle: 'short' })
const placeOf = ({ slate, kind }: PutUp) => {
  if (kind === 'question') return t('jar.title')
  const on = slates.find(one => one.id === slate)
  return on ? on.name || t('desk.everyone') : ''
}
const WHERE = {
  thing: ({ id, slate }: PutUp, hidden: boolean) =>
    [`/api/slates/${slate}/hidden`, { id: nanoid(), thing: id, hidden }] as const,
  line: ({ id, slate }: PutUp, hidden: boolean) => [`/api/slates/${slate}/talk/${id}`, { hidden }] as const,
  heading: ({ id }: PutUp, hidden: boolean) => [`/api/slates/${id}/heading`, { hidden }] as const,
  question: ({ id }: PutUp, hidden: boolean) => [`/api/handouts/${handout}/questions/${id}`, { hidden }] as const,
} satisfies Record<PutUp['kind'], unknown>
async function hide(one: PutUp) {
  const [path, body] = WHERE[one.kind](one, !one.hidden)
  await attempt(() => askFor(path, { method: 'PUT', body }))
  await read()
}
async function approve({ slate, picture, waits }: PutUp) {
  await attempt(() =>
    ask(`/api/slates/${slate!}/pictures/${picture!.id}/approved`, { method: 'PUT', body: { approved: waits } }),
  )
  await read()
}
const waiting = computed(() => all.value?.filter(one => one.waits).length ?? 0)
</script>

<template>
  <section class="panel mb-4 flex flex-col gap-3" :aria-label="t('putUp.title')" data-test="put-up">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
      <h2 class="text-lg font-bold">{{ t('putUp.title') }}</h2>
      <p v-if="waiting" role="status" class="font-semibold">{{ t('walk.waiting', { count: waiting }) }}</p>
      <button type="button" class="button ml-auto min-h-10 py-1" @click="emit('close')">{{ t('app.close') }}</button>
    </div>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <p v-if="all?.length === 0">{{ t('putUp.none') }}</p>
    <ul v-else-if="all" class="flex max-h-96 flex-col divide-y divide-panel-line overflow-y-auto">
      <li
        v-for="one in all"
        :key="`${one.kind} ${one.slate} ${one.id}`"
        class="flex flex-wrap items-center gap-3 py-2"
        :class="one.waits ? 'rounded bg-sunfleck-100 px-2 text-stone-950' : ''">
        <img
          v-if="one.picture"
          :src="one.picture.library ? libraryAddress(one.picture.id) : pictureAddress(one.slate!, one.picture.id)"
          :alt="one.words"
          class="h-16 w-16 rounded object-cover" />
        <div class="min-w-52 flex-1">
          <p class="line-clamp-3 wrap-anywhere" :class="one.hidden ? 'line-through' : ''" dir="auto">
            {{ one.words || t('tools.tool.picture') }}
          </p>
          <p class="text-sm">
            <bdi class="font-semibold">{{ one.by }}</bdi> · <bdi>{{ placeOf(one) }}</bdi><template v-if="one.at">
              · {{ time.format(Date.parse(one.at)) }}</template
            ><template v-if="one.hidden"> · {{ t('jarDesk.hidden') }}</template>
          </p>
        </div>
        <button
          v-if="one.picture && !one.picture.library && approves"
          type="button"
          class="button min-h-10 py-1"
          @click="approve(one)">
          <Icon :name="one.waits ? 'lucide:check' : 'lucide:pause'" size="18" />{{
            t(one.waits ? 'review.letThrough' : 'review.holdBack')
          }}
        </button>
        <button
          type="button"
          class="button min-h-10 py-1"
          :aria-label="t(one.hidden ? 'putUp.showIt' : 'putUp.hideIt', { words: one.words, by: one.by })"
          @click="hide(one)">
          <Icon :name="one.hidden ? 'lucide:eye' : 'lucide:eye-off'" size="18" />{{
            t(one.hidden ? 'review.showAgain' : 'review.hide')
          }}
        </button>
      </li>
    </ul>
  </section>
</template>
