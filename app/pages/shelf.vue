<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import type { OnShelf } from '~/composables/shelf/useShelf'

definePageMeta({ for: 'teacher' })
const VIEWS = ['boards', 'organizers', 'away'] as const

const { t } = useWords()
const { boards, trouble, set, copy } = await useShelf()
const view = ref<(typeof VIEWS)[number]>('boards')
/** What stands first; the newest come from the server. */
const ORDERS = ['newest', 'name', 'subject'] as const
const order = useSessionStorage<(typeof ORDERS)[number]>('shelf-order', 'newest')
const search = ref('')
const subject = ref('')
const lastAway = shallowRef<OnShelf | null>(null)
useHead({ title: () => t('shelf.title') })

const inView = computed(() =>
  boards.value.filter(b =>
    view.value === 'away' ? b.archived : !b.archived && b.organizer === (view.value === 'organizers'),
  ),
)
const subjects = computed(() => [...new Set(inView.value.map(b => b.subject).filter(Boolean))].toSorted())
const found = computed(() => {
  const words = search.value.trim().toLocaleLowerCase('en')
  const matching = inView.value.filter(
    b =>
      (!subject.value || b.subject === subject.value)
      && [b.title, b.subject, ...b.tags, ...b.handouts.map(h => h.className)].some(text =>
        text.toLocaleLowerCase('en').includes(words),
      ),
  )
  if (order.value === 'newest') return matching
  // Boards without a subject stand behind the others; boards that are alike in this stay in the order of the newest.
  const told = (a: string, b: string) =>
    Number(!a) - Number(!b) || a.localeCompare(b, 'en', { numeric: true, sensitivity: 'base' })
  return matching.toSorted((a, b) => (order.value === 'name' ? told(a.title, b.title) : told(a.subject, b.subject)))
})
watch(view, () => (subject.value = ''))
async function putAway(board: OnShelf) {
  await set(board, { archived: true })
  lastAway.value = board
}
/** The board that goes onto paper. */
const onPaper = shallowRef<OnShelf | null>(null)
const kept = ref('')
/** The board stays where it is; what is kept is told of, for it stands elsewhere. */
async function keepAsOrganizer(board: OnShelf) {
  kept.value = (await copy(board, board.title, true)) ? board.title : ''
}
watch(view, () => (kept.value = ''))
async function undo() {
  if (lastAway.value) await set(lastAway.value, { archived: false })
  lastAway.value = null
}
const MENU = 'flex min-h-11 w-full items-center gap-2 rounded-lg px-3 text-left'
</script>

<template>
  <div>
    <UiTeacherBar />
    <main class="mx-auto max-w-6xl p-6">
      <div class="mb-6 flex flex-wrap items-center gap-4">
        <h1 class="text-2xl font-bold">{{ t('shelf.title') }}</h1>
        <div class="flex gap-1.5" role="group" :aria-label="t('shelf.title')">
          <button
            v-for="name in VIEWS"
            :key="name"
            type="button"
            class="button px-3"
            :class="view === name ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
            :aria-pressed="view === name"
            @click="view = name">
            {{ t(`shelf.${name}`) }}
          </button>
        </div>
        <label v-if="subjects.length > 1" class="ml-auto"
          ><span class="sr-only">{{ t('shelf.subject') }}</span>
          <select v-model="subject" class="field w-auto">
            <option value="">{{ t('shelf.anySubject') }}</option>
            <option v-for="name in subjects" :key="name" :value="name">{{ name }}</option>
          </select></label
        >
        <label v-if="boards.length > 3" :class="subjects.length > 1 ? '' : 'ml-auto'"
          ><span class="sr-only">{{ t('shelf.order') }}</span>
          <select v-model="order" class="field w-auto">
            <option v-for="name in ORDERS" :key="name" :value="name">{{ t(`shelf.orders.${name}`) }}</option>
          </select></label
        >
        <label v-if="boards.length > 3">
          <span class="sr-only">{{ t('shelf.search') }}</span>
          <input v-model="search" type="search" class="field w-52" :placeholder="t('shelf.search')" />
        </label>
        <NuxtLink to="/start" class="button button-action" :class="boards.length > 3 ? '' : 'ml-auto'"
          ><Icon name="lucide:plus" />{{ t('shelf.new') }}</NuxtLink
        >
      </div>
      <p v-if="trouble" class="trouble mb-4" role="alert">{{ trouble }}</p>
      <p v-if="lastAway" class="mb-4 flex items-center gap-3" role="status">
        {{ t('shelf.didPutAway', { title: lastAway.title }) }}
        <button type="button" class="button" @click="undo">{{ t('shelf.undo') }}</button>
      </p>
      <p v-if="kept" class="mb-4 flex flex-wrap items-center gap-3" role="status">
        {{ t('shelf.didKeep', { title: kept }) }}
        <button type="button" class="button" @click="view = 'organizers'">{{ t('shelf.showOrganizers') }}</button>
      </p>
      <p v-if="boards.length === 0" class="panel text-lg">{{ t('shelf.empty') }}</p>
      <p v-else-if="inView.length === 0" class="panel text-lg">
        {{ t(view === 'away' ? 'shelf.noneAway' : view === 'organizers' ? 'shelf.noOrganizers' : 'shelf.empty') }}
      </p>
      <p v-else-if="found.length === 0" class="panel text-lg">{{ t('shelf.notFound', { words: search }) }}</p>
      <ul class="grid gap-x-6 gap-y-8 sm:grid-cols-2 lg:grid-cols-3">
        <li v-for="board in found" :key="board.id" class="flex flex-col gap-2">
          <NuxtLink :to="`/board/${board.id}`" class="block rounded-lg">
            <BoardThumbnail :board="board.picture" :label="t('shelf.open', { title: board.title })" ledge />
          </NuxtLink>
          <div class="flex items-start gap-2">
            <p class="note-line min-w-0 flex-1">
              <NuxtLink
                :to="`/board/${board.id}`"
                class="block text-lg font-bold text-ink"
                tabindex="-1"
                aria-hidden="true"
                >{{ board.title }}</NuxtLink
              >
              {{ board.pages > 1 ? `${t('shelf.pages', { count: board.pages })} · ` : ''
              }}{{ t('shelf.pieces', { count: board.pieces }) }}
              <template v-if="board.subject"> · {{ board.subject }}</template>
              <span
                v-for="tag in board.tags"
                :key="tag"
                class="ml-1.5 inline-block rounded-full bg-panel px-2 text-ink"
                >{{ tag }}</span
              >
            </p>
            <Menu as="div" class="relative">
              <MenuButton class="button button-quiet w-11 px-0" :aria-label="t('shelf.more', { title: board.title })"
                ><Icon name="lucide:ellipsis" size="20"
              /></MenuButton>
              <MenuItems class="panel absolute right-0 z-20 w-60 p-2 shadow-xl">
                <MenuItem v-slot="{ active }"
                  ><button
                    type="button"
                    :class="[MENU, active ? 'bg-field' : '']"
                    @click="copy(board, t('shelf.copyOf', { title: board.title }))">
                    <Icon name="lucide:copy" />{{ t('shelf.copy') }}
                  </button></MenuItem
                >
                <MenuItem v-slot="{ active }"
                  ><a :href="`/api/boards/${board.id}/file`" download :class="[MENU, active ? 'bg-field' : '']"
                    ><Icon name="lucide:download" />{{ t('shelf.file') }}</a
                  ></MenuItem
                >
                <MenuItem v-slot="{ active }"
                  ><button type="button" :class="[MENU, active ? 'bg-field' : '']" @click="onPaper = board">
                    <Icon name="lucide:printer" />{{ t('paper.open') }}
                  </button></MenuItem
                >
                <MenuItem v-if="!board.archived" v-slot="{ active }"
                  ><button
                    type="button"
                    :class="[MENU, active ? 'bg-field' : '']"
                    @click="board.organizer ? set(board, { organizer: false }) : keepAsOrganizer(board)">
                    <Icon name="lucide:layout-template" />{{
                      t(board.organizer ? 'shelf.noOrganizer' : 'shelf.asOrganizer')
                    }}
                  </button></MenuItem
                >
                <MenuItem v-slot="{ active }"
                  ><button
                    type="button"
                    :class="[MENU, active ? 'bg-field' : '']"
                    @click="board.archived ? set(board, { archived: false }) : putAway(board)">
                    <Icon :name="board.archived ? 'lucide:archive-restore' : 'lucide:archive'" />{{
                      t(board.archived ? 'shelf.takeBack' : 'shelf.putAway')
                    }}
                  </button></MenuItem
                >
              </MenuItems>
            </Menu>
          </div>
          <p v-for="handout in board.handouts.slice(0, 2)" :key="handout.id">
            <NuxtLink
              :to="`/handout/${handout.id}`"
              class="inline-flex min-h-8 items-center gap-2 font-semibold text-action underline">
              <Icon name="lucide:users" />{{ t('shelf.givenTo', { name: handout.className }) }}
            </NuxtLink>
          </p>
        </li>
      </ul>
    </main>
    <LazyPaperBoard
      v-if="onPaper"
      :open="onPaper !== null"
      :board="onPaper.id"
      :pages="onPaper.pages"
      @close="onPaper = null" />
  </div>
</template>
