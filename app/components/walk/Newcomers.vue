<script setup lang="ts">
/** Of what was given out to whoever comes: the code for all to see, who is in, and what can be done about each. */
const { open, classId, door, link, code } = defineProps<{
  open: boolean
  classId: string
  door: 'open' | 'closed'
  link: string
  code: string
}>()
const emit = defineEmits<{ close: []; changed: [] }>()
interface Person {
  id: string
  name: string
  left: boolean
}
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const path = computed(() => `/api/classes/${classId}`)
const people = ref<Person[]>([])
const said = ref('')
const name = ref('')
const here = computed(() => people.value.filter(one => !one.left))
const away = computed(() => people.value.filter(one => one.left))
/** Asked apart from what is done here, so that reading anew wipes out no refusal. */
const reading = useAsking()
async function load() {
  people.value = (await reading.attempt(() => askFor<{ students: Person[] }>(path.value)))?.students ?? people.value
}
watch(
  () => open,
  now => now && void load(),
  { immediate: true },
)
defineExpose({ load })

async function change(work: () => Promise<unknown>, words: string): Promise<boolean> {
  said.value = ''
  const done = (await attempt(async () => (await work(), true))) ?? false
  await load()
  if (!done) return false
  said.value = words
  emit('changed')
  return true
}
const turn = (to: 'open' | 'closed') =>
  change(
    () => askFor(`${path.value}/newcomers`, { method: 'PUT', body: { to } }),
    t(to === 'open' ? 'newcomers.isOpen' : 'newcomers.isClosed'),
  )
const rename = (one: Person, to: string) =>
  to.trim() && to.trim() !== one.name
    ? change(
        () => askFor(`${path.value}/students/${one.id}`, { method: 'PUT', body: { name: to } }),
        t('newcomers.renamed', { name: to.trim() }),
      )
    : undefined
const putAway = (one: Person, left: boolean) =>
  change(
    () => askFor(`${path.value}/students/${one.id}/left`, { method: 'PUT', body: { left } }),
    t(left ? 'newcomers.turnedAway' : 'newcomers.letIn', { name: one.name }),
  )
const same = (one: Person, other: string) =>
  change(
    () => askFor(`${path.value}/students/${one.id}/same`, { method: 'POST', body: { other } }),
    t('newcomers.joined', { name: one.name }),
  )
async function keep() {
  const kept = await change(
    () => askFor(`${path.value}/newcomers`, { method: 'PUT', body: { to: 'kept', name: name.value } }),
    t('newcomers.kept', { name: name.value }),
  )
  if (kept) await navigateTo(`/classes/${classId}`)
}
</script>

<template>
  <UiAsk :open="open" :title="t('newcomers.title')" wide @close="emit('close')">
    <div class="grid gap-6 md:grid-cols-2">
      <div class="flex flex-col gap-4">
        <WalkJoinCard v-if="door === 'open'" :code="code" :link="link" />
        <p v-else class="told">
          {{ t('newcomers.isClosed') }}
        </p>
        <button type="button" class="button w-fit" :disabled="busy" @click="turn(door === 'open' ? 'closed' : 'open')">
          <Icon :name="door === 'open' ? 'lucide:lock' : 'lucide:lock-open'" />{{
            t(door === 'open' ? 'newcomers.close' : 'newcomers.open')
          }}
        </button>
        <form class="flex flex-wrap items-end gap-3" @submit.prevent="keep">
          <label class="grow"
            ><span class="label">{{ t('newcomers.keepAs') }}</span
            ><input v-model="name" class="field" maxlength="60" required
          /></label>
          <button class="button" :disabled="busy || here.length === 0">{{ t('newcomers.keep') }}</button>
        </form>
        <p class="note-line">{{ t('newcomers.keepHow') }}</p>
      </div>
      <div>
        <div role="status">
          <h3 class="mb-2 font-bold">{{ t('newcomers.count', { count: here.length }) }}</h3>
        </div>
        <ul class="flex max-h-[50vh] flex-col gap-2 overflow-auto p-1">
          <li v-for="one in here" :key="one.id" class="flex items-center gap-2">
            <UiTyped
              class="min-h-9 grow py-1"
              :value="one.name"
              maxlength="60"
              :aria-label="t('newcomers.nameOf', { name: one.name })"
              @change="rename(one, ($event.target as HTMLInputElement).value)" />
            <select
              v-if="here.length > 1"
              class="field min-h-9 w-32 py-1"
              :aria-label="t('newcomers.sameAs', { name: one.name })"
              @change="
                same(one, ($event.target as HTMLSelectElement).value)
                ;($event.target as HTMLSelectElement).value = ''
              ">
              <option value="">{{ t('newcomers.same') }}</option>
              <option v-for="other in here.filter(o => o.id !== one.id)" :key="other.id" :value="other.id">
                {{ other.name }}
              </option>
            </select>
            <button
              type="button"
              class="button button-quiet px-2"
              :aria-label="t('newcomers.turnAway', { name: one.name })"
              :title="t('newcomers.turnAway', { name: one.name })"
              :disabled="busy"
              @click="putAway(one, true)">
              <Icon name="lucide:user-round-minus" />
            </button>
          </li>
        </ul>
        <details v-if="away.length" class="mt-3">
          <summary class="cursor-pointer font-semibold">{{ t('newcomers.away', { count: away.length }) }}</summary>
          <ul class="mt-1 flex flex-col gap-1">
            <li v-for="one in away" :key="one.id" class="flex items-center gap-3">
              <bdi>{{ one.name }}</bdi><button
                type="button"
                class="button min-h-9 py-1"
                :aria-label="t('newcomers.letInAgain', { name: one.name })"
                @click="putAway(one, false)">
                {{ t('newcomers.again') }}
              </button>
            </li>
          </ul>
        </details>
      </div>
    </div>
    <p v-if="said" role="status" class="mt-3 font-semibold">{{ said }}</p>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons
      ><button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button></template
    >
  </UiAsk>
</template>
