<script setup lang="ts">
import type { Built } from '~~/core/lesson/callOut'
import type { NudgeSent } from '~~/core/lesson/nudge'
import type { Need } from '~~/core/lesson/needs'
import { NuxtLink } from '#components'
import { shortNames } from '~~/core/roster/names'
import { saidStatus } from '~~/core/slate/status'
import type { SaidSoFar } from '~/composables/lesson/useNeeds'
import type { WalkSlate } from '~/composables/review/useWalk'

/** One slate of the walk-round: the work itself, a name plate, a progress rim, and light where something is new. */
const {
  slate,
  name,
  to,
  needs = [],
  soFar = undefined,
  built = null,
  nudge = undefined,
  here = [],
  lastMove = '',
  paused = false,
  chosen = undefined,
  page,
  part = '',
  nameless = false,
  handIn = true,
  version,
} = defineProps<{
  slate: WalkSlate
  /** As short as it takes to tell it from the others. */
  name: string
  to: string
  /** Why the teacher may be needed; the first is the one to say. */
  needs?: readonly Need[] | undefined
  /** What the key says so far, where it is wanted. */
  soFar?: SaidSoFar | undefined
  /** How it stands to what is called out. */
  built?: Built | null
  /** What was said to it last. */
  nudge?: NudgeSent | undefined
  /** Those of its people who have it before them now, by name. */
  here?: readonly string[] | undefined
  /** When the last move was made, in words. */
  lastMove?: string | undefined
  /** Pencils are down for it alone. */
  paused?: boolean
  /** Whether it is one of those chosen; absent while nothing is being chosen: then it leads to the slate. */
  chosen?: boolean | undefined
  page: number
  /** An activity or a place that is looked at alone. */
  part?: string
  /** Nobody's name is to be seen, for a screen that others look at. */
  nameless?: boolean
  /** Whether it is to be handed in, or only finished. */
  handIn?: boolean | undefined
  version?: string | undefined
}>()
const emit = defineEmits<{ choose: [] }>()
const { t } = useWords()
const NEED_ICONS = {
  asks: 'lucide:hand',
  quiet: 'lucide:coffee',
  circles: 'lucide:repeat',
  wrong: 'lucide:triangle-alert',
  stuck: 'lucide:circle-pause',
  hint: 'lucide:lightbulb',
} as const satisfies Record<Need['kind'], string>
const SO_FAR = ['right', 'wrong', 'line'] as const
/** A shape for each, so that nothing hangs on colour. */
const MARKS = {
  right: 'rounded-full bg-leaf-600',
  wrong: 'rotate-45 bg-berry-700',
  line: 'rounded-full border-3 border-sunfleck-600',
} as const
const needWords = useNeedWords(() => slate.edition)
const lit = computed(() => slate.fresh || needs.length > 0)
const members = computed(() => {
  const short = shortNames(slate.members.map(member => member.name))
  return slate.members.map(member => short(member.name)).join(', ')
})
/** Of one student it is enough that they are there. */
const hereWords = computed(() => {
  if (nameless || slate.members.length < 2) return t('walk.here', { count: here.length })
  const short = shortNames(slate.members.map(member => member.name))
  return t('walk.hereOf', { names: here.map(short).join(', ') })
})
const words = computed(() => {
  if (slate.unreadable) return t('walk.unreadable')
  if (slate.status === 'under-way' && slate.of > 0) return t('slate.placed', { placed: slate.placed, of: slate.of })
  return t(`walk.status.${saidStatus(slate.status, { handIn })}`)
})
</script>

<template>
  <component
    :is="chosen === undefined ? NuxtLink : 'button'"
    v-bind="chosen === undefined ? { to } : { type: 'button', 'aria-pressed': chosen }"
    class="relative block w-full rounded-xl p-1 text-left"
    :class="[
      slate.status === 'not-opened' ? 'opacity-70' : '',
      lit ? 'bg-sunfleck-200 ring-3 ring-sunfleck-600 forced-colors:outline-4 forced-colors:outline-[Mark]' : '',
      chosen ? 'outline-3 outline-offset-2 outline-leaf-600' : '',
    ]"
    :data-slate="slate.name"
    @click="chosen !== undefined && emit('choose')">
    <span
      v-if="chosen"
      class="absolute top-3 left-3 z-10 flex h-8 w-8 items-center justify-center rounded-full bg-leaf-600 text-white"
      ><Icon name="lucide:check" size="20"
    /></span>
    <BoardThumbnail
      lazily
      :edition="slate.edition"
      :slate="slate.id"
      :state="slate.replica.shown"
      :page="page"
      :part="part"
      :label="t('walk.slateOf', { name: nameless ? name : slate.name })" />
    <span class="mt-1.5 flex items-center gap-2 px-1" :class="lit ? 'text-stone-950' : ''">
      <UiRing :share="slate.of ? slate.placed / slate.of : 0" />
      <ClassGroupMark v-if="slate.mark && !nameless" :mark="slate.mark" small />
      <span class="min-w-0 font-semibold leading-tight wrap-anywhere" :title="nameless ? undefined : slate.name"
        ><bdi>{{ name }}</bdi></span
      >
      <span
        class="ml-auto shrink-0 text-sm"
        :class="slate.status === 'handed-in' || slate.status === 'handed-back' ? 'font-bold' : ''"
        >{{ words }}</span
      >
    </span>
    <span v-if="here.length || lastMove" class="mx-1 flex gap-x-3 text-sm" :class="lit ? 'text-stone-950' : ''"
      ><span v-if="here.length" class="flex min-w-0 items-center gap-1.5 font-semibold" :title="hereWords"
        ><Icon name="lucide:user-round" size="14" class="shrink-0" /><bdi class="truncate">{{ hereWords }}</bdi></span
      ><span v-if="lastMove" class="ml-auto shrink-0" :title="t('walk.lastMove')"
        ><span class="sr-only">{{ `${t('walk.lastMove')} ` }}</span
        >{{ lastMove }}</span
      ></span
    >
    <span v-if="soFar" class="mx-1 mt-0.5 flex flex-wrap gap-x-3 text-sm" :class="lit ? 'text-stone-950' : ''"
      ><span
        v-for="verdict in SO_FAR.filter(one => one !== 'line' || soFar!.line)"
        :key="verdict"
        class="flex items-center gap-1"
        ><span class="h-3 w-3" :class="MARKS[verdict]" aria-hidden="true"></span
        >{{ t(`walk.soFarOf.${verdict}`, { count: soFar[verdict] }) }}</span
      ></span
    >
    <span v-if="paused" class="mx-1 flex items-center gap-1.5 px-1 text-sm font-semibold"
      ><Icon name="lucide:pencil-off" />{{ t('lesson.isDown') }}</span
    >
    <span
      v-if="built && built.is !== 'not-yet'"
      class="mx-1 mt-0.5 flex items-center gap-1.5 rounded border border-leaf-600 bg-leaf-100 px-2 py-0.5 text-sm font-semibold text-stone-950"
      ><Icon :name="built.is === 'there' ? 'lucide:check' : 'lucide:circle-help'" class="shrink-0" />{{
        t(`callDesk.${built.is}`)
      }}<span v-if="built.way" class="min-w-0 truncate font-normal" :title="built.way">{{ built.way }}</span></span
    >
    <span
      v-for="need in needs.slice(0, 2)"
      :key="need.kind"
      class="mx-1 mt-0.5 flex items-center gap-1.5 rounded bg-sunfleck-400 px-2 py-0.5 text-sm leading-tight font-semibold text-stone-950"
      :title="needWords(need).than"
      ><Icon :name="NEED_ICONS[need.kind]" class="shrink-0" />{{ needWords(need).says }}</span
    >
    <span v-if="nudge" class="mx-1 flex items-center gap-1.5 px-1 text-sm" :class="lit ? 'text-stone-950' : ''"
      ><Icon name="lucide:message-circle" class="shrink-0" /><bdi class="min-w-0 truncate" :title="nudge.words">{{
        nudge.words
      }}</bdi
      ><span class="shrink-0 font-semibold">{{ t(nudge.seen ? 'nudge.seen' : 'nudge.notSeen') }}</span></span
    >
    <span
      v-if="slate.waiting"
      class="mx-1 block truncate rounded bg-sunfleck-400 px-2 py-0.5 text-sm font-semibold text-stone-950"
      >{{ t('walk.waiting', { count: slate.waiting }) }}</span
    >
    <span v-if="version" class="block truncate px-1 text-sm">{{ version }}</span>
    <span v-if="slate.heading && !nameless" class="block truncate px-1 text-sm"
      ><bdi>{{ slate.heading }}</bdi></span
    >
    <span v-if="slate.mark && !nameless" class="block truncate px-1 text-sm" :title="members">{{ members }}</span>
  </component>
</template>
