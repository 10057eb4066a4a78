<script setup lang="ts">
/**
 * Says beside any field that takes no more letters that it is full: what is pasted beyond that is left out by the
 * browser without a word.
 */
const { t } = useWords()
const full = shallowRef<{ most: number; left: string; top: string } | null>(null)
const HIGH = 36
/** As wide as the message can get, with a little air. */
const WIDE = 328

useEventListener(
  document,
  'input',
  ({ target }) => {
    if (!(target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement)) return
    const most = target.maxLength
    if (most < 1 || target.value.length < most) return void (full.value = null)
    const { left, top, bottom } = target.getBoundingClientRect()
    const below = bottom + HIGH < innerHeight
    full.value = {
      most,
      left: `${Math.max(4, Math.min(left, innerWidth - WIDE))}px`,
      top: `${below ? bottom + 4 : Math.max(4, top - HIGH)}px`,
    }
  },
  { capture: true },
)
useEventListener(document, 'focusout', () => (full.value = null))
</script>

<template>
  <p
    aria-live="polite"
    class="pointer-events-none fixed z-50 max-w-80 rounded-md bg-stone-950 px-2.5 py-1 text-sm text-white"
    :class="full ? '' : 'sr-only'"
    :style="full ? { left: full.left, top: full.top } : undefined"
    data-test="full">
    {{ full ? t('app.full', { count: full.most }) : '' }}
  </p>
</template>
