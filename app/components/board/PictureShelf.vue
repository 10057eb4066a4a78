<script setup lang="ts">
import { SUBJECTS } from '~~/core/board/librarySubjects'
import { libraryAddress } from '~/composables/board/pictures'

/** The picture library: by subject before anything is asked, by words then; Enter takes the first one found. */
const { label, narrow = false } = defineProps<{ label: string; narrow?: boolean }>()
const emit = defineEmits<{ take: [picture: { name: string; words: string }] }>()
const { t } = useWords()
const { question, subject, found, more, first, busy, trouble } = useLibrary()
const list = useTemplateRef<HTMLElement>('list')

async function takeFirst() {
  const picture = await first()
  if (!picture) return
  emit('take', picture)
  question.value = ''
}
/** The focus goes to the first of the pictures that came. */
async function showMore() {
  const before = found.value?.pictures.length ?? 0
  await more()
  await nextTick()
  list.value?.querySelectorAll('button')[before]?.focus()
}
</script>

<template>
  <div class="flex flex-col gap-2">
    <label
      ><span class="label">{{ label }}</span
      ><input
        v-model="question"
        type="search"
        class="field"
        maxlength="60"
        :aria-description="t('library.enter')"
        @keydown.enter.prevent="takeFirst"
    /></label>
    <select v-if="!question.trim()" v-model="subject" class="field" :aria-label="t('library.subject')">
      <option v-for="one in SUBJECTS" :key="one" :value="one">{{ t(`library.subjects.${one}`) }}</option>
    </select>
    <slot />
    <p class="note-line" role="status">
      {{ found ? t('library.found', { count: found.of }) : '' }}
    </p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <ul
      v-if="found?.pictures.length"
      ref="list"
      class="grid max-h-72 gap-1.5 overflow-auto p-0.5"
      :class="narrow ? 'grid-cols-4' : 'grid-cols-6'"
      data-test="library">
      <li v-for="picture in found.pictures" :key="picture.name">
        <button
          type="button"
          class="w-full rounded-lg border border-panel-line bg-white p-1"
          :title="picture.words"
          :aria-label="t('library.take', { name: picture.words })"
          @click="emit('take', picture)">
          <img :src="libraryAddress(picture.name)" alt="" loading="lazy" />
        </button>
      </li>
    </ul>
    <button
      v-if="found && found.pictures.length < found.of"
      type="button"
      class="button"
      :disabled="busy"
      @click="showMore">
      {{ t('library.more', { count: found.of - found.pictures.length }) }}
    </button>
  </div>
</template>
