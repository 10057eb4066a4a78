<script setup lang="ts">
import type { Quiet } from '~~/core/lesson/quiet'
import { NuxtLink } from '#components'
import { shortNames } from '~~/core/roster/names'
import type { WalkSlate } from '~/composables/review/useWalk'

/** One slate of the walk-round: the work itself, a name plate, a progress rim, and light where something is new. */
const {
  slate,
  name,
  to,
  quiet,
  asks = false,
  paused = false,
  chosen = undefined,
  page,
  version,
} = defineProps<{
  slate: WalkSlate
  /** As short as it takes to tell it from the others. */
  name: string
  to: string
  /** Has stopped while the others go on. */
  quiet?: Quiet | undefined
  /** Asks for help. */
  asks?: boolean
  /** Pencils are down for it alone. */
  paused?: boolean
  /** Whether it is one of those chosen; absent while nothing is being chosen: then it leads to the slate. */
  chosen?: boolean | undefined
  page: number
  version?: string | undefined
}>()
const emit = defineEmits<{ choose: [] }>()
const { t } = useWords()
const lit = computed(() => slate.fresh || !!quiet || asks)
const members = computed(() => {
  const short = shortNames(slate.members.map(member => member.name))
  return slate.members.map(member => short(member.name)).join(', ')
})
const words = computed(() => {
  if (slate.unreadable) return t('walk.unreadable')
  if (slate.status === 'under-way')
    return quiet
      ? t('walk.quiet', { count: quiet.minutes })
      : slate.of === 0
        ? t('walk.status.under-way')
        : t('slate.placed', { placed: slate.placed, of: slate.of })
  return t(`walk.status.${slate.status}`)
})
</script>

<template>
  <component
    :is="chosen === undefined ? NuxtLink : 'button'"
    v-bind="chosen === undefined ? { to } : { type: 'button', 'aria-pressed': chosen }"
    class="relative block w-full rounded-xl p-1 text-left"
    :class="[
      slate.status === 'not-opened' ? 'opacity-70' : '',
      lit ? 'bg-sunfleck-200 ring-3 ring-sunfleck-600' : '',
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
      :edition="slate.edition"
      :slate="slate.id"
      :state="slate.replica.shown"
      :page="page"
      :label="t('walk.slateOf', { name: slate.name })" />
    <span class="mt-1.5 flex items-center gap-2 px-1" :class="lit ? 'text-stone-950' : ''">
      <UiRing :share="slate.of ? slate.placed / slate.of : 0" />
      <ClassGroupMark v-if="slate.mark" :mark="slate.mark" small />
      <span class="min-w-0 font-semibold leading-tight wrap-anywhere" :title="slate.name"
        ><bdi>{{ name }}</bdi></span
      >
      <span
        class="ml-auto shrink-0 text-sm"
        :title="quiet ? t('walk.quietThan', { count: quiet.usual + 1 }) : undefined"
        :class="slate.status === 'handed-in' || slate.status === 'handed-back' || quiet ? 'font-bold' : ''"
        >{{ words
        }}<span v-if="quiet && slate.of" class="sr-only"
          >, {{ t('slate.placed', { placed: slate.placed, of: slate.of }) }}</span
        ></span
      >
    </span>
    <span v-if="paused" class="mx-1 flex items-center gap-1.5 px-1 text-sm font-semibold"
      ><Icon name="lucide:pencil-off" />{{ t('lesson.isDown') }}</span
    >
    <span
      v-if="asks"
      class="mx-1 flex items-center gap-1.5 rounded bg-sunfleck-400 px-2 py-0.5 text-sm font-semibold text-stone-950"
      ><Icon name="lucide:hand" />{{ t('walk.asks') }}</span
    >
    <span
      v-if="slate.waiting"
      class="mx-1 block truncate rounded bg-sunfleck-400 px-2 py-0.5 text-sm font-semibold text-stone-950"
      >{{ t('walk.waiting', { count: slate.waiting }) }}</span
    >
    <span v-if="version" class="block truncate px-1 text-sm">{{ version }}</span>
    <span v-if="slate.heading" class="block truncate px-1 text-sm"
      ><bdi>{{ slate.heading }}</bdi></span
    >
    <span v-if="slate.mark" class="block truncate px-1 text-sm" :title="members">{{ members }}</span>
  </component>
</template>
