<script setup lang="ts">
import { asksMore, asksValue, type RuleDraft, type RuleTest } from '~~/core/keys/rule'

/** One rule: what is asked, and the values that it asks with. */
const {
  draft,
  tests,
  label,
  optional = false,
} = defineProps<{ draft: RuleDraft; tests: readonly RuleTest[]; label: string; optional?: boolean }>()
const emit = defineEmits<{ set: [part: Partial<RuleDraft>] }>()
const { t } = useWords()
const MORE = { between: 'rule.and', rounds: 'rule.nearest', digit: 'rule.at' } as const
const more = computed(() => (asksMore(draft.test) ? t(MORE[draft.test as keyof typeof MORE]) : ''))
</script>

<template>
  <select
    class="field"
    :value="draft.test"
    :aria-label="label"
    @change="emit('set', { test: ($event.target as HTMLSelectElement).value as RuleTest })">
    <option v-if="optional" value="">{{ t('rule.none') }}</option>
    <option v-for="test in tests" :key="test" :value="test">{{ t(`rule.tests.${test}`) }}</option>
  </select>
  <div v-if="asksValue(draft.test)" class="flex items-center gap-2">
    <input
      class="field"
      maxlength="40"
      :value="draft.value"
      :aria-label="t('rule.valueOf', { test: draft.test ? t(`rule.tests.${draft.test}`) : '' })"
      @input="emit('set', { value: ($event.target as HTMLInputElement).value })" />
    <template v-if="more">
      <span class="shrink-0">{{ more }}</span>
      <input
        class="field"
        maxlength="40"
        :value="draft.more"
        :aria-label="more"
        @input="emit('set', { more: ($event.target as HTMLInputElement).value })" />
    </template>
  </div>
</template>
