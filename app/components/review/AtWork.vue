<script setup lang="ts">
/** At one slate while its people work: pencils down and up for it alone, and a word to them. */
const { handout, slate, name, paused, mayHold, several } = defineProps<{
  handout: string
  slate: string
  name: string
  paused: boolean
  /** Whether pencils are this teacher's to put down. */
  mayHold: boolean
  /** Several work on it, so that the teacher can move things there too. */
  several: boolean
}>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const nudging = ref(false)
const said = ref('')
const pencils = () =>
  attempt(() => ask(`/api/handouts/${handout}/pencils`, { method: 'PUT', body: { down: !paused, slates: [slate] } }))
</script>

<template>
  <div class="flex flex-wrap items-center gap-2">
    <button
      v-if="mayHold"
      type="button"
      class="button min-h-10 py-1"
      :class="paused ? 'border-sunfleck-600 bg-sunfleck-200 text-stone-950' : ''"
      :disabled="busy"
      @click="pencils">
      <Icon :name="paused ? 'lucide:pencil' : 'lucide:pencil-off'" size="20" />{{
        t(paused ? 'lesson.pencilsUp' : 'lesson.pencilsDown')
      }}
    </button>
    <button type="button" class="button min-h-10 py-1" @click="nudging = true">
      <Icon name="lucide:message-circle" size="20" />{{ t('nudge.button') }}
    </button>
    <NuxtLink v-if="several" :to="`/handout/${handout}/sort/${slate}`" class="button min-h-10 py-1"
      ><Icon name="lucide:hand-grab" size="20" />{{ t('sort.open') }}</NuxtLink
    >
    <p role="status" :class="said ? 'w-full font-semibold' : 'sr-only'">{{ said }}</p>
    <p v-if="trouble" class="trouble w-full" role="alert">{{ trouble }}</p>
    <LessonNudgePanel
      :open="nudging"
      :handout="handout"
      :slates="[slate]"
      :title="t('nudge.to', { name })"
      @close="(now: string) => ((nudging = false), (said = now))" />
  </div>
</template>
