<script setup lang="ts">
import { codeInGroups } from '~~/core/roster/picturePassword'

/** How students come in: a QR code, the class code, a link. */
const { code, link } = defineProps<{ code: string; link: string }>()
const { t } = useWords()
</script>

<template>
  <div class="flex flex-wrap items-center gap-6">
    <UiQr :link="link" class="h-44 w-44" />
    <div class="min-w-0 flex-1">
      <p class="label">{{ t('classes.code') }}</p>
      <p class="mb-3 text-3xl font-bold tracking-widest" data-test="code">{{ codeInGroups(code) }}</p>
      <label
        ><span class="label">{{ t('giveOut.link') }}</span
        ><input
          class="field"
          readonly
          :value="link"
          data-test="link"
          @focus="($event.target as HTMLInputElement).select()"
      /></label>
    </div>
  </div>
</template>
