<script setup lang="ts">
import type { StudentWish } from '~/composables/classes/useGroups'

/** Wishes of the class, said in words, each to be taken away. */
const { wishes, names } = defineProps<{
  wishes: readonly StudentWish[]
  names: (students: readonly string[]) => string
}>()
const emit = defineEmits<{ keep: [wishes: StudentWish[]] }>()
const { t } = useWords()
</script>

<template>
  <ul class="flex flex-col gap-1">
    <li v-for="(wish, i) in wishes" :key="i" class="flex items-center gap-2 text-sm">
      <Icon :name="wish.kind === 'together' ? 'lucide:link' : 'lucide:unlink'" class="shrink-0" />
      <span>{{ t(`groups.wish.${wish.kind}`, { names: names(wish.students) }) }}</span>
      <button
        type="button"
        class="button button-quiet ml-auto min-h-9 px-2 py-1"
        :aria-label="t('groups.forget', { wish: t(`groups.wish.${wish.kind}`, { names: names(wish.students) }) })"
        @click="
          emit(
            'keep',
            wishes.filter((_, n) => n !== i),
          )
        ">
        <Icon name="lucide:x" />
      </button>
    </li>
  </ul>
</template>
