<script setup lang="ts">
import { readClassList } from '~~/core/roster/classList'
import type { PasswordPicture } from '~~/core/roster/picturePassword'

definePageMeta({ for: 'teacher' })
interface ClassPage { id: string, name: string, code: string, students: { id: string, name: string, pictures: PasswordPicture[] }[] }

const { t } = useWords()
const route = useRoute()
const { attempt, trouble, busy } = useAsking()
const path = `/api/classes/${String(route.params.id)}`
const page = ref(await ask<ClassPage>(path))
const list = ref('')
const added = ref(0)
const rows = computed(() => readClassList(list.value, page.value.students.map(s => s.name)))
const problems = computed(() => rows.value.filter(row => row.problem))
useHead({ title: () => page.value.name })

/** The list without the lines that can't be taken, for the teacher to look at before it is added. */
function leaveOut() {
  list.value = rows.value.filter(row => !row.problem).map(row => row.name).join('\n')
}

async function add() {
  const done = await attempt(() => ask<{ added: number }>(`${path}/students`, { method: 'POST', body: { list: list.value } }))
  if (!done) return
  added.value = done.added
  list.value = ''
  page.value = await ask<ClassPage>(path)
}

async function renew(student: string) {
  await attempt(() => ask(`${path}/students/${student}/pictures`, { method: 'POST', body: {} }))
  page.value = await ask<ClassPage>(path)
}
</script>

<template>
  <div>
    <UiTeacherBar />
    <main class="mx-auto flex max-w-6xl flex-col gap-6 p-6">
      <div class="flex flex-wrap items-baseline gap-4">
        <h1 class="text-2xl font-bold">{{ page.name }}</h1>
        <p class="text-lg">{{ t('classes.code') }} <strong class="tracking-widest" data-test="class-code">{{ page.code }}</strong></p>
      </div>
      <div class="grid gap-6 lg:grid-cols-[1fr_24rem]">
        <section class="panel">
          <h2 class="mb-3 text-lg font-bold">{{ t('classes.students', { count: page.students.length }) }}</h2>
          <p v-if="page.students.length === 0">{{ t('classes.noStudents') }}</p>
          <table v-else class="w-full">
            <thead><tr class="text-left text-sm"><th class="pb-2">{{ t('classes.name') }}</th><th class="pb-2">{{ t('classes.pictures') }}</th><th><span class="sr-only">{{ t('classes.renew') }}</span></th></tr></thead>
            <tbody>
              <tr v-for="student in page.students" :key="student.id" class="border-t border-panel-line">
                <td class="py-1 pr-3 font-semibold"><bdi>{{ student.name }}</bdi></td>
                <td class="py-1 pr-3">
                  <span class="flex flex-wrap items-center gap-x-2">
                    <span v-for="picture in student.pictures" :key="picture" class="inline-flex items-center gap-1"><UiPasswordPicture :picture="picture" class="text-xl" />{{ t(`pictures.${picture}`) }}</span>
                  </span>
                </td>
                <td class="py-1 text-right"><button type="button" class="button button-quiet" :aria-label="t('classes.renewFor', { name: student.name })" @click="renew(student.id)"><Icon name="lucide:refresh-cw" />{{ t('classes.renew') }}</button></td>
              </tr>
            </tbody>
          </table>
        </section>
        <section class="panel flex h-fit flex-col gap-3">
          <h2 class="text-lg font-bold">{{ t('classes.add') }}</h2>
          <label><span class="label">{{ t('classes.paste') }}</span><textarea v-model="list" rows="9" class="field" spellcheck="false" /></label>
          <p v-if="rows.length && !problems.length" class="note-line">{{ t('classes.ready', { count: rows.length }) }}</p>
          <div v-if="problems.length" class="trouble">
            <p class="font-semibold">{{ t('classes.problems', { count: problems.length }) }}</p>
            <ul class="mt-1 max-h-44 overflow-auto">
              <li v-for="row in problems" :key="row.line">{{ t('classes.line', { line: row.line }) }} <bdi>{{ row.name }}</bdi>: {{ t(`classes.problem.${row.problem!}`) }}</li>
            </ul>
            <button type="button" class="button mt-2" @click="leaveOut">{{ t('classes.leaveOut') }}</button>
          </div>
          <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
          <p v-if="added" role="status">{{ t('classes.added', { count: added }) }}</p>
          <button type="button" class="button button-action" :disabled="busy || rows.length === 0 || problems.length > 0" @click="add">{{ t('classes.addThem', { count: rows.length - problems.length }) }}</button>
        </section>
      </div>
    </main>
  </div>
</template>
