<script setup lang="ts">
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { Page } from '~~/core/board/board'
import { KeyIdSchema, type PlaceId } from '~~/core/board/ids'
import { typedTotal } from '~~/core/design/typedAnswers'
import { keysOn } from '~~/core/keys/key'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** What each place must come to, typed instead of laid in tiles. */
const { bench, page } = defineProps<{ bench: Workbench; page: Page }>()
const { t } = useWords()
const { headingOf } = useHeadings()
const wrong = ref<PlaceId | null>(null)
const places = computed(() => page.places.filter(p => p.kind === 'zone' || p.kind === 'pan' || p.kind === 'lane'))
const targets = computed(
  () =>
    new Map(
      keysOn(bench.board.value.keys, page.id, 'total').flatMap(({ place, ways = [], target }) =>
        [place, ...ways].map(one => [one, target] as const),
      ),
    ),
)

function set(place: PlaceId, event: Event) {
  const field = event.target as HTMLInputElement
  const newId = () => v.parse(KeyIdSchema, nanoid())
  const typed = typedTotal({ board: bench.board.value, pageId: page.id, place, text: field.value, newId })
  wrong.value = typed.ok ? null : place
  if (typed.ok) bench.change(typed.value)
  else field.value = targets.value.get(place) ?? ''
}
</script>

<template>
  <fieldset class="flex flex-col gap-2">
    <legend class="label">{{ t('answers.orTyped') }}</legend>
    <label v-for="place in places" :key="place.id"
      ><span class="text-sm">{{ t('answers.comesTo', { place: headingOf(place, page) }) }}</span
      ><UiTyped maxlength="40" :value="targets.get(place.id) ?? ''" @change="set(place.id, $event)" />
      <span v-if="wrong === place.id" class="trouble mt-1 block" role="alert">{{ t('answers.notAnAmount') }}</span>
    </label>
  </fieldset>
</template>
