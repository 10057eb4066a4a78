<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import { MOST_PIECES } from '~~/core/board/sizes'
import { addSets, isTable, readColumns, togetherIn } from '~~/core/design/columns'
import { addCards, readWordList } from '~~/core/design/pieces'
import { freshIds } from '~/composables/workbench/useIds'
import { asText } from '~~/core/reading/sheets/sheet'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** Cards from a list of words; rows of several columns become cards that belong together. */
const { bench, page } = defineProps<{ bench: Workbench; page: Page }>()
const { t } = useWords()
const list = ref('')
const room = computed(() => MOST_PIECES - page.pieces.length)
const words = computed(() => readWordList(list.value, room.value))
const columns = computed(() => readColumns(list.value, room.value))
const table = computed(() => isTable(columns.value))
/** So many rows are shown of what will count as together. */
const SHOWN = 4
const inGrid = computed(() => togetherIn(bench.board.value, page.id).length > 0)
const read = computed(() =>
  table.value
    ? { count: columns.value.rows.flat().length, cut: columns.value.cut, left: columns.value.left }
    : { count: words.value.words.length, cut: words.value.cut, left: words.value.left },
)

function make() {
  bench.change(
    table.value
      ? addSets(bench.board.value, page.id, columns.value.rows, freshIds)
      : addCards(bench.board.value, page.id, words.value.words, freshIds),
  )
  list.value = ''
}
const { attempt, trouble, busy } = useAsking()
/** All sheets of a spreadsheet one after the other; what isn't wanted is taken out of the field again. */
async function fromFile(event: Event) {
  const field = event.target as HTMLInputElement
  const [file] = field.files ?? []
  field.value = ''
  if (!file) return
  trouble.value = ''
  const words = await wordsOf(file)
  const read = words ? { kind: 'sheets' as const, sheets: [words] } : await attempt(() => readInFile(file))
  if (!read) return
  const text = read.kind === 'sheets' ? read.sheets.map(asText).filter(Boolean).join('\n') : ''
  if (text) list.value = list.value.trim() ? `${list.value}\n${text}` : text
  else trouble.value = t('readIn.noWords')
}
defineExpose({ addText: (text: string) => (list.value = list.value ? `${list.value}\n${text}` : text) })
</script>

<template>
  <div>
    <label
      ><span class="label">{{ t('pieces.list') }}</span
      ><textarea v-model="list" rows="5" class="field" :placeholder="t('pieces.listExample')" />
    </label>
    <label class="button mt-2 w-full"
      ><Icon name="lucide:file-input" />{{ t('pieces.fromFile')
      }}<input
        type="file"
        :accept="WORD_FILES"
        class="sr-only"
        :disabled="busy"
        data-test="word-file"
        @change="fromFile"
    /></label>
    <p v-if="trouble" class="trouble mt-2" role="alert">{{ trouble }}</p>
    <p v-if="read.cut" class="note-line">{{ t('pieces.cut', { count: read.cut }) }}</p>
    <p v-if="read.left" class="note-line">{{ t('pieces.left', { count: read.left }) }}</p>
    <div v-if="table" class="note-line" data-test="table">
      <p>{{ t(inGrid ? 'pieces.tableInGrid' : 'pieces.table', { count: columns.rows.length }) }}</p>
      <ul class="mt-1 list-disc pl-5">
        <li v-for="(row, i) in columns.rows.slice(0, SHOWN)" :key="i">{{ row.join(' + ') }}</li>
        <li v-if="columns.rows.length > SHOWN">{{ t('pieces.tableMore', { count: columns.rows.length - SHOWN }) }}</li>
      </ul>
    </div>
    <p v-else class="note-line">{{ t('pieces.columnsHow') }}</p>
    <button type="button" class="button button-action mt-2 w-full" :disabled="read.count === 0" @click="make">
      {{ t('pieces.make', { count: read.count }) }}
    </button>
  </div>
</template>
