<script setup lang="ts">
import { preflight } from '~~/core/preflight/preflight'
import { MOST_GROUPS } from '~~/core/groups/marks'
import { LOOKING, MOST_IN_FRAME } from '~~/core/handout/settings'
import { HANDOUT_MODES } from '~~/core/slate/kind'
import type { GivenOut } from '~/composables/workbench/useGiveOut'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/**
 * One dialog from the board to the students: how, to whom, what goes with it, and what will come of it in one sentence.
 */
const { open, boardId, bench } = defineProps<{ open: boolean; boardId: string; bench: Workbench }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const giving = useGiveOut(() => bench.board.value)
const {
  classes,
  suggestion,
  mode,
  form,
  ownPages,
  free,
  size,
  frameCount,
  looking,
  canLook,
  newcomers,
  chosen,
  sets,
  some,
  versions,
  counting,
  names,
  word,
  day,
  time,
  handIn,
  rules,
  several,
  when,
  later,
  times,
  every,
  past,
  dueBefore,
  rows,
  lacksSet,
  ready,
  slates,
  sentence,
} = giving
const ICONS = {
  'copy-each': 'lucide:files',
  'frame-per-group': 'lucide:users',
  'one-for-everyone': 'lucide:presentation',
} as const
const WHENS = ['now', 'later', 'draft'] as const
const once = useOnce()
const given = ref<GivenOut[] | null>(null)
const stops = computed(() => preflight(bench.board.value).filter(f => f.severity === 'stops').length)
const classOf = (one: GivenOut) => classes.value.find(row => row.id === one.classId)
const codeOf = (one: GivenOut) => one.code ?? classOf(one)!.code
const linkTo = (one: GivenOut) => `${location.origin}/join?class=${codeOf(one)}&handout=${one.id}`

watch(
  () => open,
  async now => {
    if (!now) return
    given.value = null
    once.anew()
    await attempt(giving.load)
  },
)
function someOf(student: string, on: boolean) {
  const next = new Set(some.value)
  if (on) next.add(student)
  else next.delete(student)
  some.value = next
}
async function giveOut() {
  const done = await attempt(async () => {
    if (!(await bench.keep())) throw new Refused('not-kept')
    const body = giving.body()
    return askFor<{ handouts: GivenOut[] }>(`/api/boards/${boardId}/handouts`, {
      method: 'POST',
      body,
      once: once.keyFor(body),
    })
  })
  if (!done) return
  if (when.value === 'now') given.value = done.handouts
  else await navigateTo('/handouts')
}
</script>

<template>
  <UiAsk :open="open" :title="given ? t('giveOut.done') : t('giveOut.title')" wide @close="emit('close')">
    <template v-if="!given">
      <fieldset class="mb-4">
        <legend class="label">{{ t('giveOut.how') }}</legend>
        <div class="grid gap-2 sm:grid-cols-3">
          <label
            v-for="one in HANDOUT_MODES"
            :key="one"
            class="button relative flex-col items-start justify-start gap-1 p-3 text-left"
            :class="mode === one ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''">
            <span class="flex items-center gap-2"
              ><input v-model="mode" type="radio" name="mode" :value="one" /><Icon :name="ICONS[one]" size="22" />{{
                t(`giveOut.mode.${one}`)
              }}</span
            >
            <span class="text-sm font-normal">{{ t(`giveOut.modeSays.${one}`) }}</span>
            <span
              v-if="suggestion.mode === one"
              class="rounded bg-sunfleck-200 px-2 py-0.5 text-sm font-normal text-stone-950"
              >{{ t(`giveOut.because.${suggestion.because}`) }}</span
            >
          </label>
        </div>
        <div class="mt-2 flex flex-wrap items-center gap-x-5 gap-y-1">
          <template v-if="mode === 'frame-per-group'">
            <label class="flex min-h-9 items-center gap-2"
              ><input v-model="free" type="radio" name="free" :value="false" :disabled="newcomers" />{{
                t('giveOut.byGroups')
              }}</label
            >
            <label class="flex min-h-9 items-center gap-2"
              ><input v-model="free" type="radio" name="free" :value="true" />{{ t('giveOut.free') }}</label
            >
            <template v-if="free">
              <label class="flex items-center gap-2"
                >{{ t('giveOut.frames')
                }}<input
                  v-model.number="frameCount"
                  type="number"
                  min="1"
                  :max="MOST_GROUPS"
                  class="field min-h-9 w-20 py-1"
              /></label>
              <label class="flex items-center gap-2"
                >{{ t('giveOut.inFrame')
                }}<input
                  v-model.number="size"
                  type="number"
                  min="1"
                  :max="MOST_IN_FRAME"
                  class="field min-h-9 w-20 py-1"
              /></label>
            </template>
          </template>
          <template v-else-if="mode === 'one-for-everyone'">
            <label class="flex min-h-9 items-center gap-2"
              ><input v-model="ownPages" type="radio" name="pages" :value="false" />{{
                t('giveOut.oneAndTheSame')
              }}</label
            >
            <label class="flex min-h-9 items-center gap-2"
              ><input v-model="ownPages" type="radio" name="pages" :value="true" />{{ t('giveOut.ownPages') }}</label
            >
          </template>
          <label v-if="canLook" class="flex items-center gap-2"
            >{{ t(mode === 'frame-per-group' ? 'giveOut.lookAtFrames' : 'giveOut.lookAtPages') }}
            <select v-model="looking" class="field min-h-9 w-auto py-1">
              <option v-for="one in LOOKING" :key="one" :value="one">{{ t(`giveOut.looking.${one}`) }}</option>
            </select>
          </label>
        </div>
      </fieldset>
      <div class="grid gap-5 md:grid-cols-2">
        <fieldset class="flex flex-col gap-1">
          <legend class="label">{{ t('giveOut.whom') }}</legend>
          <p v-if="classes.length === 0">
            {{ t('giveOut.noClass') }}
            <NuxtLink to="/classes" class="font-semibold text-action underline">{{ t('classes.title') }}</NuxtLink>
          </p>
          <div v-for="row in classes" :key="row.id" class="flex flex-wrap items-center gap-x-3">
            <label class="flex min-h-9 items-center gap-2 font-semibold" :class="row.students ? '' : 'opacity-60'"
              ><input v-model="chosen" type="checkbox" :value="row.id" :disabled="row.students === 0" />{{ row.name
              }}<span class="font-normal">{{ t('classes.students', { count: row.students }) }}</span></label
            >
            <select
              v-if="mode === 'frame-per-group' && !free && chosen.includes(row.id) && row.sets.length"
              v-model="sets[row.id]"
              class="field min-h-9 w-auto py-1"
              :aria-label="t('giveOut.setOf', { name: row.name })">
              <option :value="undefined" hidden>{{ row.sets[0]!.name }}</option>
              <option v-for="set in row.sets" :key="set.id" :value="set.id">{{ set.name }}</option>
            </select>
          </div>
          <label class="flex min-h-9 items-center gap-2 font-semibold"
            ><input v-model="newcomers" type="checkbox" data-test="newcomers" />{{ t('giveOut.newcomers')
            }}<span class="font-normal">{{ t('giveOut.newcomersHow') }}</span></label
          >
          <details v-if="mode === 'copy-each' && names.length > 1" class="mt-1">
            <summary class="cursor-pointer font-semibold">
              {{ some ? t('giveOut.some', { count: some.size }) : t('giveOut.all') }}
            </summary>
            <label class="flex min-h-9 items-center gap-2"
              ><input type="checkbox" :checked="some === null" @change="some = some === null ? new Set() : null" />{{
                t('giveOut.all')
              }}</label
            >
            <div v-if="some" class="grid max-h-40 grid-cols-2 overflow-auto">
              <label v-for="student in names" :key="student.id" class="flex min-h-9 items-center gap-2"
                ><input
                  type="checkbox"
                  :checked="some.has(student.id)"
                  @change="someOf(student.id, ($event.target as HTMLInputElement).checked)" /><bdi>{{
                  student.name
                }}</bdi></label
              >
            </div>
          </details>
          <WorkbenchVersionMaker
            v-if="mode === 'copy-each' && names.length > 0"
            :board="bench.board.value"
            :board-id="boardId"
            :versions="versions"
            :students="some ? names.filter(one => some!.has(one.id)) : names" />
          <p v-for="row in lacksSet" :key="row.id" class="trouble">
            {{ t('giveOut.noSet', { name: row.name }) }}
            <NuxtLink :to="`/classes/${row.id}/groups`" class="font-semibold underline">{{
              t('giveOut.makeSet')
            }}</NuxtLink>
          </p>
        </fieldset>
        <div class="flex flex-col gap-3">
          <label
            ><span class="label">{{ t('giveOut.word') }}</span
            ><textarea v-model="word" rows="2" maxlength="500" class="field" :placeholder="t('giveOut.wordExample')" />
          </label>
          <div class="flex flex-wrap items-end gap-3">
            <label
              ><span class="label">{{ t('giveOut.due') }}</span
              ><input v-model="day" type="date" class="field" :min="today()" :aria-invalid="past"
            /></label>
            <label v-if="day"
              ><span class="label">{{ t('giveOut.dueTime') }}</span
              ><input v-model="time" type="time" class="field"
            /></label>
            <label class="flex min-h-11 items-center gap-2"
              ><input v-model="handIn" type="checkbox" />{{ t('giveOut.handIn') }}</label
            >
            <details v-if="several || ownPages || handIn" class="rounded-lg border border-panel-line px-3 py-1.5">
              <summary class="min-h-9 cursor-pointer content-center font-semibold">{{ t('rules.title') }}</summary>
              <WorkbenchHandoutRules
                v-model="rules"
                :several="several"
                :frames="mode === 'frame-per-group'"
                :counted="handIn"
                :seen="several || ownPages" />
            </details>
          </div>
          <WorkbenchCountsFor :counting="counting" />
          <fieldset v-if="!newcomers" class="flex flex-wrap items-center gap-x-4 gap-y-1">
            <legend class="label">{{ t('giveOut.when') }}</legend>
            <label v-for="kind in WHENS" :key="kind" class="flex min-h-9 items-center gap-2"
              ><input v-model="when" type="radio" name="when" :value="kind" />{{ t(`giveOut.whens.${kind}`) }}</label
            >
          </fieldset>
          <div v-if="when === 'later'" class="flex flex-wrap items-end gap-3">
            <label
              ><span class="label">{{ t('giveOut.onDay') }}</span
              ><input v-model="later.day" type="date" class="field" :min="today()" required
            /></label>
            <label
              ><span class="label">{{ t('giveOut.dueTime') }}</span
              ><input v-model="later.time" type="time" class="field" required
            /></label>
            <label
              ><span class="label">{{ t('giveOut.times') }}</span
              ><input v-model.number="times" type="number" min="1" max="40" class="field w-20"
            /></label>
            <label v-if="times > 1"
              ><span class="label">{{ t('giveOut.every') }}</span
              ><select v-model="every" class="field">
                <option :value="1">{{ t('giveOut.daily') }}</option>
                <option :value="7">{{ t('giveOut.weekly') }}</option>
              </select></label
            >
          </div>
          <p v-if="dueBefore" class="trouble" role="alert">{{ t('giveOut.dueBefore') }}</p>
          <p v-if="past" class="trouble" role="alert">{{ t('giveOut.past') }}</p>
        </div>
      </div>
      <p v-if="ready" class="sticky bottom-0 mt-4 told p-4" data-test="sentence">
        {{ sentence }}
      </p>
      <p v-if="ready" class="note-line mt-2">
        {{ t('giveOut.afterwards') }}
        <template v-if="mode === 'frame-per-group'">{{ t('giveOut.afterwardsFrames') }}</template>
      </p>
      <p v-if="stops" class="trouble mt-3">{{ t('giveOut.stops', { count: stops }) }}</p>
    </template>
    <template v-else>
      <section v-for="one in given" :key="one.id" class="mb-5">
        <p class="mb-3">
          {{
            one.code
              ? t('giveOut.gaveNewcomers')
              : t(`giveOut.gave.${form}`, { count: one.slates, name: classOf(one)!.name })
          }}
        </p>
        <WalkJoinCard :code="codeOf(one)" :link="linkTo(one)" />
        <NuxtLink v-if="given.length > 1" :to="`/handout/${one.id}`" class="button mt-2">{{
          t('giveOut.walk')
        }}</NuxtLink>
      </section>
    </template>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons>
      <button type="button" class="button" @click="emit('close')">
        {{ given ? t('app.close') : t('app.cancel') }}
      </button>
      <NuxtLink v-if="given?.length === 1" :to="`/handout/${given[0]!.id}`" class="button button-action">{{
        t('giveOut.walk')
      }}</NuxtLink>
      <button v-else-if="!given" type="button" class="button button-action" :disabled="busy || !ready" @click="giveOut">
        {{
          t(when === 'now' ? `giveOut.action.${mode}` : `giveOut.planned.${when}`, {
            count: ready ? slates : 0,
            name: rows[0]?.name ?? t('giveOut.whoeverComes'),
          })
        }}
      </button>
    </template>
  </UiAsk>
</template>
