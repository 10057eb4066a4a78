<script setup lang="ts">
import { COUNTS, MOST_CRITERIA, MOST_POINTS } from '~~/core/handout/counting'
import type { useCounting } from '~/composables/workbench/useCounting'

/** What a handout counts for: points, a rubric that is kept and used again, or nothing. */
const { counting } = defineProps<{ counting: ReturnType<typeof useCounting> }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const { counts, points, rubrics, chosen, rubric, draft, written } = counting
watch(counts, now => now === 'rubric' && rubrics.value.length === 0 && counting.write())
</script>

<template>
  <div class="flex flex-col gap-2">
    <div class="flex flex-wrap items-center gap-3">
      <label class="flex items-center gap-2"
        ><span class="font-semibold">{{ t('counting.title') }}</span
        ><select v-model="counts" class="field min-h-9 w-auto py-1">
          <option v-for="one in COUNTS" :key="one" :value="one">{{ t(`counting.counts.${one}`) }}</option>
        </select></label
      >
      <label v-if="counts === 'points'" class="flex items-center gap-2"
        >{{ t('counting.most')
        }}<input v-model.number="points" type="number" min="1" :max="MOST_POINTS" class="field min-h-9 w-24 py-1"
      /></label>
      <template v-else-if="counts === 'rubric' && !draft">
        <label v-if="rubrics.length" class="flex items-center gap-2"
          ><span class="sr-only">{{ t('counting.choose') }}</span
          ><select v-model="chosen" class="field min-h-9 w-auto py-1">
            <option v-for="one in rubrics" :key="one.id" :value="one.id">{{ one.name }}</option>
          </select></label
        >
        <button v-if="rubric" type="button" class="button min-h-9 py-1" @click="counting.write(rubric)">
          {{ t('counting.change') }}
        </button>
        <button type="button" class="button min-h-9 py-1" @click="counting.write()">{{ t('counting.make') }}</button>
      </template>
    </div>
    <div v-if="counts === 'rubric' && draft" class="flex flex-col gap-2 rounded-lg border border-panel-line p-3">
      <label
        ><span class="label">{{ t('counting.name') }}</span
        ><input v-model="draft.name" class="field min-h-9 py-1" maxlength="60" :placeholder="t('counting.nameExample')"
      /></label>
      <fieldset v-for="(criterion, i) in draft.criteria" :key="i" class="flex flex-col gap-1">
        <legend class="label">{{ t('counting.criterion') }} {{ i + 1 }}</legend>
        <div class="flex gap-2">
          <input
            v-model="criterion.name"
            class="field min-h-9 py-1"
            maxlength="60"
            :aria-label="t('counting.criterion')"
            :placeholder="t('counting.criterionExample')" /><button
            v-if="draft.criteria.length > 1"
            type="button"
            class="button button-quiet px-2"
            :aria-label="t('counting.removeCriterion', { name: criterion.name })"
            @click="draft.criteria.splice(i, 1)">
            <Icon name="lucide:trash-2" />
          </button>
        </div>
        <label
          ><span class="note-line">{{ t('counting.levels') }}</span
          ><textarea v-model="criterion.levels" rows="3" class="field" :placeholder="t('counting.levelsExample')" />
        </label>
      </fieldset>
      <p v-if="!written" class="note-line">{{ t('counting.bad') }}</p>
      <div class="flex flex-wrap gap-2">
        <button
          v-if="draft.criteria.length < MOST_CRITERIA"
          type="button"
          class="button min-h-9 py-1"
          @click="draft.criteria.push({ name: '', levels: '' })">
          <Icon name="lucide:plus" />{{ t('counting.addCriterion') }}
        </button>
        <button type="button" class="button min-h-9 py-1" :disabled="busy || !written" @click="attempt(counting.keep)">
          {{ t('counting.keep') }}
        </button>
        <button
          v-if="rubric && draft.name === rubric.name"
          type="button"
          class="button button-danger min-h-9 py-1"
          :disabled="busy"
          @click="attempt(counting.drop)">
          {{ t('counting.drop') }}
        </button>
        <button type="button" class="button button-quiet min-h-9 py-1" @click="draft = null">
          {{ t('app.cancel') }}
        </button>
      </div>
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    </div>
  </div>
</template>
