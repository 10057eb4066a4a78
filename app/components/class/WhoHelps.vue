<script setup lang="ts">
/** Other teachers who help with a class, and the link by which they come. */
const { classId } = defineProps<{ classId: string }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const path = `/api/classes/${classId}/assistants`
const help = ref(await askFor<{ invite: string | null; assistants: { id: string; name: string }[] }>(path))
const link = computed(() => help.value.invite && `${location.origin}/help/${help.value.invite}`)
const invite = (on: boolean) =>
  attempt(async () => {
    help.value = {
      ...help.value,
      ...(await askFor<{ invite: string | null }>(`${path}/invite`, { method: 'PUT', body: { on } })),
    }
  })
const remove = (id: string) =>
  attempt(async () => {
    await askFor(`${path}/${id}`, { method: 'DELETE' })
    help.value = { ...help.value, assistants: help.value.assistants.filter(one => one.id !== id) }
  })
</script>

<template>
  <section class="panel flex flex-col gap-3">
    <h2 class="text-lg font-bold">{{ t('help.title') }}</h2>
    <p class="note-line">{{ t('help.how') }}</p>
    <ul v-if="help.assistants.length" class="flex flex-col gap-1">
      <li v-for="one in help.assistants" :key="one.id" class="flex items-center gap-3">
        <Icon name="lucide:user-round-check" /><bdi>{{ one.name }}</bdi
        ><button
          type="button"
          class="button min-h-9 py-1"
          :disabled="busy"
          :aria-label="t('help.removeOne', { name: one.name })"
          @click="remove(one.id)">
          {{ t('help.remove') }}
        </button>
      </li>
    </ul>
    <div class="flex flex-wrap items-end gap-3">
      <template v-if="link">
        <label class="grow"
          ><span class="label">{{ t('help.link') }}</span
          ><input
            class="field"
            readonly
            :value="link"
            data-test="invite"
            @focus="($event.target as HTMLInputElement).select()"
        /></label>
        <button type="button" class="button" :disabled="busy" @click="invite(false)">
          <Icon name="lucide:link-2-off" />{{ t('help.stop') }}
        </button>
      </template>
      <button v-else type="button" class="button" :disabled="busy" @click="invite(true)">
        <Icon name="lucide:user-round-plus" />{{ t('help.ask') }}
      </button>
    </div>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  </section>
</template>
