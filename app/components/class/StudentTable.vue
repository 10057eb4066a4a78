<script setup lang="ts">
import type { OneStudent } from '~/composables/classes/useClass'

/** The students of a class, how they come in, and what can be done about each. */
const { students, mayChange, editing, levels } = defineProps<{
  students: readonly OneStudent[]
  mayChange: boolean
  editing: boolean
  levels: readonly string[]
}>()
const emit = defineEmits<{
  order: [levels: string[]]
  change: [student: OneStudent, to: { name?: string; preferred?: string; level?: string }]
  renew: [student: string]
  link: [student: OneStudent, to: 'new' | 'none']
  leave: [student: OneStudent, left: boolean]
}>()
const { t } = useWords()
const withLevels = computed(() => editing || students.some(student => student.level))
const typed = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <ol
    v-if="editing && levels.length > 1"
    class="mb-3 flex flex-wrap items-center gap-2"
    :aria-label="t('classes.levelsOrder')">
    <li class="font-semibold">{{ t('classes.levelsOrder') }}</li>
    <li
      v-for="(level, i) in levels"
      :key="level"
      class="flex items-center gap-1 rounded-lg border border-panel-line bg-field px-2">
      <bdi>{{ level }}</bdi><button
        type="button"
        class="button button-quiet px-2"
        :disabled="i === 0"
        :aria-label="t('classes.levelEarlier', { level })"
        @click="emit('order', levels.with(i, levels[i - 1]!).with(i - 1, level))">
        <Icon name="lucide:arrow-left" />
      </button>
    </li>
  </ol>
  <datalist id="levels"><option v-for="level in levels" :key="level" :value="level" /></datalist>
  <table class="w-full">
    <thead>
      <tr class="text-left text-sm">
        <th class="pb-2">{{ t('classes.name') }}</th>
        <th v-if="withLevels" class="pb-2">{{ t('classes.level') }}</th>
        <th class="pb-2">{{ t('classes.pictures') }}</th>
        <th v-if="mayChange">
          <span class="sr-only">{{ t('classes.renew') }}</span>
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="student in students" :key="student.id" class="border-t border-panel-line">
        <td v-if="editing" class="py-1 pr-3">
          <div class="flex gap-2">
            <UiTyped
              class="min-h-9 w-44 py-1"
              :value="student.name"
              maxlength="60"
              :aria-label="t('classes.rename', { name: student.name })"
              @change="emit('change', student, { name: typed($event) })" />
            <UiTyped
              class="min-h-9 w-28 py-1"
              :value="student.preferred ?? ''"
              maxlength="60"
              :aria-label="`${t('classList.columns.preferred')}: ${student.name}`"
              :placeholder="t('classList.columns.preferred')"
              @change="emit('change', student, { preferred: typed($event) })" />
          </div>
        </td>
        <td v-else class="py-1 pr-3 font-semibold">
          <bdi>{{ student.name }}</bdi><Icon
            v-if="student.here"
            name="lucide:circle-dot"
            class="mr-1 text-action"
            role="img"
            :aria-label="t('classes.here')"
            :title="t('classes.here')" /><span v-if="student.preferred" class="font-normal text-ink-soft">
            (<bdi>{{ student.preferred }}</bdi
            >)</span
          >
        </td>
        <td v-if="withLevels" class="py-1 pr-3">
          <UiTyped
            v-if="editing"
            class="min-h-9 w-28 py-1"
            :value="student.level ?? ''"
            maxlength="20"
            list="levels"
            :aria-label="t('classes.levelOf', { name: student.name })"
            @change="emit('change', student, { level: typed($event) })" />
          <template v-else>{{ student.level }}</template>
        </td>
        <td class="py-1 pr-3">
          <span class="flex flex-wrap items-center gap-x-2">
            <span v-for="picture in student.pictures" :key="picture" class="inline-flex items-center gap-1"
              ><UiPasswordPicture :picture="picture" class="text-xl" />{{ t(`pictures.${picture}`) }}</span
            >
          </span>
        </td>
        <td v-if="mayChange" class="py-1 text-right">
          <button
            type="button"
            class="button button-quiet"
            :aria-label="t('classes.renewFor', { name: student.name })"
            @click="emit('renew', student.id)">
            <Icon name="lucide:refresh-cw" />{{ t('classes.renew') }}
          </button>
          <button
            v-if="student.linked"
            type="button"
            class="button button-quiet"
            :aria-label="t('classes.newLinkFor', { name: student.name })"
            :title="t('classes.newLinkFor', { name: student.name })"
            @click="emit('link', student, 'new')">
            <Icon name="lucide:qr-code" />
          </button>
          <button
            v-if="student.linked"
            type="button"
            class="button button-quiet"
            :aria-label="t('classes.noLinkFor', { name: student.name })"
            :title="t('classes.noLinkFor', { name: student.name })"
            @click="emit('link', student, 'none')">
            <Icon name="lucide:link-2-off" />
          </button>
          <button
            type="button"
            class="button button-quiet"
            :aria-label="`${t('classes.leave')}: ${student.name}`"
            :title="t('classes.leave')"
            @click="emit('leave', student, true)">
            <Icon name="lucide:user-round-minus" />
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>
