<script setup lang="ts">
import { nanoid } from 'nanoid'
import { boxOf } from '~~/core/geometry/outline'
import { isStudent, type Author } from '~~/core/slate/actor'
import { changedThings, thingName } from '~~/core/slate/hands'
import { bare } from '~~/core/slate/moves/own'
import { startedAgain } from '~~/core/slate/moves/startAgain'
import { isSeen, LONGEST_OWN_TEXT, mayUse, type Own } from '~~/core/slate/own'
import { boxOfWords, gather, type Words } from '~~/core/tools/gather'
import { otherHands } from '~/composables/slate/otherHands'
import { useSlate, type SlateView } from '~/composables/slate/useSlate'

/**
 * The teacher sorts too: on a slate of several all that lies there is moved by hand, and what students wrote is
 * gathered under headings; it stays known who wrote and who moved each.
 */
const { view } = defineProps<{ view: SlateView }>()
const emit = defineEmits<{ outdated: [] }>()
const { t } = useWords()
const slate = useSlate(view, () => emit('outdated'))
const { edition, state, shut, refused } = slate
const { index: pageIndex, page, count: pageCount } = usePages(() => edition.board)
const editable = computed(() => shut.value === null)
const me = view.actor.author

const written = computed(() =>
  Object.entries(state.value.own).flatMap(([id, own]) =>
    isSeen(own) && own.page === page.value.id && (own.kind === 'text' || own.kind === 'note')
      ? [{ id, own: bare(own) as Words, by: own.by }]
      : [],
  ),
)
function nameOf(author: Author): string {
  if (author === me) return t('sort.you')
  const member = slate.about.value.members.find(one => authorOf(one) === author)
  if (member) return member.name
  return isStudent(author) ? view.name || t('together.someone') : t('together.teacher')
}
/** Who moved it last, where that isn't who wrote it. */
const movedBy = (id: string, by: Author) => {
  const hand = state.value.hands?.[thingName('own', id)]?.[0]
  return hand && hand !== by ? nameOf(hand) : null
}
const chosen = ref<ReadonlySet<string>>(new Set())
watch(pageIndex, () => (chosen.value = new Set()))
const picked = computed(() => written.value.filter(one => chosen.value.has(one.id)))
function toggle(id: string) {
  const next = new Set(chosen.value)
  if (!next.delete(id)) next.add(id)
  chosen.value = next
}
const heading = ref('')
/** A heading is written with what the board lets be written with. */
const headingAs = computed(
  () => (['write', 'note'] as const).find(tool => mayUse(edition, page.value.id, tool)) ?? null,
)
/** How many moves the last gathering was. */
const gathered = ref(0)
const said = ref('')

function gatherThem() {
  const those = picked.value
  const others = [
    ...written.value.filter(one => !chosen.value.has(one.id)).map(one => boxOfWords(one.own)),
    ...page.value.pieces.flatMap(piece => {
      const lies = state.value.pieces[piece.id]
      const size = edition.pieces.get(piece.id)!.master
      return lies ? [{ ...size, x: lies.x - size.width / 2, y: lies.y - size.height / 2 }] : []
    }),
  ]
  const gathering = gather(those, page.value, others)
  if (!gathering) return
  const words = heading.value.trim()
  if (words && headingAs.value)
    slate.make({ kind: 'own', thing: nanoid(12), as: headingOf(gathering.heading, words), by: me })
  gathering.moved.forEach(({ id, own }, i) => slate.make({ kind: 'own', thing: id, as: own, by: those[i]!.by }))
  gathered.value = gathering.moved.length + (words && headingAs.value ? 1 : 0)
  said.value = t('sort.gathered', { count: those.length })
  chosen.value = new Set()
  heading.value = ''
}
function headingOf(
  { x, y, width, height }: { x: number; y: number; width: number; height: number },
  text: string,
): Own {
  const at = { page: page.value.id, x: x + width / 2, y: y + height / 2, width, height, text }
  return headingAs.value === 'write'
    ? { kind: 'text', ...at, ink: 'graphite', size: 'medium' }
    : { kind: 'note', ...at, fill: 'sand' }
}
function undo() {
  const steps = Math.max(1, gathered.value)
  gathered.value = 0
  said.value = ''
  for (let i = 0; i < steps; i++) slate.undo()
}
const clearing = ref(false)
const standing = computed(() =>
  clearing.value ? changedThings(state.value, startedAgain(state.value, { everybody: true }, edition)).length : 0,
)
/** One step: it can be taken back as long as nobody has gone on. */
function clear() {
  clearing.value = false
  make({ kind: 'start-again', everybody: true })
  said.value = t('sort.cleared')
}
/** Those who are there, to be asked to show the others their page. */
const hands = computed(() => otherHands(slate.about.value.members, slate.others.value))
const asked = ref('')
const askingToShow = useAskingToShow(slate.be)
function askToShow() {
  const who = hands.value.find(hand => hand.author === asked.value)
  if (!who) return
  askingToShow(who.author)
  said.value = t('sort.asked', { name: who.name })
}
function make(move: Parameters<typeof slate.make>[0]) {
  gathered.value = 0
  slate.make(move)
}
/** Zones, to see what already lies where. */
const zoneOf = ({ own }: { own: Words }) => {
  const at = page.value.places.find(place => {
    const box = boxOf(place)
    return box && own.x >= box.x && own.x <= box.x + box.width && own.y >= box.y && own.y <= box.y + box.height
  })
  return at?.heading ?? ''
}
</script>

<template>
  <div class="flex min-h-0 flex-1 flex-col gap-4 lg:flex-row">
    <div class="flex min-h-96 min-w-0 flex-1 flex-col gap-3">
      <div class="flex flex-wrap items-center gap-3">
        <SlatePageTurner v-model="pageIndex" :count="pageCount" />
        <p v-if="!editable" class="told" role="status">{{ t('sort.shut') }}</p>
        <p v-if="refused" class="trouble" role="alert">{{ t('sort.refused') }}</p>
        <form v-if="hands.length && editable" class="ml-auto flex items-center gap-2" @submit.prevent="askToShow">
          <select v-model="asked" class="field w-auto" :aria-label="t('sort.whoShows')">
            <option value="">{{ t('sort.whoShows') }}</option>
            <option v-for="hand in hands" :key="hand.author" :value="hand.author">{{ hand.name }}</option>
          </select>
          <button class="button" :disabled="!asked">
            <Icon name="lucide:presentation" />{{ t('sort.askToShow') }}
          </button>
        </form>
        <button
          type="button"
          class="button"
          :class="hands.length ? '' : 'ml-auto'"
          :disabled="!editable"
          @click="clearing = true">
          <Icon name="lucide:eraser" />{{ t('sort.clear') }}
        </button>
        <button type="button" class="button" :disabled="!slate.canUndo.value" @click="undo">
          <Icon name="lucide:undo-2" />{{ t('slate.undo') }}
        </button>
      </div>
      <BoardStage plays :edition="edition" :page="page" :state="state" :editable="editable" :by="me" @make="make" />
    </div>
    <aside class="panel flex w-full shrink-0 flex-col gap-3 lg:w-96" :aria-label="t('sort.written')">
      <h2 class="text-lg font-bold">{{ t('sort.written') }}</h2>
      <p v-if="!written.length">{{ t('sort.nothing') }}</p>
      <ul class="flex min-h-0 flex-1 flex-col gap-1 overflow-y-auto p-1">
        <li v-for="one in written" :key="one.id">
          <label
            class="flex items-start gap-3 rounded-lg px-2 py-1.5"
            :class="chosen.has(one.id) ? 'bg-leaf-100 text-stone-950' : ''"
            ><input
              type="checkbox"
              class="mt-1 h-5 w-5 shrink-0"
              :checked="chosen.has(one.id)"
              :disabled="!editable"
              @change="toggle(one.id)" /><span class="min-w-0"
              ><bdi class="block font-semibold break-words">{{ one.own.text }}</bdi
              ><span class="text-sm"
                ><bdi>{{ t('sort.wrote', { name: nameOf(one.by) }) }}</bdi
                ><template v-if="movedBy(one.id, one.by)">
                  · <bdi>{{ t('sort.moved', { name: movedBy(one.id, one.by)! }) }}</bdi></template
                ><template v-if="zoneOf(one)"> · {{ zoneOf(one) }}</template></span
              ></span
            ></label
          >
        </li>
      </ul>
      <form v-if="written.length" class="flex flex-col gap-2" @submit.prevent="gatherThem">
        <label v-if="headingAs"
          ><span class="label">{{ t('sort.heading') }}</span
          ><input v-model="heading" dir="auto" class="field" :maxlength="LONGEST_OWN_TEXT" autocomplete="off"
        /></label>
        <button class="button button-action" :disabled="!picked.length || !editable">
          <Icon name="lucide:group" />{{ t('sort.gather', { count: picked.length }) }}
        </button>
      </form>
      <p role="status" :class="said ? 'font-semibold' : 'sr-only'">{{ said }}</p>
    </aside>
    <UiAsk :open="clearing" :title="t('sort.clearTitle')" @close="clearing = false">
      <p>{{ t(standing ? 'sort.clearSays' : 'sort.clearNothing', { count: standing }) }}</p>
      <template #buttons>
        <button type="button" class="button" @click="clearing = false">{{ t('app.cancel') }}</button>
        <button v-if="standing" type="button" class="button button-action" @click="clear">
          {{ t('sort.clearNow') }}
        </button>
      </template>
    </UiAsk>
  </div>
</template>
