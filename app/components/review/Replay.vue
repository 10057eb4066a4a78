<script setup lang="ts">
import type { Moment } from '~~/core/review/moments'
import { isStudent, type Author } from '~~/core/slate/actor'
import type { PieceId } from '~~/core/board/ids'
import { pieceName } from '~~/core/board/pieceName'
import type { SlateKind } from '~~/core/slate/kind'
import type { Move } from '~~/core/slate/move'
import { SPEEDS, type Speed, type useReplay } from '~/composables/review/useReplay'
import type { Member } from '~/composables/slate/useSlate'

/** How a slate came about, move by move, by hand or by itself. */
const { replay, name, kind, members } = defineProps<{
  replay: ReturnType<typeof useReplay>
  name: string
  kind: SlateKind
  members: readonly Member[]
}>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const { count, length, move, playing, speed, calls, whole, stand, moments, hands } = replay
const time = new Intl.DateTimeFormat('en-GB', { dateStyle: 'short', timeStyle: 'medium' })

const pieceOf = (id: PieceId) => {
  const known = stand.value?.edition.pieces.get(id)
  return known ? pieceName(known.piece) : t('replay.something')
}
/** What was done, in words; a kind of move that is forgotten here doesn't compile. */
const WORDS: { readonly [Kind in Move['kind']]: (move: Extract<Move, { kind: Kind }>) => string } = {
  put: ({ piece }) => t('replay.did.put', { name: pieceOf(piece) }),
  shelve: ({ piece }) => t('replay.did.shelve', { name: pieceOf(piece) }),
  turn: ({ piece }) => t('replay.did.turn', { name: pieceOf(piece) }),
  arrange: () => t('replay.did.arrange'),
  write: () => t('replay.did.write'),
  edit: () => t('replay.did.write'),
  draw: () => t('replay.did.draw'),
  undraw: () => t('replay.did.rub'),
  rub: () => t('replay.did.rub'),
  connect: ({ from, to }) => t('replay.did.connect', { from: pieceOf(from), to: pieceOf(to) }),
  disconnect: ({ from, to }) => t('replay.did.disconnect', { from: pieceOf(from), to: pieceOf(to) }),
  own: () => t('replay.did.own'),
  hint: ({ number }) => t('replay.did.hint', { number }),
  'start-again': () => t('replay.did.startAgain'),
  restore: () => t('replay.did.undo'),
  revert: () => t('replay.did.undo'),
}
const words = computed(() => {
  if (!move.value) return t('replay.givenOut')
  // A move's kind picks its own words; TypeScript can't follow that pairing through the lookup.
  const says = (WORDS[move.value.move.kind] as (move: Move) => string)(move.value.move)
  return `${says} · ${who.value} · ${time.format(move.value.at)}`
})
/** Where there is something to see. */
const momentWords = (moment: Moment) => {
  const words = {
    home: () => t('replay.moments.home', { name: pieceOf((moment as Extract<Moment, { kind: 'home' }>).piece) }),
    pause: () => {
      const seconds = Math.round((moment as Extract<Moment, { kind: 'pause' }>).milliseconds / 1000)
      return seconds < 120
        ? t('replay.moments.seconds', { count: seconds })
        : t('replay.moments.minutes', { count: Math.round(seconds / 60) })
    },
    hint: () => t('replay.moments.hint'),
  } satisfies Record<Moment['kind'], () => string>
  return `${moment.count}: ${words[moment.kind]()}`
}
/** Nothing is chosen for good: the same moment can be gone to again. */
function jump(event: Event) {
  const select = event.target as HTMLSelectElement
  if (select.value !== '') count.value = Number(select.value)
  select.value = ''
}
const who = computed(() => nameOf(move.value!.by))
function nameOf(by: Author) {
  if (!isStudent(by)) return t('together.teacher')
  if (kind === 'copy' || kind === 'page') return name
  return members.find(member => authorOf(member) === by)?.name ?? t('together.someone')
}
</script>

<template>
  <section
    class="flex flex-col gap-2 rounded-xl border border-panel-line bg-panel p-3"
    :aria-label="t('replay.title')"
    data-test="replay">
    <div class="flex flex-wrap items-center gap-2">
      <button
        type="button"
        class="button min-h-10 w-11 px-0"
        :aria-label="t(playing ? 'replay.pause' : 'replay.play')"
        :disabled="!length"
        @click="replay.toggle">
        <Icon :name="playing ? 'lucide:pause' : 'lucide:play'" />
      </button>
      <button
        type="button"
        class="button min-h-10 w-11 px-0"
        :aria-label="t('replay.back')"
        :disabled="count === 0"
        @click="count--">
        <Icon name="lucide:arrow-left" />
      </button>
      <input
        v-model.number="count"
        type="range"
        min="0"
        :max="length"
        class="min-w-40 flex-1 accent-leaf-600"
        :aria-label="t('replay.at')"
        :aria-valuetext="`${t('replay.of', { count, of: length })}, ${words}`" />
      <button
        type="button"
        class="button min-h-10 w-11 px-0"
        :aria-label="t('replay.on')"
        :disabled="count >= length"
        @click="count++">
        <Icon name="lucide:arrow-right" />
      </button>
      <label class="flex items-center gap-2"
        ><span class="sr-only">{{ t('replay.speed') }}</span
        ><select v-model="speed" class="field min-h-10 w-auto py-1">
          <option v-for="(_, one) in SPEEDS" :key="one" :value="one">{{ t(`replay.speeds.${one as Speed}`) }}</option>
        </select></label
      >
      <button type="button" class="button min-h-10 py-1" @click="emit('close')">{{ t('replay.close') }}</button>
    </div>
    <p>
      <strong>{{ t('replay.of', { count, of: length }) }}</strong> <bdi>{{ words }}</bdi>
    </p>
    <div v-if="moments.length || hands.length > 1" class="flex flex-wrap items-center gap-x-4 gap-y-1">
      <label v-if="moments.length" class="flex items-center gap-2"
        >{{ t('replay.jump')
        }}<select class="field min-h-10 w-auto max-w-64 py-1" @change="jump">
          <option value="">{{ t('replay.jumpTo') }}</option>
          <option v-for="(moment, i) in moments" :key="i" :value="moment.count">{{ momentWords(moment) }}</option>
        </select></label
      >
      <p v-if="hands.length > 1" class="text-sm">
        <template v-for="(hand, i) in hands" :key="hand.by"
          ><template v-if="i"> · </template
          ><bdi>{{ t('replay.made', { name: nameOf(hand.by), count: hand.moves }) }}</bdi></template
        >
      </p>
    </div>
    <p v-if="!whole" class="note-line">{{ t('replay.part') }}</p>
    <ul v-if="calls.length" class="flex flex-wrap gap-2" :aria-label="t('replay.calls')">
      <li v-for="(call, i) in calls" :key="i">
        <button type="button" class="button min-h-10 px-3 py-1" @click="replay.goTo(call.number)">
          <Icon
            :name="
              call.is === 'there'
                ? 'lucide:check'
                : call.is === 'unsure'
                  ? 'lucide:circle-help'
                  : 'lucide:circle-dashed'
            "
            size="18" /><strong>{{ call.target }}</strong
          ><span class="font-normal">{{ call.way || t(`callDesk.${call.is}`) }}</span
          ><span v-if="call.after !== null" class="font-normal">{{
            t('callDesk.seconds', { count: call.after })
          }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>
