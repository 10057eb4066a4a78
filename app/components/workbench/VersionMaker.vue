<script setup lang="ts">
import type { Board } from '~~/core/board/board'
import { MOST_VERSIONS } from '~~/core/handout/version'
import { pieceName } from '~~/core/board/pieceName'
import type { useVersions } from '~/composables/workbench/useVersions'

/** Other versions for some students: less of this board, or another one. */
const { board, boardId, versions, students } = defineProps<{
  board: Board
  boardId: string
  versions: ReturnType<typeof useVersions>
  students: readonly { id: string; name: string }[]
}>()
const { t } = useWords()
const { drafts, add, give, incomplete } = versions
const boards = ref<{ id: string; title: string }[]>([])
const { attempt } = useAsking()
/** The shelf is asked for once somebody wants another board. */
async function loadBoards() {
  if (boards.value.length === 0)
    boards.value = ((await attempt(() => askFor<{ id: string; title: string }[]>('/api/boards'))) ?? []).filter(
      one => one.id !== boardId,
    )
}
const pieces = computed(() =>
  board.pages.flatMap((page, i) =>
    page.pieces.map(piece => ({ id: piece.id as string, name: pieceName(piece), page: i + 1 })),
  ),
)
const turn = (list: string[], id: string) => (list.includes(id) ? list.splice(list.indexOf(id), 1) : list.push(id))
</script>

<template>
  <details class="mt-1">
    <summary class="cursor-pointer font-semibold">
      {{ t('versions.title') }}<template v-if="drafts.length"> ({{ drafts.length }})</template>
    </summary>
    <section
      v-for="(one, i) in drafts"
      :key="i"
      class="mt-2 flex flex-col gap-2 rounded-lg border border-panel-line p-3">
      <div class="flex items-end gap-2">
        <label class="grow"
          ><span class="label">{{ t('versions.name') }}</span
          ><input v-model="one.name" class="field min-h-9 py-1" maxlength="40"
        /></label>
        <button
          type="button"
          class="button button-quiet px-2"
          :aria-label="t('versions.remove', { name: one.name })"
          @click="drafts.splice(i, 1)">
          <Icon name="lucide:trash-2" />
        </button>
      </div>
      <label class="flex items-center gap-2"
        >{{ t('versions.what')
        }}<select v-model="one.what" class="field min-h-9 w-auto py-1" @change="loadBoards">
          <option value="less">{{ t('versions.less') }}</option>
          <option value="another">{{ t('versions.another') }}</option>
        </select></label
      >
      <label v-if="one.what === 'another'"
        ><span class="label">{{ t('versions.board') }}</span
        ><select v-model="one.board" class="field min-h-9 py-1">
          <option value="" disabled>{{ t('versions.chooseBoard') }}</option>
          <option v-for="other in boards" :key="other.id" :value="other.id">{{ other.title }}</option>
        </select></label
      >
      <fieldset v-else>
        <legend class="label">{{ t('versions.leaveOut') }}</legend>
        <div class="flex max-h-32 flex-wrap gap-x-4 overflow-auto">
          <template v-if="board.pages.length > 1"
            ><label v-for="(page, p) in board.pages" :key="page.id" class="flex min-h-9 items-center gap-2"
              ><input type="checkbox" :checked="one.pages.includes(page.id)" @change="turn(one.pages, page.id)" />{{
                t('pages.page', { number: p + 1 })
              }}</label
            ></template
          >
          <label v-for="piece in pieces" :key="piece.id" class="flex min-h-9 items-center gap-2"
            ><input type="checkbox" :checked="one.pieces.includes(piece.id)" @change="turn(one.pieces, piece.id)" />{{
              piece.name
            }}</label
          >
        </div>
      </fieldset>
      <fieldset>
        <legend class="label">{{ t('versions.students') }}</legend>
        <div class="grid max-h-32 grid-cols-2 overflow-auto">
          <label v-for="student in students" :key="student.id" class="flex min-h-9 items-center gap-2"
            ><input
              type="checkbox"
              :checked="one.students.includes(student.id)"
              @change="give(one, student.id, ($event.target as HTMLInputElement).checked)" /><bdi>{{
              student.name
            }}</bdi></label
          >
        </div>
      </fieldset>
    </section>
    <p v-if="incomplete" class="trouble mt-2">{{ t('versions.incomplete') }}</p>
    <button v-if="drafts.length < MOST_VERSIONS" type="button" class="button mt-2 min-h-9 py-1" @click="add">
      <Icon name="lucide:plus" />{{ t('versions.add') }}
    </button>
  </details>
</template>
