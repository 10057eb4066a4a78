<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { codeInGroups } from '~~/core/roster/picturePassword'
import { byNeed } from '~~/core/lesson/needs'
import { shortNames } from '~~/core/roster/names'
import { saidStatus, SLATE_STATUSES, type SlateStatus } from '~~/core/slate/status'
import { useChosen } from '~/composables/lesson/useChosen'
import { canBeCalled } from '~~/core/lesson/callOut'
import { useCallOut } from '~/composables/lesson/useCallOut'
import { useLesson, type LessonView } from '~/composables/lesson/useLesson'
import { useNeeds } from '~/composables/lesson/useNeeds'
import { useOpenSlates } from '~/composables/lesson/useOpenSlates'
import { useWalk, type WalkSlate } from '~/composables/review/useWalk'

definePageMeta({ for: 'teacher' })
const ORDERS = ['name', 'progress', 'needs'] as const
/** Who has made a move so lately is here. */
const HERE_MS = 30 * 60_000

const { t, said } = useWords()
const { attempt } = useAsking()
const route = useRoute()
const id = String(route.params.id)
const { edition, view, slates, trouble, connection, live, trailOf, load } = useWalk(id)
const { openOn, since, serverNow } = useOpenSlates(id)
/** Whoever is away is set aside, until something is done all the same. */
const away = (slate: WalkSlate) =>
  slate.members.length > 0
  && slate.members.every(member => member.absent)
  && (slate.movedAt === null || serverNow() - slate.movedAt > HERE_MS)
const absent = computed(() => slates.value.filter(away))
const present = computed(() => slates.value.filter(slate => !absent.value.includes(slate)))
const chosen = useChosen(() => present.value)
const {
  lesson,
  version: lessonVersion,
  read: readLesson,
} = useLesson<LessonView>({ path: `/api/handouts/${id}/lesson`, handout: id }, live)
const order = useSessionStorage<(typeof ORDERS)[number]>('walk-order', 'name')
const exporting = ref(false)
const showCode = ref(false)
const placing = ref(false)
const changing = ref(false)
const showing = ref(false)
const jar = ref(false)
const calling = ref(false)
const putUp = ref(false)
const coming = ref(false)
const versioning = ref(false)
const page = ref(0)
const link = computed(() => (view.value ? `${location.origin}/join?class=${view.value.code}&handout=${id}` : ''))
const title = computed(() => edition.value?.board.title ?? t('walk.title'))
/** Who has come is read anew when there is another slate. */
const newcomersPanel = useTemplateRef<{ load: () => Promise<void> }>('newcomersPanel')
watch(
  () => slates.value.length,
  () => coming.value && void newcomersPanel.value?.load(),
)
useHead({ title: () => title.value })

const building = useCallOut(
  () => lesson.value?.call ?? null,
  () => slates.value,
)
const { needs, saidSoFar } = useNeeds({ handout: id, slates: () => present.value, trailOf, now: serverNow })
/** What the key says so far is shown where the teacher wants it. */
const marked = useSessionStorage('walk-marked', false)
const keyed = computed(() => (edition.value?.board.keys.length ?? 0) > 0)
/** Who works comes first. */
const byStatus = byRank<SlateStatus>({ 'under-way': 0, 'not-opened': 1, 'handed-in': 2, 'handed-back': 3 })
async function seen(slate: WalkSlate) {
  if (await attempt(() => ask(`/api/slates/${slate.id}/seen`, { method: 'PUT' }))) await load()
}
const ordered = computed(() => {
  if (order.value === 'progress') return present.value.toSorted((a, b) => a.placed - b.placed)
  if (order.value === 'needs')
    return present.value.toSorted(
      (a, b) =>
        byNeed(needs.value.get(a.id), needs.value.get(b.id)) || byStatus(a.status, b.status) || a.placed - b.placed,
    )
  return present.value
})
/** How closely they are looked at. */
const size = useLocalStorage('walk-size', 12)
const part = ref('')
const named = useSessionStorage('walk-names', true)
const shownPage = computed(() => edition.value?.board.pages[page.value] ?? edition.value?.board.pages[0])
watch(page, () => (part.value = ''))
/** Where names are hidden, a number in their order. */
function nameOf(slate: WalkSlate, at: number): string {
  if (!named.value) return t('walk.nameless', { number: at + 1 })
  return slate.mark ? slate.name : short.value(slate.name) || t('desk.everyone')
}
const short = computed(() => shortNames(slates.value.map(slate => slate.name)))
const count = (status: SlateStatus) => slates.value.filter(s => s.status === status).length
const counts = computed(() =>
  SLATE_STATUSES.toSorted(byStatus)
    .map(status => ({ status, n: count(status) }))
    .filter(c => c.n > 0),
)
</script>

<template>
  <div>
    <UiTopBar
      :title="title"
      :below="
        view
          ? `${view.newcomers ? t('giveOut.newcomers') : view.className} · ${t(`walk.mode.${view.ownPages ? 'pages' : view.mode}`, { count: slates.length })}`
          : ''
      ">
      <template #start
        ><NuxtLink to="/handouts" :aria-label="t('walk.back')" class="flex min-h-11 items-center"><UiMark /></NuxtLink
      ></template>
      <template #end>
        <span v-if="connection !== 'open'" class="font-bold text-sunfleck-400" role="status">{{
          t('walk.offline')
        }}</span>
        <button
          v-if="view?.mayChange && view.newcomers"
          type="button"
          class="button button-dark"
          @click="coming = true">
          <Icon name="lucide:user-round-check" />{{ t('newcomers.title') }}
        </button>
        <button
          v-if="view?.mayChange && view.mode === 'frame-per-group'"
          type="button"
          class="button button-dark"
          @click="placing = true">
          <Icon name="lucide:users" />{{ t('walk.whoWhere') }}
        </button>
        <button
          v-if="view?.mayChange && view.versions.length"
          type="button"
          class="button button-dark"
          @click="versioning = true">
          <Icon name="lucide:copy-check" />{{ t('versions.who') }}
        </button>
        <NuxtLink v-if="view" :to="`/handout/${id}/findings`" class="button button-dark"
          ><Icon name="lucide:chart-no-axes-column" />{{ t('findings.title') }}</NuxtLink
        >
        <button type="button" class="button button-dark" :aria-expanded="showing" @click="showing = !showing">
          <Icon name="lucide:presentation" />{{ t('screen.title') }}
        </button>
        <button
          v-if="view?.mayChange && shownPage && (canBeCalled(shownPage) || lesson?.call)"
          type="button"
          class="button button-dark"
          :aria-expanded="calling"
          @click="calling = !calling">
          <Icon name="lucide:megaphone" />{{ t('callDesk.title') }}
        </button>
        <button type="button" class="button button-dark" :aria-expanded="putUp" @click="putUp = !putUp">
          <Icon name="lucide:messages-square" />{{ t('putUp.title') }}
        </button>
        <button type="button" class="button button-dark" :aria-expanded="jar" @click="jar = !jar">
          <Icon name="lucide:message-circle-question" />{{ t('jar.title') }}
        </button>
        <button v-if="view?.mayChange" type="button" class="button button-dark" @click="changing = true">
          <Icon name="lucide:settings-2" />{{ t('change.button') }}
        </button>
        <button
          v-if="view && view.newcomers !== 'closed'"
          type="button"
          class="button button-dark"
          @click="showCode = true">
          <Icon name="lucide:qr-code" />{{ t('walk.code', { code: codeInGroups(view.code) }) }}
        </button>
      </template>
    </UiTopBar>
    <main class="mx-auto max-w-[100rem] p-5">
      <p v-if="trouble" class="trouble" role="alert">{{ said(`refused.${trouble}`, 'refused.trouble') }}</p>
      <LessonBar
        v-if="view?.mayChange"
        :handout="id"
        :lesson="lesson"
        :slates="slates"
        :chosen="chosen"
        @changed="readLesson"
        ><button type="button" class="button min-h-10 py-1" @click="exporting = true">
          <Icon name="lucide:printer" size="20" />{{ t('paper.open') }}
        </button></LessonBar
      >
      <div class="mb-4 flex flex-wrap items-center gap-x-6 gap-y-3">
        <p v-for="c in counts" :key="c.status" class="flex items-center gap-1.5">
          <UiStatusIcon :status="c.status" /><strong>{{ c.n }}</strong>
          {{ t(`walk.status.${saidStatus(c.status, { handIn: view?.handIn ?? true })}`) }}
        </p>
        <RadioGroup v-model="order" class="ml-auto flex flex-wrap items-center gap-2">
          <RadioGroupLabel as="span">{{ t('walk.orderBy') }}</RadioGroupLabel>
          <RadioGroupOption v-for="o in ORDERS" :key="o" v-slot="{ checked }" :value="o" class="rounded-lg">
            <span
              class="button min-h-10 px-3 py-1"
              :class="checked ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
              >{{ t(`walk.order.${o}`) }}</span
            >
          </RadioGroupOption>
        </RadioGroup>
      </div>
      <p v-if="view?.closed" class="mb-3 told font-semibold">
        {{ t('change.isClosed') }}
      </p>
      <p v-if="view?.ownPages && slates.length === 0" class="panel text-lg">{{ t('walk.noPages') }}</p>
      <p v-else-if="view?.newcomers && slates.length === 0" class="panel text-lg">{{ t('walk.nobodyYet') }}</p>
      <WalkLoose
        v-if="view?.mode === 'frame-per-group'"
        :view="view"
        :slates="slates"
        @place="placing = true"
        @placed="load" />
      <LessonShowPanel
        v-if="showing && lesson && edition"
        :handout="id"
        :show="lesson.show"
        :edition="edition"
        :slates="ordered"
        :way-in="view?.newcomers !== 'closed'"
        @close="showing = false"
        @changed="readLesson" />
      <LessonCallPanel
        v-if="calling && lesson"
        :handout="id"
        :call="lesson.call"
        :page="page"
        :building="building"
        @close="calling = false"
        @changed="readLesson" />
      <WalkPutUp
        v-if="putUp && view"
        :handout="id"
        :slates="slates"
        :version="lessonVersion"
        :approves="view.rules.approve"
        @close="putUp = false" />
      <LessonJarPanel
        v-if="jar && lesson"
        :handout="id"
        :show="lesson.show"
        :version="lessonVersion"
        @close="jar = false"
        @changed="readLesson" />
      <div v-if="edition && shownPage" class="mb-3 flex flex-wrap items-center gap-x-5 gap-y-2">
        <WalkLens
          v-model:size="size"
          v-model:part="part"
          v-model:names="named"
          v-model:marked="marked"
          :page="shownPage"
          :keyed="keyed" />
        <SlatePageTurner v-model="page" class="ml-auto" :count="edition.board.pages.length" />
      </div>
      <WalkCounts v-if="edition" :edition="edition" :states="present.map(s => s.replica.shown)" />
      <ul
        v-if="edition"
        class="grid gap-4"
        :style="{ gridTemplateColumns: `repeat(auto-fill, minmax(min(${size}rem, 100%), 1fr))` }">
        <li v-for="(slate, i) in ordered" :key="slate.id">
          <WalkSlateTile
            :slate="slate"
            :name="nameOf(slate, i)"
            :to="`/handout/${id}/review/${slate.id}`"
            :needs="needs.get(slate.id)"
            :so-far="marked && keyed ? saidSoFar(slate) : undefined"
            :paused="!lesson?.paused && !!slate.openness?.paused && slate.status === 'under-way'"
            :built="building.builtOf(slate)"
            :hand-in="view?.handIn"
            :here="openOn(slate)"
            :last-move="slate.movedAt === null ? '' : since(slate.movedAt)"
            :nudge="lesson?.nudges.find(one => one.slate === slate.id)"
            :chosen="chosen.choosing.value ? chosen.has(slate.id) : undefined"
            :page="page"
            :part="part"
            :nameless="!named"
            :version="view?.versions.find(one => one.number === slate.version)?.name"
            @choose="chosen.toggle(slate.id)" />
          <button
            v-if="needs.has(slate.id)"
            type="button"
            class="button mt-1 min-h-10 w-full py-1"
            :aria-label="`${t('walk.seen')}: ${named ? slate.name : nameOf(slate, i)}`"
            @click="seen(slate)">
            <Icon name="lucide:check" size="18" />{{ t('walk.seen') }}
          </button>
        </li>
      </ul>
      <WalkAbsent
        v-if="view"
        class="mt-4"
        :class-id="view.classId"
        :absent="absent"
        :chosen="chosen.choosing.value ? present.filter(slate => chosen.has(slate.id)) : null"
        :may-change="view.mayChange"
        @changed="load" />
    </main>
    <WalkChangeHandout v-if="view" :open="changing" :view="view" @close="changing = false" @changed="load" />
    <WalkVersions
      v-if="view?.versions.length"
      :open="versioning"
      :handout="id"
      :slates="slates"
      :versions="view.versions"
      @close="versioning = false"
      @changed="load" />
    <WalkMembers
      v-if="view"
      :open="placing"
      :handout="id"
      :slates="slates"
      :loose="view.loose"
      @close="placing = false"
      @placed="load" />
    <WalkNewcomers
      v-if="view?.newcomers"
      ref="newcomersPanel"
      :open="coming"
      :class-id="view.classId"
      :door="view.newcomers"
      :code="view.code"
      :link="link"
      @close="coming = false"
      @changed="load" />
    <LazyPaperSlates v-if="exporting" :open="exporting" :handout="id" @close="exporting = false" />
    <UiAsk :open="showCode" :title="t('walk.join')" @close="showCode = false">
      <WalkJoinCard v-if="view" :code="view.code" :link="link" />
      <template #buttons
        ><button type="button" class="button" @click="showCode = false">{{ t('app.close') }}</button></template
      >
    </UiAsk>
  </div>
</template>
