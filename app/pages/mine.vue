<script setup lang="ts">
definePageMeta({ for: 'teacher' })
/** All that is a teacher's: taken along as one file, and brought in from one. */
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
useHead({ title: () => t('mine.title') })
const parcels = useTemplateRef('parcels')
const coming = useTemplateRef('coming')

/** What share of the file has gone, while one is being sent. */
const gone = ref<number | null>(null)
async function bringIn(event: Event) {
  const field = event.target as HTMLInputElement
  const [file] = field.files ?? []
  field.value = ''
  if (!file) return
  await attempt(async () => {
    gone.value = 0
    await sendFile('/api/everything/in', file, share => (gone.value = share))
    await coming.value?.read()
  }).finally(() => (gone.value = null))
}
</script>

<template>
  <div>
    <UiTeacherBar />
    <main class="mx-auto flex max-w-3xl flex-col gap-6 p-6">
      <h1 class="text-2xl font-bold">{{ t('mine.title') }}</h1>
      <section class="panel">
        <h2 class="mb-2 text-xl font-bold">{{ t('mine.along') }}</h2>
        <p>{{ t('mine.alongHow') }}</p>
        <button type="button" class="button button-action mt-3" @click="parcels?.order()">
          <Icon name="lucide:package" />{{ t('mine.pack') }}
        </button>
        <PaperParcels ref="parcels" path="/api/everything" />
      </section>
      <section class="panel">
        <h2 class="mb-2 text-xl font-bold">{{ t('mine.in') }}</h2>
        <p>{{ t('mine.inHow') }}</p>
        <label class="button mt-3 w-fit" :class="busy ? 'opacity-50' : ''"
          ><Icon name="lucide:file-input" />{{ t('mine.choose')
          }}<input
            type="file"
            accept=".zip,application/zip"
            class="sr-only"
            :disabled="busy"
            data-test="everything-file"
            @change="bringIn"
        /></label>
        <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
        <p v-if="gone !== null" class="mt-3 flex flex-wrap items-center gap-3">
          <progress :value="gone" :aria-label="t('mine.sending')" />{{ t('mine.sending') }}
        </p>
        <PaperComing ref="coming" />
      </section>
    </main>
  </div>
</template>
