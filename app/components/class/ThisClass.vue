<script setup lang="ts">
/** What is done with a class as a whole: another name, and putting it away when its year is over. */
const { name, putAway } = defineProps<{ name: string; putAway: boolean }>()
const emit = defineEmits<{ change: [to: { name?: string; putAway?: boolean }] }>()
const { t } = useWords()
const rename = (event: Event) => {
  const typed = (event.target as HTMLInputElement).value.trim()
  if (typed && typed !== name) emit('change', { name: typed })
}
</script>

<template>
  <section class="panel flex flex-col gap-3">
    <h2 class="text-lg font-bold">{{ t('classes.this') }}</h2>
    <label class="max-w-md"
      ><span class="label">{{ t('classes.called') }}</span
      ><UiTyped :value="name" maxlength="60" required @change="rename"
    /></label>
    <div class="flex flex-wrap items-center gap-3">
      <button type="button" class="button" @click="emit('change', { putAway: !putAway })">
        <Icon :name="putAway ? 'lucide:archive-restore' : 'lucide:archive'" />{{
          t(putAway ? 'classes.takeBack' : 'classes.putAway')
        }}
      </button>
      <p class="note-line max-w-xl">{{ t(putAway ? 'classes.isAway' : 'classes.putAwayHow') }}</p>
    </div>
  </section>
</template>
