<script setup lang="ts">
import type { WalkSlate } from '~/composables/review/useWalk'

/** Who is away today: their slates are set aside, and one press brings each back. */
const { classId, absent, chosen, mayChange } = defineProps<{
  classId: string
  absent: readonly WalkSlate[]
  /** Slates that are chosen now; null while nothing is being chosen. */
  chosen: readonly WalkSlate[] | null
  mayChange: boolean
}>()
const emit = defineEmits<{ changed: [] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const set = (slates: readonly WalkSlate[], away: boolean) =>
  attempt(async () => {
    for (const { student } of slates.flatMap(slate => slate.members))
      await ask(`/api/classes/${classId}/students/${student}/absent`, {
        method: 'PUT',
        body: { day: today(), absent: away },
      })
    emit('changed')
  })
</script>

<template>
  <div>
    <button
      v-if="mayChange && chosen"
      type="button"
      class="button mb-3 min-h-10 py-1"
      :disabled="busy || !chosen.length"
      @click="set(chosen, true)">
      <Icon name="lucide:user-round-x" size="20" />{{ t('walk.setAbsent', { count: chosen.length }) }}
    </button>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <section v-if="absent.length" class="mt-6 flex flex-wrap items-center gap-3" data-test="absent">
      <h2 class="font-bold">{{ t('walk.absent', { count: absent.length }) }}</h2>
      <template v-for="slate in absent" :key="slate.id">
        <button
          v-if="mayChange"
          type="button"
          class="button min-h-10 py-1"
          :disabled="busy"
          @click="set([slate], false)">
          <Icon name="lucide:user-round-check" size="18" />{{ t('walk.isHere', { name: slate.name }) }}
        </button>
        <span v-else>{{ slate.name }}</span>
      </template>
    </section>
  </div>
</template>
