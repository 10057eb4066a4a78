<script setup lang="ts">
import { writeCsv } from '~~/core/format/csv'

export interface Column {
  readonly name: string
  /** Numbers stand at the right. */
  readonly number?: boolean
}
export interface TableRow {
  readonly key: string
  readonly cells: readonly (string | number)[]
  /** For each cell from 0 to 1: how full its ground is; null for none. */
  readonly shares?: readonly (number | null)[]
}

/** A finding in rows and columns, with its first column as the rows' heads; it goes out as CSV. */
const { title, columns, rows, file } = defineProps<{
  title: string
  columns: readonly Column[]
  rows: readonly TableRow[]
  /** The name of the file, without what it ends in. */
  file: string
}>()
const { t } = useWords()
function download() {
  const csv = writeCsv([columns.map(column => column.name), ...rows.map(row => row.cells.map(String))])
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([csv], { type: 'text/csv' }))
  link.download = `${file}.csv`
  link.click()
  URL.revokeObjectURL(link.href)
}
const fill = (share: number | null | undefined) =>
  share
    ? { backgroundImage: `linear-gradient(to right, var(--finding) ${share * 100}%, transparent ${share * 100}%)` }
    : {}
</script>

<template>
  <div class="flex flex-col gap-2">
    <div class="overflow-x-auto" tabindex="0" role="region" :aria-label="t('findings.table', { title })">
      <table class="finding w-full text-left">
        <caption class="sr-only">
          {{
            title
          }}
        </caption>
        <thead>
          <tr>
            <th
              v-for="column in columns"
              :key="column.name"
              scope="col"
              class="px-2 py-1.5 text-sm"
              :class="column.number ? 'text-right' : ''">
              {{ column.name }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.key" class="border-t border-panel-line">
            <component
              :is="i === 0 ? 'th' : 'td'"
              v-for="(cell, i) in row.cells"
              :key="i"
              :scope="i === 0 ? 'row' : undefined"
              class="px-2 py-1.5"
              :class="[columns[i]?.number ? 'text-right tabular-nums' : '', i === 0 ? 'font-semibold' : '']"
              :style="fill(row.shares?.[i])"
              ><bdi>{{ cell }}</bdi></component
            >
          </tr>
        </tbody>
      </table>
    </div>
    <button type="button" class="button min-h-10 self-start py-1 print:hidden" @click="download">
      <Icon name="lucide:download" size="18" />{{ t('findings.csv') }}
    </button>
  </div>
</template>

<style scoped>
.finding {
  --finding: color-mix(in srgb, var(--color-leaf-600) 22%, transparent);
}
</style>
