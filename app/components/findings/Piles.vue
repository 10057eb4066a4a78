<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { Homes } from '~~/core/findings/homes'
import { pilesOn, type Pile } from '~~/core/findings/piles'
import type { WrongHome } from '~~/core/findings/wrongHomes'
import { isCounted } from '~~/core/keys/kinds'
import { emptySlate } from '~~/core/slate/state'

/** Where a class put its cards, on the board itself: the larger a pile, the more put it there. */
const { edition, homes, wrong } = defineProps<{ edition: Edition; homes: Homes; wrong: readonly WrongHome[] }>()
const { t } = useWords()
const names = useNames(() => edition)
const judged = computed(() => !edition.board.keys.every(isCounted))
const wrongly = computed(() => new Set(wrong.map(one => `${one.piece} ${one.place}`)))
const pages = computed(() =>
  edition.board.pages
    // What stands further down lies above, so that every number can be read.
    .map(page => ({ page, piles: pilesOn(page, edition, homes) }))
    .filter(({ piles }) => piles.length),
)
const { index, page: shown, count } = usePages(() => edition.board)
const wanted = computed(() => pages.value.find(one => one.page.id === shown.value.id))
onMounted(() => {
  const [first] = pages.value
  if (first) index.value = edition.board.pages.indexOf(first.page)
})
const isWrong = (pile: Pile) => wrongly.value.has(`${pile.piece} ${pile.place}`)
const labelOf = (pile: Pile) =>
  t(isWrong(pile) ? 'findings.pileWrong' : 'findings.pile', {
    piece: names.piece(pile.piece),
    place: names.heading(pile.place),
    count: pile.count,
  })
/** Seen behind a pile of more than one. */
const behind = (pile: Pile) => Array.from({ length: Math.min(3, pile.count - 1) }, (_, i) => (i + 1) * 3).toReversed()
</script>

<template>
  <div class="flex flex-col gap-2">
    <SlatePageTurner v-model="index" :count="count" />
    <div class="flex h-[28rem] min-h-0 flex-col">
      <BoardStage :edition="edition" :page="shown" :state="emptySlate" :ledge="false">
        <template #over>
          <g
            v-for="pile in wanted?.piles"
            :key="`${pile.piece} ${pile.place}`"
            role="img"
            :aria-label="labelOf(pile)"
            :transform="`translate(${pile.x + pile.width / 2} ${pile.y + pile.height / 2}) scale(${pile.scale})`">
            <rect
              v-for="off in behind(pile)"
              :key="off"
              :x="-pile.width / pile.scale / 2 + off"
              :y="-pile.height / pile.scale / 2 - off"
              :width="pile.width / pile.scale"
              :height="pile.height / pile.scale"
              rx="6"
              class="fill-white stroke-stone-500" />
            <BoardPieceShape
              :piece="edition.pieces.get(pile.piece)!.piece"
              :master="edition.pieces.get(pile.piece)!.master" />
            <g :transform="`translate(${pile.width / pile.scale / 2} ${-pile.height / pile.scale / 2})`">
              <rect
                x="-26"
                y="-14"
                width="40"
                height="28"
                rx="14"
                stroke-width="2"
                :class="isWrong(pile) ? 'fill-berry-100 stroke-berry-700' : 'fill-leaf-100 stroke-leaf-700'" />
              <text x="-6" y="6" text-anchor="middle" font-size="18" font-weight="700" fill="#1d2526">{{
                isWrong(pile) ? `×${pile.count}` : pile.count
              }}</text>
            </g>
          </g>
        </template>
      </BoardStage>
    </div>
    <p class="note-line">{{ t(judged ? 'findings.pilesHow' : 'findings.pilesCounted') }}</p>
  </div>
</template>
