<script setup lang="ts">
import type { InGroups } from '~/composables/classes/useGroups'

/** A student's name that can be chosen by tap or key, or dragged. */
const { student, chosen } = defineProps<{ student: InGroups; chosen: boolean }>()
const emit = defineEmits<{ choose: []; dragged: [] }>()
</script>

<template>
  <button
    type="button"
    draggable="true"
    class="button min-h-10 w-full justify-start gap-2 px-3 py-1 font-normal"
    :class="chosen ? 'border-sunfleck-600 bg-sunfleck-100 text-stone-950' : ''"
    :aria-pressed="chosen"
    @click="emit('choose')"
    @dragstart="emit('dragged')">
    <bdi>{{ student.preferred ?? student.name }}</bdi><span v-if="student.level" class="ml-auto text-sm opacity-80">{{
      student.level
    }}</span>
  </button>
</template>
