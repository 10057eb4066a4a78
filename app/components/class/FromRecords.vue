<script setup lang="ts">
import type { ClassInRecords } from '~~/core/roster/oneRosterRest'
import type { RosterClass } from '~~/core/roster/oneRoster'

/** The way from the school's records into a class list: the classes of the teacher, of which one is drawn. */
const { record, have } = defineProps<{ record: string | null; have?: readonly string[] }>()
const emit = defineEmits<{ drawn: [roster: RosterClass, passedOver: number]; chosen: [one: ClassInRecords] }>()
const { t } = useWords()
const { classes, trouble, unproven, busy, letterSent, look, studentsOf, sendLetter } = useRecords()

/** A class that came from the records is looked for there straight away. */
async function begin() {
  if (record) return draw({ record })
  await look()
}
async function draw(one: Pick<ClassInRecords, 'record'>) {
  const read = await studentsOf(one)
  if (read) emit('drawn', read.roster, read.passedOver)
}
/** By the number in the records, or by its name. */
const has = (one: ClassInRecords) => !!have && (have.includes(one.record) || have.includes(one.title))
const choose = (one: ClassInRecords) => (have ? emit('chosen', one) : draw(one))
</script>

<template>
  <div class="flex flex-col gap-2">
    <button v-if="!classes" type="button" class="button w-fit" :disabled="busy" @click="begin">
      <Icon name="lucide:landmark" />{{
        t(busy ? 'records.asking' : have ? 'records.draw' : record ? 'records.again' : 'records.from')
      }}
    </button>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <p v-if="letterSent" role="status">{{ t('records.sent') }}</p>
    <button v-else-if="unproven" type="button" class="button w-fit" :disabled="busy" @click="sendLetter">
      {{ t('records.send') }}
    </button>
    <p v-if="classes?.length === 0">{{ t('records.none') }}</p>
    <fieldset v-else-if="classes" class="flex flex-col gap-1">
      <legend class="label">{{ t('records.which') }}</legend>
      <div class="flex max-h-56 flex-wrap gap-2 overflow-auto p-1">
        <button
          v-for="one in classes"
          :key="one.record"
          type="button"
          class="button"
          :disabled="busy || has(one)"
          :aria-label="t('records.drawThis', { title: one.title })"
          @click="choose(one)">
          {{ one.title }}<span v-if="has(one)" class="font-normal">{{ t('records.have') }}</span>
        </button>
      </div>
    </fieldset>
  </div>
</template>
