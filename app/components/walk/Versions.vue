<script setup lang="ts">
import type { WalkSlate } from '~/composables/review/useWalk'

/** Who has which version; each student gets another by one choice, in the middle of the lesson. */
const { open, handout, slates, versions } = defineProps<{
  open: boolean
  handout: string
  slates: readonly WalkSlate[]
  versions: readonly { number: number; name: string }[]
}>()
const emit = defineEmits<{ close: []; changed: [] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const said = ref('')
async function change(slate: WalkSlate, to: string) {
  const version = to ? Number(to) : null
  const done = await attempt(() =>
    ask(`/api/handouts/${handout}/versions`, { method: 'PUT', body: { slate: slate.id, version } }),
  )
  emit('changed')
  if (done)
    said.value = t('versions.changed', {
      name: slate.name,
      version: versions.find(one => one.number === version)?.name ?? t('versions.usual'),
    })
}
</script>

<template>
  <UiAsk :open="open" :title="t('versions.who')" @close="emit('close')">
    <p class="mb-3">{{ t('versions.how') }}</p>
    <ul class="flex flex-col gap-1">
      <li v-for="slate in slates" :key="slate.id">
        <label class="flex items-center gap-3 px-2"
          ><span class="grow font-semibold"
            ><bdi>{{ slate.name }}</bdi></span
          >
          <select
            class="field min-h-9 w-52 py-1"
            :value="slate.version ?? ''"
            :disabled="busy"
            @change="change(slate, ($event.target as HTMLSelectElement).value)">
            <option value="">{{ t('versions.usual') }}</option>
            <option v-for="one in versions" :key="one.number" :value="one.number">{{ one.name }}</option>
          </select>
        </label>
      </li>
    </ul>
    <p v-if="said" role="status" class="mt-3">{{ said }}</p>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons
      ><button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button></template
    >
  </UiAsk>
</template>
