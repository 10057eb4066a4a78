<script setup lang="ts" generic="Colours extends Readonly<Record<string, string | null>>">
/** A few colours to choose from, each with its name; null is none. */
const { colours, chosen, legend, nameOf } = defineProps<{
  colours: Colours
  chosen: string | null
  legend: string
  nameOf: (name: keyof Colours & string) => string
}>()
const emit = defineEmits<{ choose: [hex: Colours[keyof Colours]] }>()
const names = computed(() => Object.keys(colours) as (keyof Colours & string)[])
</script>

<template>
  <fieldset>
    <legend class="label">{{ legend }}</legend>
    <div class="flex flex-wrap gap-1.5">
      <button
        v-for="name in names"
        :key="name"
        type="button"
        class="flex h-10 w-10 items-center justify-center rounded-lg border-2"
        :class="chosen === colours[name] ? 'border-leaf-700 outline outline-2 outline-leaf-700' : 'border-stone-400'"
        :style="{ background: colours[name] ?? 'transparent' }"
        :aria-label="nameOf(name)"
        :title="nameOf(name)"
        :aria-pressed="chosen === colours[name]"
        @click="emit('choose', colours[name])">
        <Icon v-if="colours[name] === null" name="lucide:ban" />
      </button>
    </div>
  </fieldset>
</template>
