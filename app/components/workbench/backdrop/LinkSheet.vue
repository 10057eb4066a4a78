<script setup lang="ts">
import type { Link } from '~~/core/board/clip'
import type { Page } from '~~/core/board/board'
import { hostOf, readWebAddress } from '~~/core/board/webAddress'
import { changeLink } from '~~/core/design/clips'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** A card that leads out of the application. */
const { bench, page, link } = defineProps<{ bench: Workbench; page: Page; link: Link }>()
const { t } = useWords()
const wrong = ref(false)
const change = (part: Partial<Pick<Link, 'name' | 'address'>>, what = '') =>
  bench.change(changeLink(bench.board.value, page.id, link.id, part), what && `${what} ${link.id}`)
function setAddress(event: Event) {
  const address = readWebAddress((event.target as HTMLInputElement).value)
  wrong.value = !address
  if (address) change({ address })
}
</script>

<template>
  <section class="flex flex-col gap-3 rounded-lg border border-leaf-700 p-3">
    <label
      ><span class="label">{{ t('clipMaker.linkWords') }}</span
      ><input
        class="field"
        maxlength="120"
        :value="link.name"
        @input="change({ name: ($event.target as HTMLInputElement).value }, 'name')"
    /></label>
    <label
      ><span class="label">{{ t('clipMaker.link') }}</span
      ><UiTyped maxlength="2000" :value="link.address" :aria-invalid="wrong" @change="setAddress"
    /></label>
    <p v-if="wrong" class="trouble" role="alert">{{ t('clipMaker.noAddress') }}</p>
    <p class="note-line">{{ t('clipMaker.leads', { host: hostOf(link.address) }) }}</p>
  </section>
</template>
