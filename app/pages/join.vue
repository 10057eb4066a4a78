<script setup lang="ts">
import { PASSWORD_LENGTH, type PasswordPicture } from '~~/core/roster/picturePassword'

interface Found {
  name: string
  code: string
  newcomers: boolean
  students: { id: string; name: string }[]
}

const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const store = useMe()
const route = useRoute()
const code = ref(String(route.query.class ?? ''))
const found = ref<Found | null>(null)
const who = ref<Found['students'][number] | null>(null)
const pictures = ref<PasswordPicture[]>([])
const handout = computed(() => (typeof route.query.handout === 'string' ? route.query.handout : undefined))
useHead({ title: () => t('join.title') })

async function look() {
  found.value = (await attempt(() => ask<Found>('/api/join', { method: 'POST', body: { code: code.value } }))) ?? null
}
if (code.value) await look()

async function pick(picture: PasswordPicture) {
  if (pictures.value.length === PASSWORD_LENGTH) return
  pictures.value = [...pictures.value, picture]
  if (pictures.value.length === PASSWORD_LENGTH) await enter()
}

const called = ref('')
/** Whoever comes by a code without a list goes by the name they type. */
async function arrive() {
  const me = await attempt(() =>
    ask<Me>('/api/join/newcomer', { method: 'POST', body: { code: found.value!.code, name: called.value } }),
  )
  if (me) await goOn(me)
}
async function goOn(me: Me) {
  await store.came(me)
  await navigateTo(innerPath(route.query.to) ?? (handout.value ? `/desk?handout=${handout.value}` : '/desk'))
}

async function enter() {
  const me = await attempt(() =>
    ask<Me>('/api/join/student', {
      method: 'POST',
      body: { code: found.value!.code, student: who.value!.id, pictures: pictures.value },
    }),
  )
  pictures.value = []
  if (me) await goOn(me)
}

function notMe() {
  who.value = null
  pictures.value = []
  trouble.value = ''
}
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
      <h1 class="mb-4 text-2xl font-bold">{{ t('join.who') }}</h1>
      <p v-if="found.students.length === 0">{{ t('join.nobody') }}</p>
      <ul class="grid grid-cols-2 gap-3 sm:grid-cols-3">
        <li v-for="student in found.students" :key="student.id">
          <button type="button" class="button w-full justify-start text-lg" @click="who = student">
            {{ student.name }}
          </button>
        </li>
      </ul>
    </section>
    <section v-else class="panel">
      <h1 class="mb-1 text-2xl font-bold">{{ t('join.hello', { name: who.name }) }}</h1>
      <p class="mb-4 text-lg">{{ t('join.pictures') }}</p>
      <div
        class="mb-4 flex items-center gap-3"
        role="status"
        :aria-label="t('join.picked', { count: pictures.length, of: PASSWORD_LENGTH })">
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
      <button type="button" class="button mt-5" @click="notMe">{{ t('join.notMe') }}</button>
    </section>
  </main>
</template>
