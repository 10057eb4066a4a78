<script setup lang="ts">
definePageMeta({ for: 'teacher' })
const { t } = useWords()
const route = useRoute()
const { page, here } = await useClass(String(route.params.id))
const { works } = await ask(`/api/classes/${page.value.id}/year`)
const { tags, table, percent } = useYear(() => works)
useHead({ title: () => `${t('year.title')} · ${page.value.name}` })
const archiving = ref(false)
</script>

<template>
  <div>
    <UiTeacherBar />
    <main class="mx-auto flex max-w-7xl flex-col gap-5 p-6">
      <ClassTop :id="page.id" :name="page.name" :code="page.code" :helping="!page.mayChange">
        <button v-if="page.mayChange" type="button" class="button" @click="archiving = true">
          <Icon name="lucide:package" />{{ t('paper.archive.open') }}
        </button>
      </ClassTop>
      <PaperClassArchive :open="archiving" :class-id="page.id" :name="page.name" @close="archiving = false" />
      <section class="panel flex flex-col gap-3" :aria-label="t('year.byTag')" data-test="year">
        <h2 class="text-lg font-bold">{{ t('year.byTag') }}</h2>
        <p v-if="!tags.length">{{ t('year.none') }}</p>
        <template v-else>
          <p class="text-lg">{{ t('year.weakest', { tag: tags[0]!.tag, share: percent(tags[0]!.mean) }) }}</p>
          <FindingsFindingTable
            :title="t('year.byTag')"
            :columns="table.columns"
            :rows="table.rows"
            :file="`${page.name} - ${t('year.title')}`" />
        </template>
      </section>
      <section class="panel flex flex-col gap-3" :aria-label="t('year.students')">
        <h2 class="text-lg font-bold">{{ t('year.students') }}</h2>
        <p class="note-line">{{ t('year.studentsHow') }}</p>
        <ul class="flex flex-wrap gap-2">
          <li v-for="student in here" :key="student.id">
            <NuxtLink :to="`/classes/${page.id}/student/${student.id}`" class="button min-h-10 py-1"
              ><bdi>{{ student.name }}</bdi></NuxtLink
            >
          </li>
        </ul>
      </section>
    </main>
  </div>
</template>
