<script setup lang="ts">
import type { InGroups, OneGroup } from '~/composables/classes/useGroups'

/** One group: its names can be chosen, and what is chosen elsewhere can be put here. */
const { group, students, chosen } = defineProps<{
  group: OneGroup
  students: readonly InGroups[]
  chosen: ReadonlySet<string>
}>()
const emit = defineEmits<{
  choose: [student: string]
  put: []
  rename: [name: string]
  remove: []
  dragged: [student: string]
  dropped: []
}>()
const { t } = useWords()
const members = computed(() => students.filter(student => group.students.includes(student.id)))
const toCome = computed(() => [...chosen].filter(id => !group.students.includes(id)).length)
</script>

<template>
  <section
    class="panel flex flex-col gap-2 p-3"
    :aria-label="group.name"
    @dragover.prevent
    @drop.prevent="emit('dropped')">
    <div class="flex items-center gap-2">
      <ClassGroupMark :mark="group.mark" />
      <UiTyped
        class="min-h-9 py-1 font-bold"
        :value="group.name"
        maxlength="40"
        :aria-label="t('groups.groupName')"
        @change="emit('rename', ($event.target as HTMLInputElement).value)" />
      <span class="text-sm text-ink-soft" :aria-label="t('classes.students', { count: members.length })">{{
        members.length
      }}</span>
      <button
        v-if="members.length === 0"
        type="button"
        class="button button-quiet min-h-9 px-2 py-1"
        :aria-label="t('groups.removeGroup', { name: group.name })"
        @click="emit('remove')">
        <Icon name="lucide:x" />
      </button>
    </div>
    <ul class="flex flex-col gap-1">
      <li v-for="student in members" :key="student.id">
        <ClassNameChip
          :student="student"
          :chosen="chosen.has(student.id)"
          @choose="emit('choose', student.id)"
          @dragged="emit('dragged', student.id)" />
      </li>
    </ul>
    <button v-if="toCome" type="button" class="button mt-auto border-leaf-700" @click="emit('put')">
      <Icon name="lucide:corner-down-right" />{{ t('groups.putHere', { count: toCome }) }}
    </button>
  </section>
</template>
