<script setup lang="ts">
import { codeInGroups } from '~~/core/roster/picturePassword'
import type { Pointed } from '~~/core/sync/pointing'
import type { OnScreen, ScreenSlate } from '~/composables/lesson/useScreen'

/** What stands on the class screen; small at the teacher's desk, where the hand points and draws on it. */
const {
  handout,
  screen,
  slates,
  pointed,
  tool = null,
} = defineProps<{
  handout: string
  screen: OnScreen
  slates: readonly ScreenSlate[]
  pointed: Pointed | null
  tool?: 'point' | 'pen' | null
}>()
const emit = defineEmits<{ point: [at: Pointed | null]; stroke: [points: [number, number][]] }>()
const { t } = useWords()
const link = computed(() => (screen.code ? `${location.origin}/join?class=${screen.code}&handout=${handout}` : ''))
</script>

<template>
  <div
    class="flex min-h-0 flex-1 items-center justify-center gap-6"
    :class="screen.counts ? 'flex-col' : ''"
    :style="screen.counts && tool === null ? { '--screen-height': 'min(62vh, 50vw)' } : {}">
    <div v-if="screen.kind === 'way-in'" class="flex flex-col items-center gap-6 text-center">
      <template v-if="screen.code">
        <UiQr :link="link" class="aspect-square h-[var(--qr-height,55vh)]" />
        <p class="text-2xl">{{ t('screen.address', { address: link.split('?')[0]! }) }}</p>
        <p class="text-7xl font-bold tracking-widest" data-test="way-in">{{ codeInGroups(screen.code) }}</p>
      </template>
      <p v-else class="text-2xl">{{ t('screen.doorShut') }}</p>
    </div>
    <figure v-else-if="screen.question" class="max-w-5xl text-center" data-test="question">
      <blockquote
        class="board-text font-bold wrap-anywhere whitespace-pre-wrap"
        :class="tool === null ? 'text-6xl leading-tight' : 'text-xl'"
        dir="auto">
        {{ screen.question.words }}
      </blockquote>
      <figcaption class="mt-6" :class="tool === null ? 'text-2xl' : ''">
        <bdi v-if="screen.question.name" class="mr-4 font-semibold">{{ screen.question.name }}</bdi>{{
          t('jar.votes', { up: screen.question.up, down: screen.question.down })
        }}
      </figcaption>
    </figure>
    <template v-else-if="slates.length">
      <LessonScreenPage
        v-for="(slate, i) in slates"
        :key="slate.id"
        :slate="slate"
        :page="screen.page"
        :pen="i === 0 ? screen.pen : []"
        :pointed="pointed?.slate === i ? pointed : null"
        :tool="tool === 'pen' && i > 0 ? null : tool"
        :counts="screen.counts"
        @point="emit('point', $event && { slate: i, ...$event })"
        @stroke="emit('stroke', $event)" />
      <LessonCountWords
        v-if="screen.counts && slates[0]"
        :class="tool === null ? 'text-2xl' : ''"
        :edition="slates[0].edition"
        :counts="screen.counts" />
    </template>
    <p v-else class="text-center" :class="tool === null ? 'text-5xl font-bold' : ''" data-test="nothing">
      {{ screen.kind === 'nothing' ? screen.title : t('screen.gone') }}
    </p>
  </div>
</template>
