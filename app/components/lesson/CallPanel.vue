<script setup lang="ts">
import { LONGEST_CALL, waysOf, type Built } from '~~/core/lesson/callOut'
import { quantile } from '~~/core/lesson/quiet'
import type { CallOutView, useCallOut } from '~/composables/lesson/useCallOut'

/** Calling targets: on the spot or from a list; who has it, and the ways in which they built it. */
const { handout, call, page, building } = defineProps<{
  handout: string
  /** What is called now. */
  call: CallOutView | null
  /** The page that is looked at. */
  page: number
  building: ReturnType<typeof useCallOut>
}>()
const emit = defineEmits<{ close: []; changed: [] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const path = `/api/handouts/${handout}/callouts`
const target = ref('')
/** One on each line; what was called is taken off. */
const list = useSessionStorage(`calls ${handout}`, '')
const next = computed(
  () =>
    list.value
      .split('\n')
      .map(line => line.trim())
      .find(Boolean) ?? '',
)

interface Past {
  id: string
  number: number
  target: string
  builds: { slate: string; is_there: Built['is']; way: string; after_s: number | null }[]
}
const past = shallowRef<Past[]>([])
const readPast = async () => (past.value = (await askFor<Past[]>(path).catch(() => null)) ?? past.value)
watch(
  () => call?.id,
  () => void readPast(),
  { immediate: true },
)

async function callIt(what: string, fromList = false) {
  const called = await attempt(() => askFor(path, { method: 'POST', body: { target: what, page } }))
  if (!called) return
  if (fromList)
    list.value = list.value
      .split('\n')
      .filter((line, i, all) => i !== all.findIndex(one => one.trim()))
      .join('\n')
  else target.value = ''
  emit('changed')
}
async function end() {
  await attempt(() => askFor(path, { method: 'DELETE' }))
  emit('changed')
}
const { there, builds, ways } = building
const pastWays = (one: Past) =>
  waysOf(one.builds.map(({ slate, is_there, way }) => ({ slate, built: { is: is_there, way } })))
/** The middle of those who had it, in seconds; null where nobody had. */
function middleOf(one: Past): number | null {
  const times = one.builds
    .flatMap(({ is_there, after_s }) => (is_there === 'there' && after_s !== null ? [after_s] : []))
    .toSorted((a, b) => a - b)
  return times.length ? Math.round(quantile(times, 0.5)) : null
}
</script>

<template>
  <section class="panel mb-4 flex flex-col gap-3" :aria-label="t('callDesk.title')" data-test="call-panel">
    <div class="flex flex-wrap items-end gap-3">
      <h2 class="mr-2 self-center text-lg font-bold">{{ t('callDesk.title') }}</h2>
      <form class="flex items-end gap-2" @submit.prevent="callIt(target)">
        <label
          ><span class="label">{{ t('callDesk.target') }}</span
          ><input v-model="target" class="field min-h-10 w-48 py-1" :maxlength="LONGEST_CALL" dir="auto" required
        /></label>
        <button type="submit" class="button button-action min-h-10 py-1" :disabled="busy || !target.trim()">
          {{ t('callDesk.call') }}
        </button>
      </form>
      <button v-if="next" type="button" class="button min-h-10 py-1" :disabled="busy" @click="callIt(next, true)">
        {{ t('callDesk.next', { target: next }) }}
      </button>
      <button v-if="call" type="button" class="button min-h-10 py-1" :disabled="busy" @click="end">
        {{ t('callDesk.end') }}
      </button>
      <button type="button" class="button ml-auto min-h-10 py-1" @click="emit('close')">{{ t('app.close') }}</button>
    </div>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <div class="flex flex-wrap gap-6">
      <div class="min-w-72 flex-1" role="status" data-test="called">
        <template v-if="call">
          <p class="text-xl font-bold">{{ t('call.build', { target: call.target }) }}</p>
          <p>{{ t('callDesk.have', { count: there, of: builds.length }) }}</p>
          <ul v-if="ways.length" class="mt-1 list-disc pl-5">
            <li v-for="way in ways" :key="way.way">
              {{ t('callDesk.way', { way: way.way, count: way.slates.length }) }}
            </li>
          </ul>
        </template>
        <p v-else>{{ t('callDesk.none') }}</p>
      </div>
      <label class="w-56"
        ><span class="label">{{ t('callDesk.list') }}</span
        ><textarea v-model="list" class="field min-h-20" dir="auto"></textarea>
      </label>
    </div>
    <details v-if="past.length">
      <summary class="cursor-pointer font-semibold">{{ t('callDesk.before', { count: past.length }) }}</summary>
      <ul class="mt-2 flex flex-col gap-1">
        <li v-for="one in past" :key="one.id">
          <strong>{{ one.target }}</strong>:&#32;{{
            t('callDesk.have', { count: one.builds.filter(b => b.is_there === 'there').length, of: one.builds.length })
          }}<span v-if="middleOf(one) !== null">&#32;{{ t('callDesk.after', { count: middleOf(one)! }) }}</span
          ><span v-for="way in pastWays(one)" :key="way.way"
            >&#32;· {{ t('callDesk.way', { way: way.way, count: way.slates.length }) }}</span
          >
        </li>
      </ul>
    </details>
  </section>
</template>
