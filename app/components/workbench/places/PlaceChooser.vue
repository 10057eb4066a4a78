<script setup lang="ts">
import { PLACE_FORMS, PLACE_TASKS, TASK_OF, type PlaceForm, type PlaceTask } from '~~/core/design/newPlaces'

/** What can be added, by what students do there; a search finds it by other words too. */
const { unpinned } = defineProps<{ unpinned: number }>()
const emit = defineEmits<{ add: [form: PlaceForm]; more: [what: Further] }>()
const { t } = useWords()

/** Made otherwise than by being put on the page. */
const FURTHER = { pins: 'point', gaps: 'write', choices: 'draw', activity: 'steps' } as const
type Further = keyof typeof FURTHER
const ICONS: Readonly<Record<Further, string>> = {
  pins: 'lucide:map-pinned',
  gaps: 'lucide:pilcrow',
  choices: 'lucide:circle-check-big',
  activity: 'lucide:list-ordered',
}
const search = ref('')
const id = useId()

interface Offer {
  readonly what: PlaceForm | Further
  readonly name: string
  readonly says: string
}
const isForm = (what: Offer['what']): what is PlaceForm => !(what in FURTHER)
const offer = (what: Offer['what']): Offer => ({
  what,
  name: what === 'pins' ? t('places.pinsForLabels', { count: unpinned }) : t(`places.forms.${what}`),
  says: t(`places.says.${what}`),
})
const groups = computed(() => {
  const asked = search.value.toLowerCase().split(/\s+/).filter(Boolean)
  return [...PLACE_TASKS, 'steps' as const].flatMap(task => {
    const further = (Object.keys(FURTHER) as Further[]).filter(what => FURTHER[what] === task)
    const all = [...PLACE_FORMS.filter(form => TASK_OF[form] === task), ...further]
    const words = t(`places.tasks.${task}`)
    const offers = all
      .filter(what => what !== 'pins' || unpinned > 0)
      .map(offer)
      .filter(({ what, name, says }) => {
        const said = `${name} ${says} ${words} ${t(`places.also.${what}`)}`.toLowerCase()
        return asked.every(word => said.includes(word))
      })
    return offers.length ? [{ task: task as PlaceTask | 'steps', words, offers }] : []
  })
})
function choose(what: Offer['what']) {
  if (isForm(what)) emit('add', what)
  else emit('more', what)
}
/** Enter takes the first that is found. */
function takeFirst() {
  const first = search.value.trim() ? groups.value[0]?.offers[0] : undefined
  if (!first) return
  search.value = ''
  choose(first.what)
}
</script>

<template>
  <section>
    <h3 class="label">{{ t('places.addPlace') }}</h3>
    <label
      ><span class="mb-1 block text-sm">{{ t('places.search') }}</span
      ><input v-model="search" type="search" class="field" maxlength="40" @keydown.enter.prevent="takeFirst"
    /></label>
    <p v-if="groups.length === 0" class="note-line mt-2" role="status">{{ t('places.noneSuch') }}</p>
    <div v-for="group in groups" :key="group.task" class="mt-3" role="group" :aria-labelledby="`${id}-${group.task}`">
      <h4 :id="`${id}-${group.task}`" class="mb-1 text-sm text-ink-soft">{{ group.words }}</h4>
      <ul class="flex flex-col gap-1">
        <li v-for="{ what, name, says } in group.offers" :key="what">
          <button
            type="button"
            class="flex min-h-14 w-full items-center gap-3 rounded-lg border border-panel-line bg-field p-1 text-left"
            :aria-labelledby="`${id}-${what}-name`"
            :aria-describedby="`${id}-${what}-says`"
            @click="choose(what)">
            <WorkbenchPlacesPlacePicture v-if="isForm(what)" :form="what" />
            <span v-else class="flex h-12 w-18 shrink-0 items-center justify-center"
              ><Icon :name="ICONS[what]" size="24"
            /></span>
            <span class="min-w-0 flex-1"
              ><span :id="`${id}-${what}-name`" class="block font-semibold">{{ name }}</span
              ><span :id="`${id}-${what}-says`" class="block text-sm text-ink-soft">{{ says }}</span></span
            >
          </button>
        </li>
      </ul>
    </div>
  </section>
</template>
