<script setup lang="ts">
import { isCounted } from '~~/core/keys/kinds'
import { answersOn, MOST_PEN_POINTS, MOST_PEN_STROKES, type Show } from '~~/core/lesson/show'
import type { Edition } from '~~/core/board/edition'
import { usePointer } from '~/composables/lesson/usePointer'
import { useScreen } from '~/composables/lesson/useScreen'
import type { WalkSlate } from '~/composables/review/useWalk'

/** The teacher's desk for the class screen: what it shows, seen here as it is seen there, with a pointer and a pen. */
const { handout, show, edition, slates, wayIn } = defineProps<{
  handout: string
  show: Show
  edition: Edition
  /** In the order of the walk-round. */
  slates: readonly WalkSlate[]
  /** Whether there is a way in to show. */
  wayIn: boolean
}>()
const emit = defineEmits<{ close: []; changed: [] }>()
const { t } = useWords()
const { attempt, trouble } = useAsking()
const onScreen = useScreen(handout)
const { screen, slates: shown } = onScreen
const { at, point } = usePointer(handout, onScreen)
const tool = ref<'point' | 'pen'>('point')

/** What was asked for last, so that two quick changes are both in it; what comes back meanwhile is older. */
const wanted = shallowRef(show)
let onWay = 0
watch(
  () => show,
  now => onWay === 0 && (wanted.value = now),
)
/** One after the other, so that the last one stays. */
let sent: Promise<unknown> = Promise.resolve()
async function change(to: Partial<Show>) {
  const next = { ...wanted.value, ...to }
  wanted.value = next
  onWay++
  sent = sent.then(() => attempt(() => ask(`/api/handouts/${handout}/screen`, { method: 'PUT', body: { show: next } })))
  await sent
  if (--onWay === 0) emit('changed')
}
/** Another thing is shown: the pen's marks were on what was there before. */
const put = (what: Show['what'], more: Partial<Show> = {}) => change({ what, pen: [], ...more })

const what = computed(() => wanted.value.what)
const pageShown = computed(() => ['board', 'slates', 'class'].includes(what.value.kind))
const page = computed(() => edition.board.pages[wanted.value.page] ?? edition.board.pages[0]!)
const answers = computed(() => answersOn(page.value, edition))
const revealed = computed(() => (what.value.kind === 'board' ? Math.min(what.value.revealed, answers.value) : 0))
/** The slates that are shown, by their ids. */
const standing = computed(() => (what.value.kind === 'slates' ? what.value.slates : []))
const at0 = computed(() => slates.findIndex(slate => slate.id === standing.value[0]))
const go = (by: number) => slates[at0.value + by] && put({ kind: 'slates', slates: [slates[at0.value + by]!.id] })
/** Whether anything is counted on the board: votes, stands. */
const counted = computed(() => edition.board.keys.some(isCounted))
const pages = computed(() => edition.board.pages.length)
const pageAt = computed({
  get: () => wanted.value.page,
  set: to =>
    void change({ page: to, pen: [], ...(what.value.kind === 'board' && { what: { kind: 'board', revealed: 0 } }) }),
})
/** Longer strokes than may be kept are thinned out. */
function stroke(points: [number, number][]) {
  const step = Math.ceil(points.length / MOST_PEN_POINTS)
  const thin = points.filter((_, i) => i % step === 0)
  void change({ pen: [...wanted.value.pen, thin].slice(-MOST_PEN_STROKES) })
}
const open = () => window.open(`/screen/${handout}`, 'class-screen')
</script>

<template>
  <section class="panel mb-4 flex flex-col gap-3" :aria-label="t('screen.title')" data-test="show-panel">
    <div class="flex flex-wrap items-center gap-2">
      <h2 class="mr-2 text-lg font-bold">{{ t('screen.title') }}</h2>
      <button type="button" class="button min-h-10 py-1" @click="open">
        <Icon name="lucide:external-link" size="20" />{{ t('screen.open') }}
      </button>
      <button
        v-for="kind in ['nothing', 'way-in', 'board', 'class'] as const"
        v-show="(kind !== 'way-in' || wayIn) && (kind !== 'class' || counted)"
        :key="kind"
        type="button"
        class="button min-h-10 py-1"
        :class="what.kind === kind ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
        :aria-pressed="what.kind === kind"
        @click="put(kind === 'board' ? { kind, revealed: 0 } : { kind })">
        {{ t(`screen.what.${kind}`) }}
      </button>
      <button
        v-if="slates.length"
        type="button"
        class="button min-h-10 py-1"
        :class="what.kind === 'slates' ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
        :aria-pressed="what.kind === 'slates'"
        @click="put({ kind: 'slates', slates: [slates[0]!.id] })">
        {{ t('screen.what.slates') }}
      </button>
      <button type="button" class="button ml-auto min-h-10 py-1" @click="emit('close')">{{ t('app.close') }}</button>
    </div>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <div class="flex flex-wrap items-start gap-4" style="--screen-height: 18rem; --qr-height: 10rem">
      <div class="min-w-0 rounded-lg border border-panel-line p-3" data-test="on-screen">
        <LessonScreen
          v-if="screen"
          :handout="handout"
          :screen="screen"
          :slates="shown"
          :pointed="at"
          :tool="tool"
          @point="point"
          @stroke="stroke" />
      </div>
      <div class="flex min-w-56 flex-1 flex-col items-start gap-3">
        <SlatePageTurner v-if="pageShown" v-model="pageAt" :count="pages" />
        <template v-if="what.kind === 'board' && answers > 0">
          <p>{{ t('screen.revealed', { count: revealed, of: answers }) }}</p>
          <div class="flex flex-wrap gap-2">
            <button
              type="button"
              class="button min-h-10 py-1"
              :disabled="revealed >= answers"
              @click="change({ what: { kind: 'board', revealed: revealed + 1 } })">
              {{ t('screen.reveal') }}
            </button>
            <button
              type="button"
              class="button min-h-10 py-1"
              :disabled="revealed === 0"
              @click="change({ what: { kind: 'board', revealed: revealed - 1 } })">
              {{ t('screen.unreveal') }}
            </button>
          </div>
        </template>
        <template v-if="what.kind === 'slates'">
          <label class="flex flex-col"
            ><span class="label">{{ t('screen.whose') }}</span>
            <select
              class="field"
              :value="standing[0]"
              @change="put({ kind: 'slates', slates: [($event.target as HTMLSelectElement).value] })">
              <option v-for="one in slates" :key="one.id" :value="one.id">{{ one.name || t('desk.everyone') }}</option>
            </select></label
          >
          <label class="flex flex-col"
            ><span class="label">{{ t('screen.beside') }}</span>
            <select
              class="field"
              :value="standing[1] ?? ''"
              @change="
                put({
                  kind: 'slates',
                  slates: [standing[0]!, ($event.target as HTMLSelectElement).value].filter(Boolean),
                })
              ">
              <option value="">{{ t('screen.nobody') }}</option>
              <option v-for="one in slates.filter(s => s.id !== standing[0])" :key="one.id" :value="one.id">
                {{ one.name || t('desk.everyone') }}
              </option>
            </select></label
          >
          <div class="flex flex-wrap gap-2">
            <button type="button" class="button min-h-10 py-1" :disabled="at0 < 1" @click="go(-1)">
              <Icon name="lucide:chevron-left" />{{ t('screen.before') }}
            </button>
            <button type="button" class="button min-h-10 py-1" :disabled="at0 >= slates.length - 1" @click="go(1)">
              {{ t('screen.next') }}<Icon name="lucide:chevron-right" />
            </button>
          </div>
          <label class="flex min-h-10 items-center gap-3"
            ><input
              type="checkbox"
              class="h-5 w-5"
              :checked="wanted.names"
              @change="change({ names: ($event.target as HTMLInputElement).checked })" />{{ t('screen.names') }}</label
          >
        </template>
        <div v-if="pageShown" class="flex flex-wrap gap-2">
          <button
            v-for="one in ['point', 'pen'] as const"
            :key="one"
            type="button"
            class="button min-h-10 py-1"
            :class="tool === one ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
            :aria-pressed="tool === one"
            @click="tool = one">
            <Icon :name="one === 'point' ? 'lucide:locate' : 'lucide:pen-line'" size="20" />{{
              t(`screen.tool.${one}`)
            }}
          </button>
          <button
            v-if="wanted.pen.length"
            type="button"
            class="button min-h-10 py-1"
            @click="change({ pen: wanted.pen.slice(0, -1) })">
            {{ t('screen.unpen') }}
          </button>
        </div>
        <label class="flex min-h-10 items-center gap-3"
          ><input
            type="checkbox"
            class="h-5 w-5"
            :checked="wanted.timer"
            @change="change({ timer: ($event.target as HTMLInputElement).checked })" />{{ t('screen.timer') }}</label
        >
      </div>
    </div>
  </section>
</template>
