<script setup lang="ts">
definePageMeta({ for: 'student' })
interface Choice {
  title: string
  word: string
  size: number
  closed: boolean
  own: string | null
  frames: { id: string; name: string; mark: string | null; people: string[] }[]
  unplaced: { id: string; name: string }[]
}
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const handout = String(useRoute().params.handout)
const read = () => attempt(() => ask(`/api/handouts/${handout}/frames`))
const choice = ref(await read())
const mates = ref<string[]>([])
const tooMany = computed(() => !!choice.value && mates.value.length + 1 > choice.value.size)
/** Somebody was quicker: which frame it is instead. */
const instead = ref<{ id: string; name: string } | null>(null)
if (choice.value?.own) await navigateTo(`/slate/${choice.value.own}`, { replace: true })
useHead({ title: () => t('choose.title') })

// Frames go while one looks: who has taken which is asked for again, and is right at the moment of taking in any case.
const { pause } = useIntervalFn(async () => {
  if (busy.value || instead.value) return
  const fresh = await ask(`/api/handouts/${handout}/frames`).catch(() => null)
  if (!fresh) return
  choice.value = fresh
  mates.value = mates.value.filter(id => fresh.unplaced.some(one => one.id === id))
  if (fresh.own) await goTo(fresh.own)
}, 3000)
async function goTo(slate: string) {
  pause()
  await navigateTo(`/slate/${slate}`)
}
async function take(frame: Choice['frames'][number]) {
  const body = frame.people.length
    ? { what: 'join' as const, frame: frame.id }
    : { what: 'take' as const, wanted: frame.id, mates: mates.value }
  const given = await attempt(() => ask(`/api/handouts/${handout}/frames`, { method: 'POST', body }))
  if (!given) return void (choice.value = await ask(`/api/handouts/${handout}/frames`).catch(() => choice.value))
  if (given.id === frame.id) await goTo(given.id)
  else instead.value = given
}
</script>

<template>
  <div>
    <UiTopBar :title="choice?.title ?? t('choose.title')"
      ><template #start
        ><RouterLink to="/desk" :aria-label="t('slate.toDesk')" class="flex min-h-11 items-center"
          ><UiMark /></RouterLink></template
    ></UiTopBar>
    <main class="mx-auto flex max-w-5xl flex-col gap-5 p-6">
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <template v-if="choice">
        <p v-if="choice.closed" class="panel text-lg">{{ t('slate.shut.closed') }}</p>
        <section v-if="instead" class="panel flex flex-wrap items-center gap-4 text-lg" role="status">
          <p>{{ t('choose.instead', { name: instead.name }) }}</p>
          <button type="button" class="button button-action" @click="goTo(instead.id)">{{ t('choose.goOn') }}</button>
        </section>
        <template v-else-if="!choice.closed">
          <p v-if="choice.word" class="text-lg">{{ choice.word }}</p>
          <fieldset v-if="choice.size > 1 && choice.unplaced.length" class="panel">
            <legend class="float-left mb-2 w-full text-xl font-bold">
              {{ t('choose.with', { count: choice.size - 1 }) }}
            </legend>
            <div class="clear-both flex max-h-56 flex-wrap gap-2 overflow-auto">
              <label
                v-for="one in choice.unplaced"
                :key="one.id"
                class="button"
                :class="mates.includes(one.id) ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
                ><input v-model="mates" type="checkbox" :value="one.id" /><bdi>{{ one.name }}</bdi></label
              >
            </div>
            <p v-if="tooMany" class="trouble mt-3" role="alert">{{ t('choose.tooMany', { count: choice.size }) }}</p>
          </fieldset>
          <h2 class="text-xl font-bold">{{ t('choose.which') }}</h2>
          <ul class="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
            <li v-for="frame in choice.frames" :key="frame.id" class="panel flex items-center gap-3 p-3">
              <ClassGroupMark v-if="frame.mark" :mark="frame.mark" />
              <span class="grow"
                ><span class="block text-lg font-bold">{{ frame.name }}</span
                ><span class="block">{{ frame.people.length ? frame.people.join(', ') : t('choose.free') }}</span></span
              >
              <button
                v-if="frame.people.length === 0"
                type="button"
                class="button button-action"
                :disabled="busy || tooMany"
                :aria-label="t('choose.takeThis', { name: frame.name })"
                @click="take(frame)">
                {{ t('choose.take') }}
              </button>
              <button
                v-else-if="frame.people.length < choice.size && mates.length === 0"
                type="button"
                class="button"
                :disabled="busy"
                :aria-label="t('choose.joinThis', { name: frame.name })"
                @click="take(frame)">
                {{ t('choose.join') }}
              </button>
            </li>
          </ul>
        </template>
      </template>
      <RouterLink v-else to="/desk" class="button w-fit">{{ t('slate.toDesk') }}</RouterLink>
    </main>
  </div>
</template>
