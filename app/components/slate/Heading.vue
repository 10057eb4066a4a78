<script setup lang="ts">
/** What a student calls an own page; the others read it, unless a teacher keeps it from them. */
const { slate, heading, hidden } = defineProps<{ slate: string; heading: string; hidden: boolean }>()
const { t } = useWords()
const { attempt, trouble } = useAsking()
const name = ref(heading)
const nameIt = () => attempt(() => askFor(`/api/slates/${slate}/name`, { method: 'PUT', body: { name: name.value } }))
</script>

<template>
  <div class="flex flex-wrap items-center gap-3">
    <label class="flex items-center gap-3"
      ><span class="shrink-0 font-semibold">{{ t('slate.heading') }}</span
      ><input v-model="name" dir="auto" class="field max-w-md py-1" maxlength="60" @change="nameIt"
    /></label>
    <p v-if="hidden" class="flex items-center gap-1.5" role="status">
      <Icon name="lucide:eye-off" />{{ t('slate.headingHidden') }}
    </p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  </div>
</template>
