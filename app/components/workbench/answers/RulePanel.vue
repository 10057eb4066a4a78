<script setup lang="ts">
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { Page } from '~~/core/board/board'
import { KeyIdSchema, type PieceId, type PlaceId } from '~~/core/board/ids'
import { pieceName } from '~~/core/board/pieceName'
import { keepKey } from '~~/core/design/answers'
import { sortKeyOf } from '~~/core/keys/sort/ofPage'
import { fillByRules, isBySound, RULE_TESTS, ruleFault, ruleOf, type Filled, type RuleDraft } from '~~/core/keys/rule'
import { wordsIn } from '~~/core/sound/compare'
import type { Sounds } from '~~/core/sound/phones'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** Answers from a rule: each zone gets one, and the key fills itself. */
const { bench, page } = defineProps<{ bench: Workbench; page: Page }>()
const emit = defineEmits<{ filled: [] }>()
const { headingOf } = useHeadings()
const { t } = useWords()

const drafts = reactive(new Map<PlaceId, RuleDraft>())
const zones = computed(() => page.places.filter(p => p.kind === 'zone'))
const draftOf = (id: PlaceId) => drafts.get(id) ?? ({ test: '', value: '', more: '' } satisfies RuleDraft)
const set = (id: PlaceId, part: Partial<RuleDraft>) => drafts.set(id, { ...draftOf(id), ...part })
const rules = computed(
  () =>
    new Map(
      zones.value.flatMap(({ id }) => {
        const rule = ruleOf(draftOf(id))
        return rule ? [[id, rule] as const] : []
      }),
    ),
)
/** How the words of the page and of the rules are said; asked for only where a rule goes by sound. */
const spoken = computed(() =>
  [...rules.value.values()].some(rule => isBySound(rule.test))
    ? [
        ...new Set([
          ...page.pieces.flatMap(p => wordsIn(pieceName(p))),
          ...[...rules.value.values()].flatMap(rule => ('value' in rule ? wordsIn(rule.value) : [])),
        ]),
      ]
        .toSorted()
        .join(' ')
    : '',
)
const sounds = shallowRef<Sounds>(new Map())
const listening = ref(false)
const listen = useDebounceFn(async () => {
  const words = spoken.value.split(' ')
  const { sounds: heard } = await ask('/api/pronunciations', { method: 'POST', body: { words } }).catch(() => ({
    sounds: [],
  }))
  sounds.value = new Map(heard)
  listening.value = false
}, 300)
watch(spoken, words => {
  if (!words) return
  listening.value = true
  void listen()
})
const fault = computed(
  () => [...rules.value.values()].map(rule => ruleFault(rule, sounds.value)).find(f => f !== null) ?? null,
)
const filled = shallowRef<Filled | null>(null)
const names = (ids: readonly PieceId[]) =>
  page.pieces
    .filter(p => ids.includes(p.id))
    .map(pieceName)
    .join(', ')

function fill() {
  filled.value = fillByRules(bench.board.value, page.id, rules.value, sounds.value)
  const known = sortKeyOf(bench.board.value, page.id)
  bench.change(
    keepKey(bench.board.value, {
      kind: 'sort',
      id: known?.id ?? v.parse(KeyIdSchema, nanoid()),
      page: page.id,
      homes: { ...filled.value.homes },
    }),
  )
  emit('filled')
}
</script>

<template>
  <Disclosure v-if="zones.length && page.pieces.length">
    <DisclosureButton class="button w-full"><Icon name="lucide:list-checks" />{{ t('rule.title') }}</DisclosureButton>
    <DisclosurePanel class="flex flex-col gap-4">
      <fieldset v-for="zone in zones" :key="zone.id" class="flex flex-col gap-2">
        <legend class="label">{{ headingOf(zone, page) }}</legend>
        <WorkbenchAnswersRuleField
          :draft="draftOf(zone.id)"
          :tests="RULE_TESTS"
          :label="t('rule.for', { heading: headingOf(zone, page) })"
          optional
          @set="set(zone.id, $event)" />
      </fieldset>
      <p v-if="fault && rules.size && !listening" class="note-line">{{ t(`rule.fault.${fault}`) }}</p>
      <button
        type="button"
        class="button button-action"
        :disabled="rules.size === 0 || fault !== null || listening"
        @click="fill">
        {{ t('rule.fill') }}
      </button>
      <div v-if="filled" role="status" class="flex flex-col gap-1">
        <p v-if="filled.none.length">
          {{ t('rule.nowhere', { names: names(filled.none), count: filled.none.length }) }}
        </p>
        <p v-if="filled.several.length">
          {{ t('rule.several', { names: names(filled.several), count: filled.several.length }) }}
        </p>
        <p v-if="filled.differs.length" class="trouble">
          {{ t('rule.differs', { names: names(filled.differs), count: filled.differs.length }) }}
        </p>
        <p v-if="filled.unknown.length" class="trouble">
          {{ t('rule.unknown', { names: names(filled.unknown), count: filled.unknown.length }) }}
        </p>
      </div>
    </DisclosurePanel>
  </Disclosure>
</template>
