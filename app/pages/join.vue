<script setup lang="ts">
import type { AnswerOf, RouteAt } from '~~/core/contract/contract'
import { PASSWORD_LENGTH, tidyClassCode, type PasswordPicture } from '~~/core/roster/picturePassword'

type Found = AnswerOf<RouteAt<'POST', '/api/join'>>

const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const store = useMe()
const route = useRoute()
const asked = (name: string) => (typeof route.query[name] === 'string' ? (route.query[name] as string) : '')
const code = ref(asked('class'))
/** Each step has an address of its own, so that the browser's Back goes back by one step. */
const answer = ref<Found | null>(null)
const found = computed(() =>
  asked('class') && answer.value?.code === tidyClassCode(asked('class')) ? answer.value : null,
)
const who = computed(() => found.value?.students.find(student => student.id === asked('who')) ?? null)
const pictures = ref<PasswordPicture[]>([])
const handout = computed(() => asked('handout') || undefined)
useHead({ title: () => t('join.title') })

const goTo = (step: { class?: string; who?: string }) =>
  navigateTo({ query: { ...route.query, class: undefined, who: undefined, ...step } })

async function readClass() {
  answer.value = (await attempt(() => ask('/api/join', { method: 'POST', body: { code: code.value } }))) ?? null
  return answer.value
}
async function look() {
  const read = await readClass()
  if (read) await goTo({ class: read.code })
}
if (code.value) await readClass()
const heading = useTemplateRef<HTMLElement>('heading')
/** Whoever goes on, or back, stands at the head of the step they came to. */
const field = useTemplateRef<HTMLInputElement>('field')
// A code is all there is to type here: it can be typed at once.
onMounted(() => field.value?.focus())
watch([found, who], async () => {
  trouble.value = ''
  pictures.value = []
  await nextTick()
  heading.value?.focus()
})

async function pick(picture: PasswordPicture) {
  if (pictures.value.length === PASSWORD_LENGTH) return
  pictures.value = [...pictures.value, picture]
  if (pictures.value.length === PASSWORD_LENGTH) await enter()
}

const called = ref('')
/** Whoever comes by a code without a list goes by the name they type. */
async function arrive() {
  const me = await attempt(() =>
    ask('/api/join/newcomer', { method: 'POST', body: { code: found.value!.code, name: called.value } }),
  )
  if (me) await goOn(me)
}
async function goOn(me: Me) {
  if (!(await attempt(async () => (await store.came(me), true)))) return
  await navigateTo(innerPath(route.query.to) ?? (handout.value ? `/desk?handout=${handout.value}` : '/desk'))
}

async function enter() {
  const me = await attempt(() =>
    ask('/api/join/student', {
      method: 'POST',
      body: { code: found.value!.code, student: who.value!.id, pictures: pictures.value },
    }),
  )
  pictures.value = []
  if (me) await goOn(me)
}

const pickedWords = computed(() =>
  [
    t('join.picked', { count: pictures.value.length, of: PASSWORD_LENGTH }),
    ...pictures.value.map(picture => t(`pictures.${picture}`)),
  ].join(', '),
)
</script>

<template>
  <UiEntryForm
    v-if="!found"
    :title="t('join.title')"
    :action="t('join.next')"
    :trouble="trouble"
    :busy="busy"
    @submit="look">
    <label>
      <span class="label">{{ t('join.code') }}</span>
      <input
        ref="field"
        v-model="code"
        class="field text-center text-2xl font-bold uppercase tracking-widest"
        autocomplete="off"
        autocapitalize="characters"
        spellcheck="false"
        required />
      <span class="note-line">{{ t('join.codeWhere') }}</span>
    </label>
  </UiEntryForm>

  <UiEntryForm
    v-else-if="found.newcomers"
    :title="t('join.called')"
    :action="t('join.comeIn')"
    :trouble="trouble"
    :busy="busy"
    @submit="arrive">
    <label
      ><span class="label">{{ t('join.yourName') }}</span
      ><input v-model="called" class="field text-xl" maxlength="60" autocomplete="off" required /><span
        class="note-line"
        >{{ t('join.calledHow') }}</span
      ></label
    >
  </UiEntryForm>

  <main v-else class="mx-auto flex min-h-dvh max-w-3xl flex-col gap-5 p-6">
    <div class="flex items-center gap-3 text-lg font-bold"><UiMark />{{ found.name }}</div>
    <section v-if="!who" class="panel">
      <h1 ref="heading" tabindex="-1" class="mb-4 text-2xl font-bold">{{ t('join.who') }}</h1>
      <p v-if="found.students.length === 0">{{ t('join.nobody') }}</p>
      <ul class="grid grid-cols-2 gap-3 sm:grid-cols-3">
        <li v-for="student in found.students" :key="student.id">
          <button
            type="button"
            class="button w-full justify-start text-lg"
            @click="goTo({ class: found.code, who: student.id })">
            {{ student.name }}
          </button>
        </li>
      </ul>
    </section>
    <section v-else class="panel">
      <h1 ref="heading" tabindex="-1" class="mb-1 text-2xl font-bold">{{ t('join.hello', { name: who.name }) }}</h1>
      <p class="mb-4 text-lg">{{ t('join.pictures') }}</p>
      <p class="sr-only" role="status">{{ pickedWords }}</p>
      <div class="mb-4 flex items-center gap-3">
        <span
          v-for="i in PASSWORD_LENGTH"
          :key="i"
          class="flex h-16 w-16 items-center justify-center rounded-xl border-2 border-dashed border-stone-500 bg-field text-4xl">
          <UiPasswordPicture v-if="pictures[i - 1]" :picture="pictures[i - 1]!" />
        </span>
        <button v-if="pictures.length" type="button" class="button" @click="pictures = pictures.slice(0, -1)">
          <Icon name="lucide:delete" />{{ t('join.back') }}
        </button>
      </div>
      <p v-if="trouble" class="trouble mb-4" role="alert">{{ trouble }}</p>
      <UiPictureKeys @pick="pick" />
      <button type="button" class="button mt-5" @click="goTo({ class: found.code })">{{ t('join.notMe') }}</button>
    </section>
  </main>
</template>
