<script setup lang="ts">
import { SHEET_NAMES } from '~~/core/paper/sheets'
import type { SlatesOrder } from '~~/core/paper/slatesOrder'

/** A class's slates on paper, which takes a while, and its results as tables. */
const { open, handout } = defineProps<{ open: boolean; handout: string }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const order = reactive<SlatesOrder>({ arrange: 'one', sheet: 'own', names: true, marked: true, grey: false })
// Four pages need a sheet that is larger than one of them.
watch(
  () => order.arrange,
  now => now === 'four' && order.sheet === 'own' && (order.sheet = 'a4'),
)
const parcels = useTemplateRef('parcels')
const CHECKS = ['names', 'marked', 'grey'] as const
const TABLES = ['students', 'items', 'moves'] as const
/** Spreadsheets read letters by the mark at the beginning; some other programs stumble over it. */
const mark = ref(true)
</script>

<template>
  <UiAsk :open="open" :title="t('paper.slates.title')" @close="emit('close')">
    <fieldset class="flex flex-wrap items-end gap-x-4 gap-y-2">
      <legend class="label">{{ t('paper.slates.onPaper') }}</legend>
      <label
        ><span class="sr-only">{{ t('paper.slates.arrange') }}</span
        ><select v-model="order.arrange" class="field">
          <option value="one">{{ t('paper.slates.one') }}</option>
          <option value="four">{{ t('paper.slates.four') }}</option>
        </select></label
      >
      <label
        ><span class="sr-only">{{ t('paper.sheet') }}</span
        ><select v-model="order.sheet" class="field">
          <option v-if="order.arrange === 'one'" value="own">{{ t('paper.sheets.own') }}</option>
          <option v-for="one in SHEET_NAMES" :key="one" :value="one">{{ t(`paper.sheets.${one}`) }}</option>
        </select></label
      >
      <label v-for="one in CHECKS" :key="one" class="flex min-h-11 items-center gap-2"
        ><input v-model="order[one]" type="checkbox" class="h-5 w-5" />{{
          t(one === 'grey' ? 'paper.grey' : `paper.slates.${one}`)
        }}</label
      >
      <button type="button" class="button button-action" @click="parcels?.order({ ...order })">
        <Icon name="lucide:printer" />{{ t('paper.slates.make') }}
      </button>
    </fieldset>
    <PaperParcels ref="parcels" :path="`/api/handouts/${handout}/papers`" :going="open" />
    <fieldset class="mt-4 flex flex-wrap items-center gap-3">
      <legend class="label">{{ t('paper.tables.title') }}</legend>
      <a
        v-for="of in TABLES"
        :key="of"
        class="button min-h-10 py-1"
        download
        :href="`/api/handouts/${handout}/table?of=${of}&mark=${mark ? 1 : 0}`"
        ><Icon name="lucide:table" />{{ t(`paper.tables.${of}`) }}</a
      >
      <label class="flex min-h-10 items-center gap-2"
        ><input v-model="mark" type="checkbox" class="h-5 w-5" />{{ t('paper.tables.mark') }}</label
      >
    </fieldset>
    <template #buttons
      ><button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button></template
    >
  </UiAsk>
</template>
