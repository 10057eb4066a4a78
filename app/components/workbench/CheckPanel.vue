<script setup lang="ts">
import type { KeyKind } from '~~/core/keys/key'
import type { Severity } from '~~/core/preflight/finding'
import { fixFor, type Found } from '~~/core/preflight/preflight'
import type { Workbench } from '~/composables/workbench/useWorkbench'

const { bench, findings } = defineProps<{ bench: Workbench; findings: readonly Found[] | null }>()
const emit = defineEmits<{ try: []; show: [finding: Found] }>()
const { t, said } = useWords()
const onPaper = ref(false)
const LOOK: Record<Severity, { icon: string; style: string }> = {
  stops: { icon: 'lucide:octagon-x', style: 'border-l-berry-700' },
  warning: { icon: 'lucide:triangle-alert', style: 'border-l-sunfleck-600' },
  advice: { icon: 'lucide:lightbulb', style: 'border-l-stone-500' },
}
/** What the task asks of students can be written for the teacher: the words stand on the button. */
const WRITES = 'write-'
const fixWords = (fix: string) =>
  fix.startsWith(WRITES)
    ? t('check.write', { words: t(`check.instructions.${fix.slice(WRITES.length) as KeyKind}`) })
    : said(`check.fixes.${fix}`, 'check.fixes.other')
function mend(finding: Found) {
  const fix = fixFor(bench.board.value, finding)
  if (fix) bench.change(fix.apply(bench.board.value, kind => t(`check.instructions.${kind as KeyKind}`)))
}
</script>

<template>
  <div class="flex flex-col gap-4">
    <div class="flex flex-wrap gap-3">
      <button type="button" class="button flex-1" @click="emit('try')">
        <Icon name="lucide:play" />{{ t('check.try') }}
      </button>
      <button type="button" class="button flex-1" @click="onPaper = true">
        <Icon name="lucide:printer" />{{ t('paper.open') }}
      </button>
    </div>
    <LazyPaperBoard
      v-if="onPaper"
      :open="onPaper"
      :board="bench.id"
      :pages="bench.board.value.pages.length"
      @close="onPaper = false" />
    <p v-if="findings === null" class="note-line" role="status">{{ t('check.looking') }}</p>
    <p v-else-if="findings.length === 0" class="flex items-center gap-2 font-semibold text-action" data-test="all-good">
      <Icon name="lucide:circle-check-big" size="22" />{{ t('check.good') }}
    </p>
    <ul class="flex flex-col gap-3">
      <li
        v-for="(finding, i) in findings"
        :key="i"
        :data-severity="finding.severity"
        class="rounded-lg border border-l-[6px] border-panel-line bg-field p-3"
        :class="LOOK[finding.severity].style"
        @mouseenter="emit('show', finding)"
        @focusin="emit('show', finding)">
        <p class="flex items-center gap-2 text-sm font-bold">
          <Icon :name="LOOK[finding.severity].icon" />{{ t(`check.severity.${finding.severity}`) }}
        </p>
        <p>{{ said(`check.rules.${finding.rule}`, 'check.rules.other', finding.words) }}</p>
        <button v-if="finding.fix" type="button" class="button mt-2" @click="mend(finding)">
          {{ fixWords(finding.fix) }}
        </button>
      </li>
    </ul>
  </div>
</template>
