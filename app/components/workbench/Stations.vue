<script setup lang="ts">
import { STATIONS, type Station } from '~/composables/workbench/useWorkbench'

/** The five stations in the order in which a board is built; what is done wears a tick. */
const { done } = defineProps<{ done: ReadonlySet<Station> }>()
const open = defineModel<Station>({ required: true })
const { t } = useWords()
</script>

<template>
  <nav :aria-label="t('workbench.stations')">
    <ol class="flex flex-wrap items-center">
      <li v-for="(station, i) in STATIONS" :key="station" class="flex items-center">
        <span v-if="i" class="hidden w-5 border-t-2 border-dotted border-stone-500 xl:block" aria-hidden="true" />
        <button
          type="button"
          class="flex min-h-11 items-center gap-2 rounded-full px-2 font-semibold"
          :class="open === station ? 'text-white' : 'text-stone-200 hover:text-white'"
          :aria-current="open === station ? 'step' : undefined"
          @click="open = station">
          <span
            class="flex h-7 w-8 items-center justify-center rounded-[50%] text-sm font-bold"
            :class="
              open === station
                ? 'bg-sunfleck-400 text-stone-950'
                : done.has(station)
                  ? 'bg-leaf-600 text-white'
                  : 'bg-stone-700 text-white'
            ">
            <Icon v-if="done.has(station) && open !== station" name="lucide:check" /><template v-else>{{
              i + 1
            }}</template>
          </span>
          {{ t(`workbench.station.${station}`)
          }}<span v-if="done.has(station)" class="sr-only">{{ t('workbench.stationDone') }}</span>
        </button>
      </li>
    </ol>
  </nav>
</template>
