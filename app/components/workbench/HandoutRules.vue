<script setup lang="ts">
import { sparesOthers } from '~~/core/handout/noRules'
import type { Rules } from '~~/core/handout/rules'

/** What students may do around their work; those that have to do with others only where there are any. */
const { several, counted } = defineProps<{ several: boolean; frames: boolean; counted: boolean; seen: boolean }>()
const rules = defineModel<Rules>({ required: true })
const { t } = useWords()
const set = (change: Partial<Rules>) => (rules.value = { ...rules.value, ...change })
const on = (event: Event) => (event.target as HTMLInputElement).checked
</script>

<template>
  <div class="flex flex-col" role="group" :aria-label="t('rules.title')">
    <label class="flex min-h-9 items-center gap-2"
      ><input type="checkbox" :checked="rules.talk" @change="set({ talk: on($event) })" />{{
        t(several ? 'rules.talk' : 'rules.line')
      }}</label
    >
    <label v-if="seen" class="flex min-h-9 items-center gap-2"
      ><input type="checkbox" :checked="rules.approve" @change="set({ approve: on($event) })" />{{
        t('rules.approve')
      }}</label
    >
    <label v-if="frames && counted" class="flex min-h-9 items-center gap-2"
      ><input
        type="checkbox"
        :checked="rules.handInBy === 'all-done'"
        @change="set({ handInBy: on($event) ? 'all-done' : 'anyone' })" />{{ t('rules.allDone') }}</label
    >
    <label v-if="several" class="flex min-h-9 items-center gap-2"
      ><input
        type="checkbox"
        :checked="!sparesOthers(rules.changeOthers, frames ? 'frame' : 'class')"
        @change="set({ changeOthers: on($event) ? 'everybody' : 'nobody' })" />{{ t('rules.changeOthers') }}</label
    >
    <label v-if="frames" class="flex min-h-9 items-center gap-2"
      ><input type="checkbox" :checked="rules.keepParts" @change="set({ keepParts: on($event) })" />{{
        t('rules.keepParts')
      }}</label
    >
    <label v-if="counted" class="flex min-h-9 items-center gap-2"
      ><input type="checkbox" :checked="rules.takeBack" @change="set({ takeBack: on($event) })" />{{
        t('rules.takeBack')
      }}</label
    >
    <label v-if="counted" class="flex min-h-9 items-center gap-2"
      ><input type="checkbox" :checked="rules.secondTry" @change="set({ secondTry: on($event) })" />{{
        t('rules.secondTry')
      }}</label
    >
  </div>
</template>
