<script setup lang="ts">
import { SHARE_BY, type ShareBy } from '~~/core/groups/shareOut'
import { MOST_IN_FRAME } from '~~/core/handout/settings'
import type { WalkSlate, WalkView } from '~/composables/review/useWalk'

/** Students who are on no frame: one press puts each where fewest are, or shares all of them out. */
const { view, slates } = defineProps<{ view: WalkView; slates: readonly WalkSlate[] }>()
const emit = defineEmits<{ place: []; placed: [] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const MOST_SHOWN = 8
const said = ref('')
/** Those who are there count; of frames with as few the first. */
const emptiest = computed(() => {
  const frames = slates.filter(slate => slate.mark !== null && slate.status !== 'handed-back')
  const there = (slate: WalkSlate) => slate.members.filter(member => !member.absent).length
  return frames.toSorted((a, b) => there(a) - there(b))[0] ?? null
})
const by = ref<ShareBy>('number')
const size = ref(4)
async function share() {
  const done = await attempt(() =>
    ask(`/api/handouts/${view.id}/members`, {
      method: 'POST',
      body: { by: by.value, ...(by.value === 'size' && { size: size.value }) },
    }),
  )
  if (done) said.value = t('walk.share.done', { count: done.count })
  emit('placed')
}
async function place({ student, name }: { student: string; name: string }) {
  const to = emptiest.value
  if (!to) return
  const done = await attempt(() =>
    ask(`/api/handouts/${view.id}/members`, { method: 'PUT', body: { student, to: to.id } }),
  )
  if (done) said.value = t('walk.placed', { name, group: to.name })
  emit('placed')
}
</script>

<template>
  <div>
    <p v-if="view.loose.length" class="mb-3 flex flex-wrap items-center gap-3 told" role="status">
      {{
        t(view.free ? 'walk.looseFree' : 'walk.loose', {
          count: view.loose.length,
          names: view.loose.map(one => one.name).join(', '),
        })
      }}<template v-if="view.mayChange">
        <template v-if="emptiest && !view.free">
          <button
            v-for="one in view.loose.slice(0, MOST_SHOWN)"
            :key="one.student"
            type="button"
            class="button min-h-9 py-1"
            :disabled="busy"
            @click="place(one)">
            <Icon name="lucide:user-plus" size="18" />{{ t('walk.placeIn', { name: one.name, group: emptiest.name }) }}
          </button>
        </template>
        <button type="button" class="button min-h-9 py-1" @click="emit('place')">{{ t('walk.place') }}</button>
      </template>
    </p>
    <form
      v-if="view.mayChange && emptiest && view.loose.length > 1"
      class="mb-3 flex flex-wrap items-center gap-3"
      @submit.prevent="share">
      <select v-model="by" class="field w-auto" :aria-label="t('walk.share.by')">
        <option v-for="one in SHARE_BY" :key="one" :value="one">{{ t(`walk.share.${one}`) }}</option>
      </select>
      <input
        v-if="by === 'size'"
        v-model.number="size"
        type="number"
        class="field w-24"
        min="1"
        :max="MOST_IN_FRAME"
        required
        :aria-label="t('walk.share.most')" />
      <button class="button min-h-10" :disabled="busy">
        <Icon name="lucide:users" size="18" />{{ t('walk.share.button') }}
      </button>
    </form>
    <p role="status" :class="said ? 'mb-3 font-semibold' : 'sr-only'">{{ said }}</p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  </div>
</template>
