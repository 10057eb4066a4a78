<script setup lang="ts">
import { LIKENESSES, type Likeness } from '~~/core/groups/search'

definePageMeta({ for: 'teacher' })
const { t } = useWords()
const route = useRoute()
const { attempt, trouble, busy } = useAsking()
const { page, open, name, groups, changed, outcome, progress, present, loose, aside, ...table } = await useGroups(
  String(route.params.id),
)
useHead({ title: () => `${t('groups.title')}: ${page.value.name}` })

const by = ref<'size' | 'number'>('size')
const number = ref(4)
const likeness = ref<Likeness>('any')
const newPartners = ref(true)
const refused = ref<string | null>(null)
const chosen = ref(new Set<string>())
const levelled = computed(() => page.value.students.some(student => student.level))
const away = computed(() => page.value.students.filter(student => page.value.absent.includes(student.id)))
const once = useOnce()

const nameOf = computed(
  () => new Map(page.value.students.map(student => [student.id, student.preferred ?? student.name])),
)
const names = (students: readonly string[]) => students.map(id => nameOf.value.get(id) ?? '').join(', ')
const sizes = computed(() => {
  const counts = new Map<number, number>()
  for (const size of outcome.value?.sizes ?? []) counts.set(size, (counts.get(size) ?? 0) + 1)
  return [...counts].map(([size, count]) => t('groups.ofSize', { count, size })).join(', ')
})

function choose(student: string) {
  const next = new Set(chosen.value)
  if (!next.delete(student)) next.add(student)
  chosen.value = next
}
function put(group: number | null) {
  table.put([...chosen.value], group)
  chosen.value = new Set()
}
function drag(student: string) {
  if (!chosen.value.has(student)) chosen.value = new Set([student])
}
async function make() {
  refused.value = await table.make({
    by: by.value,
    number: number.value,
    likeness: levelled.value ? likeness.value : 'any',
    newPartners: newPartners.value,
  })
}
async function wish(kind: 'together' | 'apart') {
  const students = [...chosen.value]
  if (await attempt(async () => (await table.wish([...page.value.wishes, { kind, students }]), true)))
    chosen.value = new Set()
}
async function setAway(students: readonly string[], now: boolean) {
  if (await attempt(async () => (await table.setAbsent(students, now), true))) chosen.value = new Set()
}
/** Once it is done, the same again is something new: a set that was removed meanwhile, say. */
const keep = () =>
  attempt(async () => {
    await table.keep(once.keyFor({ name: name.value, groups: groups.value }))
    once.anew()
  })
</script>

<template>
  <div>
    <UiTeacherBar />
    <main class="mx-auto flex max-w-7xl flex-col gap-5 p-6">
      <ClassTop :id="page.id" :name="page.name" :code="page.code" />
      <div class="flex flex-wrap items-center gap-2" role="group" :aria-label="t('groups.sets')">
        <button
          v-for="set in page.sets"
          :key="set.id"
          type="button"
          class="button"
          :class="open === set.id ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
          :aria-pressed="open === set.id"
          @click="table.show(set.id)">
          {{ set.name }}
        </button>
        <button
          type="button"
          class="button"
          :class="open === null ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
          :aria-pressed="open === null"
          @click="table.show(null)">
          <Icon name="lucide:plus" />{{ t('groups.newSet') }}
        </button>
      </div>
      <p v-if="aside" role="status" class="flex flex-wrap items-center gap-3">
        {{ t('groups.aside', { name: aside.name })
        }}<button type="button" class="button min-h-9 py-1" @click="table.bringBack">
          {{ t('groups.bringBack') }}
        </button>
      </p>
      <div class="grid gap-5 lg:grid-cols-[20rem_1fr]">
        <div class="flex flex-col gap-4">
          <form class="panel flex flex-col gap-3" @submit.prevent="make">
            <h2 class="text-lg font-bold">{{ t('groups.make') }}</h2>
            <div class="grid grid-cols-[1fr_4.5rem] gap-2">
              <select v-model="by" class="field" :aria-label="t('groups.by')">
                <option value="size">{{ t('groups.bySize') }}</option>
                <option value="number">{{ t('groups.byNumber') }}</option>
              </select>
              <input
                v-model.number="number"
                type="number"
                min="1"
                max="100"
                required
                class="field px-2"
                :aria-label="by === 'size' ? t('groups.bySize') : t('groups.byNumber')" />
            </div>
            <label v-if="levelled"
              ><span class="label">{{ t('groups.levels') }}</span
              ><select v-model="likeness" class="field">
                <option v-for="one in LIKENESSES" :key="one" :value="one">{{ t(`groups.likeness.${one}`) }}</option>
              </select></label
            >
            <label v-if="page.sets.length" class="flex items-center gap-2"
              ><input v-model="newPartners" type="checkbox" />{{ t('groups.newPartners') }}</label
            >
            <template v-if="progress !== null">
              <progress class="w-full" :value="progress" max="1" :aria-label="t('groups.looking')" />
              <button type="button" class="button" @click="table.stop">{{ t('groups.stop') }}</button>
            </template>
            <button v-else class="button button-action" :disabled="busy || present.length === 0">
              <Icon name="lucide:shuffle" />{{ t('groups.makeOf', { count: present.length }) }}
            </button>
            <p v-if="refused" class="trouble" role="alert">{{ t(`groups.refused.${refused as 'nobody'}`) }}</p>
          </form>
          <section class="panel flex flex-col gap-2">
            <h2 class="text-lg font-bold">{{ t('groups.chosen', { count: chosen.size }) }}</h2>
            <p v-if="chosen.size === 0" class="note-line">{{ t('groups.how') }}</p>
            <template v-else>
              <p>{{ names([...chosen]) }}</p>
              <div class="flex flex-wrap gap-2">
                <template v-if="chosen.size > 1">
                  <button type="button" class="button" :disabled="busy" @click="wish('together')">
                    <Icon name="lucide:link" />{{ t('groups.together') }}
                  </button>
                  <button type="button" class="button" :disabled="busy" @click="wish('apart')">
                    <Icon name="lucide:unlink" />{{ t('groups.apart') }}
                  </button>
                </template>
                <button type="button" class="button" :disabled="busy" @click="setAway([...chosen], true)">
                  <Icon name="lucide:user-round-x" />{{ t('groups.away') }}
                </button>
                <button type="button" class="button" @click="chosen = new Set()">{{ t('groups.chooseNone') }}</button>
              </div>
            </template>
          </section>
          <section v-if="page.wishes.length" class="panel flex flex-col gap-2">
            <h2 class="text-lg font-bold">{{ t('groups.wishes') }}</h2>
            <ClassWishList :wishes="page.wishes" :names="names" @keep="wishes => attempt(() => table.wish(wishes))" />
          </section>
          <section v-if="away.length" class="panel flex flex-col gap-1">
            <h2 class="text-lg font-bold">{{ t('groups.awayToday') }}</h2>
            <div v-for="student in away" :key="student.id" class="flex items-center gap-2">
              <bdi>{{ student.name }}</bdi><button
                type="button"
                class="button ml-auto min-h-9 py-1"
                :aria-label="`${t('groups.here')}: ${student.name}`"
                @click="setAway([student.id], false)">
                {{ t('groups.here') }}
              </button>
            </div>
          </section>
        </div>
        <div class="flex flex-col gap-4">
          <div v-if="outcome" class="told p-4" role="status" data-test="outcome">
            <p>
              {{ t('groups.outcome', { sizes }) }}
              <template v-if="page.wishes.length && !outcome.notKept.length">{{
                t('groups.allKept')
              }}</template>&#32;<template v-if="outcome.repeated !== null">{{
                t('groups.repeated', { count: outcome.repeated })
              }}</template>
            </p>
            <template v-if="outcome.notKept.length">
              <p class="mt-1 font-semibold">{{ t('groups.notKept') }}</p>
              <ul class="list-disc pl-6">
                <li v-for="(one, i) in outcome.notKept" :key="i">
                  {{ t(`groups.wish.${one.kind}`, { names: names(one.students) }) }}
                </li>
              </ul>
              <p v-if="outcome.contradiction.length === 0" class="mt-1">{{ t('groups.unknown') }}</p>
              <p v-else class="mt-1">
                {{
                  t('groups.contradiction', {
                    wishes: outcome.contradiction
                      .map(one => t(`groups.wish.${one.kind}`, { names: names(one.students) }))
                      .join(' · '),
                  })
                }}
              </p>
            </template>
          </div>
          <div v-if="groups.length" class="flex flex-wrap items-end gap-3">
            <label
              ><span class="label">{{ t('groups.setName') }}</span
              ><input v-model="name" class="field" maxlength="60" :placeholder="t('groups.setExample')"
            /></label>
            <button
              type="button"
              class="button button-action"
              :disabled="busy || !changed || !name.trim()"
              @click="keep">
              {{ changed ? t('groups.keep') : t('groups.kept') }}
            </button>
            <button type="button" class="button" @click="table.addGroup">
              <Icon name="lucide:plus" />{{ t('groups.addGroup') }}
            </button>
            <button
              v-if="open"
              type="button"
              class="button button-danger ml-auto"
              :disabled="busy"
              @click="attempt(() => table.drop())">
              <Icon name="lucide:trash-2" />{{ t('groups.drop') }}
            </button>
          </div>
          <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
          <section
            v-if="loose.length"
            class="panel"
            :aria-label="t('groups.loose')"
            @dragover.prevent
            @drop.prevent="put(null)">
            <h2 class="mb-2 font-bold">
              {{ groups.length ? t('groups.loose') : t('classes.students', { count: loose.length }) }}
            </h2>
            <ul class="grid grid-cols-2 gap-1 sm:grid-cols-3 xl:grid-cols-4">
              <li v-for="student in loose" :key="student.id">
                <ClassNameChip
                  :student="student"
                  :chosen="chosen.has(student.id)"
                  @choose="choose(student.id)"
                  @dragged="drag(student.id)" />
              </li>
            </ul>
            <button v-if="groups.length === 0" type="button" class="button mt-3" @click="table.addGroup">
              <Icon name="lucide:plus" />{{ t('groups.byHand') }}
            </button>
          </section>
          <div class="grid grid-cols-2 gap-3 md:grid-cols-3 xl:grid-cols-4">
            <ClassGroupCard
              v-for="(group, i) in groups"
              :key="i"
              :group="group"
              :students="page.students"
              :chosen="chosen"
              @choose="choose"
              @put="put(i)"
              @dragged="drag"
              @dropped="put(i)"
              @rename="to => (group.name = to.trim() || group.name)"
              @remove="table.removeGroup(i)" />
          </div>
        </div>
      </div>
    </main>
  </div>
</template>
