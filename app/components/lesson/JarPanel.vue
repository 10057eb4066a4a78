<script setup lang="ts">
import type { JarSetting, Question, QuestionChange } from '~~/core/lesson/jar'
import type { Show } from '~~/core/lesson/show'

/** The question jar at the teacher's desk: open it, read, show one at a time, answer, hide. */
const { handout, show, version } = defineProps<{
  handout: string
  show: Show
  /** Counts news of the lesson. */
  version: number
}>()
const emit = defineEmits<{ close: []; changed: [] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const path = `/api/handouts/${handout}/questions`
const view = shallowRef<{ jar: JarSetting; questions: Question[] } | null>(null)
/** Who asked is for the teacher to know, and not for whoever looks over their shoulder. */
const names = ref(false)

async function read() {
  view.value = (await askFor<{ jar: JarSetting; questions: Question[] }>(path).catch(() => null)) ?? view.value
}
const readSoon = useDebounceFn(read, 300, { maxWait: 1500 })
void read()
watch(
  () => version,
  () => void readSoon(),
)
async function set(to: Partial<JarSetting>) {
  if (!view.value) return
  await attempt(() => askFor(path, { method: 'PUT', body: { ...view.value!.jar, ...to } }))
  await read()
}
async function change(question: Question, to: QuestionChange) {
  await attempt(() => askFor(`${path}/${question.id}`, { method: 'PUT', body: { ...to } }))
  await read()
}
const isShown = (question: Question) => show.what.kind === 'question' && show.what.question === question.id
async function put(question: Question) {
  const what: Show['what'] = isShown(question) ? { kind: 'nothing' } : { kind: 'question', question: question.id }
  await attempt(() =>
    ask(`/api/handouts/${handout}/screen`, { method: 'PUT', body: { show: { ...show, what, pen: [] } } }),
  )
  emit('changed')
}
</script>

<template>
  <section class="panel mb-4 flex flex-col gap-3" :aria-label="t('jar.title')" data-test="jar-panel">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
      <h2 class="text-lg font-bold">{{ t('jar.title') }}</h2>
      <template v-if="view">
        <button
          type="button"
          class="button min-h-10 py-1"
          :class="view.jar.open ? '' : 'button-action'"
          :disabled="busy"
          @click="set({ open: !view.jar.open })">
          {{ t(view.jar.open ? 'jarDesk.close' : 'jarDesk.open') }}
        </button>
        <label class="flex min-h-10 items-center gap-2"
          ><input
            type="checkbox"
            class="h-5 w-5"
            :checked="view.jar.named"
            @change="set({ named: ($event.target as HTMLInputElement).checked })" />{{ t('jarDesk.named') }}</label
        >
        <label class="flex min-h-10 items-center gap-2"
          ><input v-model="names" type="checkbox" class="h-5 w-5" />{{ t('jarDesk.who') }}</label
        >
      </template>
      <button type="button" class="button ml-auto min-h-10 py-1" @click="emit('close')">{{ t('app.close') }}</button>
    </div>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <p v-if="view" class="note-line">{{ t(view.jar.open ? 'jarDesk.isOpen' : 'jarDesk.isClosed') }}</p>
    <p v-if="view && view.questions.length === 0">{{ t('jar.none') }}</p>
    <ul v-else-if="view" class="flex flex-col divide-y divide-panel-line">
      <li
        v-for="one in view.questions"
        :key="one.id"
        class="flex flex-wrap items-center gap-3 py-2"
        :class="one.hidden ? 'opacity-70' : ''">
        <div class="min-w-64 flex-1">
          <p class="wrap-anywhere whitespace-pre-wrap" dir="auto">{{ one.words }}</p>
          <p class="text-sm">
            <bdi v-if="names && one.name" class="mr-2 font-semibold">{{ one.name }}</bdi>{{
              t('jar.votes', { up: one.up, down: one.down })
            }}<span v-if="one.answered">&#32;· {{ t('jar.answered') }}</span
            ><span v-if="one.hidden">&#32;· {{ t('jarDesk.hidden') }}</span>
          </p>
        </div>
        <button
          v-if="!one.hidden"
          type="button"
          class="button min-h-10 py-1"
          :class="isShown(one) ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
          :aria-pressed="isShown(one)"
          :disabled="busy"
          @click="put(one)">
          <Icon name="lucide:presentation" size="18" />{{ t('jarDesk.show') }}
        </button>
        <button
          type="button"
          class="button min-h-10 py-1"
          :aria-pressed="one.answered"
          :disabled="busy"
          @click="change(one, { answered: !one.answered })">
          <Icon name="lucide:check" size="18" />{{ t(one.answered ? 'jarDesk.unanswer' : 'jarDesk.answer') }}
        </button>
        <button
          type="button"
          class="button min-h-10 py-1"
          :disabled="busy"
          @click="change(one, { hidden: !one.hidden })">
          <Icon :name="one.hidden ? 'lucide:eye' : 'lucide:eye-off'" size="18" />{{
            t(one.hidden ? 'jarDesk.unhide' : 'jarDesk.hide')
          }}
        </button>
      </li>
    </ul>
  </section>
</template>
