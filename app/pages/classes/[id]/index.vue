<script setup lang="ts">
import type { OneStudent } from '~/composables/classes/useClass'

definePageMeta({ for: 'teacher' })
const { t } = useWords()
const route = useRoute()
const { attempt, trouble } = useAsking()
const { path, page, here, left, known, again } = await useClass(String(route.params.id))
/** Come from the records' list of classes: this one is drawn from there at once. */
const draw = typeof route.query.records === 'string' ? route.query.records : null
const listing = ref(draw !== null)
const editing = ref(false)
const askCode = ref(false)
const said = ref('')
const gone = ref<OneStudent | null>(null)
// Who is here now changes by itself.
useIntervalFn(() => void again().catch(() => {}), 20_000)
useHead({ title: () => page.value.name })

async function taken() {
  listing.value = false
  gone.value = null
  await again()
  said.value = t('classList.took', { count: here.value.length })
}
async function renew(student: string) {
  await attempt(() => askFor(`${path}/students/${student}/pictures`, { method: 'POST', body: {} }))
  await again()
}
async function link(student: OneStudent, to: 'new' | 'none') {
  const done = await attempt(() => askFor(`${path}/students/${student.id}/link`, { method: 'POST', body: { to } }))
  await again()
  gone.value = null
  if (done) said.value = t(`classes.link.${to}`, { name: student.name })
}
async function change(student: OneStudent, to: { name?: string; preferred?: string; level?: string }) {
  await attempt(() => askFor(`${path}/students/${student.id}`, { method: 'PUT', body: to }))
  await again()
}
async function order(levels: string[]) {
  await attempt(() => askFor(`${path}/levels`, { method: 'PUT', body: { levels } }))
  await again()
}
async function renewCode() {
  askCode.value = false
  await attempt(() => askFor(`${path}/code`, { method: 'POST', body: {} }))
  await again()
}
async function changeClass(to: { name?: string; putAway?: boolean }) {
  const done = await attempt(() => askFor(path, { method: 'PUT', body: to }))
  // Also after a refusal: the field shows what the class is called.
  await again()
  if (!done) return
  gone.value = null
  const did = to.name ? 'didRename' : to.putAway ? 'didPutAway' : 'didTakeBack'
  said.value = t(`classes.${did}`, { name: page.value.name })
}
async function leave(student: OneStudent, now: boolean) {
  const done = await attempt(() =>
    askFor(`${path}/students/${student.id}/left`, { method: 'PUT', body: { left: now } }),
  )
  if (!done) return
  await again()
  gone.value = now ? student : null
  said.value = now ? t('classes.didLeave', { name: student.name }) : ''
}
</script>

<template>
  <div>
    <UiTeacherBar />
    <main class="mx-auto flex max-w-6xl flex-col gap-5 p-6">
      <ClassTop :id="page.id" :name="page.name" :code="page.code" :helping="!page.mayChange">
        <template v-if="page.mayChange" #code
          ><button
            type="button"
            class="button button-quiet px-2"
            :aria-label="t('classes.newCode')"
            :title="t('classes.newCode')"
            @click="askCode = true">
            <Icon name="lucide:refresh-cw" /></button
        ></template>
        <a
          v-if="page.mayChange && here.length"
          :href="`/api/classes/${page.id}/cards`"
          target="_blank"
          class="button"
          data-test="cards"
          ><Icon name="lucide:printer" />{{ t('classes.cards') }}</a
        >
        <button v-if="page.mayChange" type="button" class="button button-action" @click="listing = true">
          <Icon name="lucide:list-plus" />{{ t('classes.listButton') }}
        </button>
      </ClassTop>
      <p v-if="said" role="status" class="flex flex-wrap items-center gap-3">
        {{ said
        }}<button v-if="gone" type="button" class="button min-h-9 py-1" @click="leave(gone, false)">
          {{ t('classes.undo') }}
        </button>
      </p>
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <section class="panel">
        <div class="mb-3 flex flex-wrap items-center gap-3">
          <h2 class="grow text-lg font-bold">{{ t('classes.students', { count: here.length }) }}</h2>
          <template v-if="page.mayChange && here.length">
            <button type="button" class="button min-h-9 py-1" :aria-pressed="editing" @click="editing = !editing">
              <Icon name="lucide:pencil" />{{ t(editing ? 'classes.editDone' : 'classes.edit') }}
            </button>
            <a :href="`/api/classes/${page.id}/list`" class="button min-h-9 py-1"
              ><Icon name="lucide:download" />{{ t('classes.toCsv') }}</a
            >
            <a :href="`/api/classes/${page.id}/roster`" download class="button min-h-9 py-1"
              ><Icon name="lucide:download" />{{ t('classes.asOneRoster') }}</a
            >
          </template>
        </div>
        <p v-if="here.length === 0">{{ t('classes.noStudents') }}</p>
        <ClassStudentTable
          v-else
          :students="here"
          :may-change="page.mayChange"
          :editing="editing"
          :levels="page.levels"
          @change="change"
          @order="order"
          @renew="renew"
          @link="link"
          @leave="leave" />
        <details v-if="page.mayChange && left.length" class="mt-4">
          <summary class="cursor-pointer font-semibold">{{ t('classes.left', { count: left.length }) }}</summary>
          <ul class="mt-2 flex flex-col gap-1">
            <li v-for="student in left" :key="student.id" class="flex items-center gap-3">
              <bdi>{{ student.name }}</bdi><button
                type="button"
                class="button min-h-9 py-1"
                :aria-label="`${t('classes.comeBack')}: ${student.name}`"
                @click="leave(student, false)">
                {{ t('classes.comeBack') }}
              </button>
            </li>
          </ul>
        </details>
      </section>
      <ClassWhoHelps v-if="page.mayChange" :class-id="page.id" />
      <ClassThisClass v-if="page.mayChange" :name="page.name" :put-away="page.putAway" @change="changeClass" />
    </main>
    <UiAsk :open="askCode" :title="t('classes.newCode')" @close="askCode = false">
      <p>{{ t('classes.newCodeHow') }}</p>
      <template #buttons>
        <button type="button" class="button" @click="askCode = false">{{ t('app.cancel') }}</button>
        <button type="button" class="button button-action" @click="renewCode">{{ t('classes.newCode') }}</button>
      </template>
    </UiAsk>
    <ClassListMaker
      :open="listing"
      :class-id="page.id"
      :name="page.name"
      :known="known"
      :record="page.record"
      :draw="page.students.length ? null : draw"
      @close="listing = false"
      @taken="taken"
      @outdated="again" />
  </div>
</template>
