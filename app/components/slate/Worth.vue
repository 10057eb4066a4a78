<script setup lang="ts">
import type { Rubric } from '~~/core/handout/counting'
import type { ReviewEntry } from '~/composables/slate/margin'

/** What a handout counts for; with a review, what was reached. */
const {
  points,
  rubric,
  review = null,
} = defineProps<{ points: number | null; rubric: Rubric | null; review?: ReviewEntry | null }>()
const { t } = useWords()
const reached = (criterion: number) => review?.levels[String(criterion)]
/** What this reader gets alone, beside what all get together. */
const own = computed(() => Object.values(review?.alone ?? {})[0])
</script>

<template>
  <p v-if="points !== null" class="font-semibold">
    {{
      review && review.points !== null
        ? t(own?.points != null ? 'counting.gotTogether' : 'counting.got', { points: review.points, of: points })
        : t('counting.worth', { count: points })
    }}
  </p>
  <p v-if="points !== null && own?.points != null" class="font-semibold">
    {{ t('counting.gotAlone', { points: own.points, of: points }) }}
  </p>
  <details v-if="points === null && rubric" :open="!!review">
    <summary class="cursor-pointer font-semibold">{{ t('counting.looksAt', { name: rubric.name }) }}</summary>
    <dl class="mt-1 flex flex-col gap-1">
      <div v-for="(criterion, i) in rubric.criteria" :key="i">
        <dt class="font-semibold">{{ criterion.name }}</dt>
        <dd v-if="review && reached(i) !== undefined">
          {{ criterion.levels[reached(i)!]?.name
          }}<template v-if="criterion.levels[reached(i)!]?.means"
            >: {{ criterion.levels[reached(i)!]?.means }}</template
          >
        </dd>
        <dd v-else-if="!review">{{ criterion.levels.map(level => level.name).join(' · ') }}</dd>
      </div>
    </dl>
  </details>
</template>
