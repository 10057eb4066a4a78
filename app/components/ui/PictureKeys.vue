<script setup lang="ts">
import { PASSWORD_PICTURES, type PasswordPicture } from '~~/core/roster/picturePassword'

/** The twelve pictures that passwords are made of. */
const emit = defineEmits<{ pick: [picture: PasswordPicture] }>()
const { t } = useWords()
</script>

<template>
  <div class="grid grid-cols-4 gap-3 sm:grid-cols-6">
    <button
      v-for="picture in PASSWORD_PICTURES"
      :key="picture"
      type="button"
      class="button aspect-square h-auto flex-col p-1 text-base"
      @click="emit('pick', picture)">
      <UiPasswordPicture :picture="picture" class="text-5xl text-action" />{{ t(`pictures.${picture}`) }}
    </button>
  </div>
</template>
