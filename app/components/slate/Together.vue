<script setup lang="ts">
import { shortNames } from '~~/core/roster/names'
import { isOfSeveral, type SlateKind } from '~~/core/slate/kind'
import type { Author } from '~~/core/slate/actor'
import type { OtherHand } from '~/composables/slate/otherHands'
import type { Member } from '~/composables/slate/useSlate'

/** Who works on the slate, who of them is here and done, and who shows a page to the others. */
const { kind, members, own, hands, editable, presents, following } = defineProps<{
  kind: SlateKind
  members: readonly Member[]
  own: Author
  hands: readonly OtherHand[]
  editable: boolean
  presents: boolean
  following: Author | null
  showable: boolean
  /** Whether it is shown who made what. */
  named: boolean
  talks: boolean
  unread: number
}>()
const emit = defineEmits<{
  done: [done: boolean]
  present: [on: boolean]
  ask: [who: Author]
  follow: [who: Author | null]
  name: [on: boolean]
  talk: []
}>()
const { t } = useWords()
/** Of a whole class only those who are here are listed. */
const MOST_LISTED = 8
const here = (member: Member) => authorOf(member) === own || hands.some(hand => hand.author === authorOf(member))
const listed = computed(() => (members.length <= MOST_LISTED ? members : members.filter(here)))
const short = computed(() => shortNames(members.map(member => member.name)))
const me = computed(() => members.find(member => authorOf(member) === own))
/** Those who can be asked to show their page: who is here, oneself included. */
const mayShow = computed(() => members.filter(here))
const presenter = computed(() => hands.find(hand => hand.presents))
const stateOf = (member: Member) =>
  [
    authorOf(member) === own ? t('together.you') : here(member) ? t('together.here') : t('together.away'),
    member.done ? t('together.done') : '',
  ]
    .filter(Boolean)
    .join(', ')
</script>

<template>
  <section
    v-if="isOfSeveral(kind)"
    class="flex flex-wrap items-center gap-x-2 gap-y-1.5 max-sm:flex-nowrap"
    :aria-label="t('together.title')"
    data-test="together">
    <ul class="flex flex-wrap items-center gap-1.5 max-sm:flex-nowrap">
      <li
        v-for="member in listed"
        :key="member.hand"
        class="flex min-h-9 items-center gap-1.5 rounded-full border bg-panel py-0.5 pr-3 pl-1"
        :class="here(member) ? 'border-stone-500' : 'border-dashed border-stone-400 text-ink-soft'">
        <ClassGroupMark :mark="markOfHand(member.hand)" small />
        <span class="leading-tight"
          ><bdi class="font-semibold">{{ short(member.name) }}</bdi
          >&#32;<span class="text-sm max-sm:sr-only">{{ stateOf(member) }}</span></span
        >
        <Icon v-if="member.done" name="lucide:check" size="16" />
      </li>
    </ul>
    <span class="flex flex-wrap items-center gap-2 max-sm:flex-nowrap">
      <button
        v-if="editable && me"
        type="button"
        class="button px-3 py-1"
        :aria-pressed="me.done"
        @click="emit('done', !me.done)">
        <Icon name="lucide:check" size="18" />{{ t(me.done ? 'together.notDone' : 'together.iAmDone') }}
      </button>
      <button
        v-if="showable && !presenter"
        type="button"
        class="button px-3 py-1"
        :class="presents ? 'border-sunfleck-600 bg-sunfleck-200 text-stone-950' : ''"
        :title="t(presents ? 'together.stopShowing' : 'together.show')"
        :aria-pressed="presents"
        @click="emit('present', !presents)">
        <Icon name="lucide:presentation" size="18" /><span class="max-2xl:sr-only">{{
          t(presents ? 'together.stopShowing' : 'together.show')
        }}</span>
      </button>
      <select
        v-if="showable && editable && !presenter && mayShow.length > 1"
        class="field min-h-11 w-auto py-1"
        value=""
        :aria-label="t('together.whoShows')"
        @change="
          emit('ask', ($event.target as HTMLSelectElement).value as Author)
          ;($event.target as HTMLSelectElement).value = ''
        ">
        <option value="">{{ t('together.whoShows') }}</option>
        <option v-for="member in mayShow" :key="member.hand" :value="authorOf(member)">{{ short(member.name) }}</option>
      </select>
      <template v-if="presenter && !presents">
        <span class="max-2xl:sr-only">{{ t('together.shows', { name: presenter.name }) }}</span>
        <button
          type="button"
          class="button px-3 py-1"
          :title="t('together.shows', { name: presenter.name })"
          :aria-pressed="following === presenter.author"
          @click="emit('follow', following === presenter.author ? null : presenter.author)">
          <ClassGroupMark :mark="presenter.mark" small />{{
            t(following === presenter.author ? 'together.lookMyself' : 'together.follow')
          }}
        </button>
      </template>
      <button
        type="button"
        class="button px-3 py-1"
        :class="named ? 'border-sunfleck-600 bg-sunfleck-200 text-stone-950' : ''"
        :title="t('together.whoMade')"
        :aria-pressed="named"
        @click="emit('name', !named)">
        <Icon name="lucide:signature" size="18" /><span class="max-2xl:sr-only">{{ t('together.whoMade') }}</span>
      </button>
      <button v-if="talks" type="button" class="button px-3 py-1" :title="t('together.talk')" @click="emit('talk')">
        <Icon name="lucide:message-square-plus" size="18" /><span class="max-sm:sr-only">{{ t('together.talk') }}</span
        ><span v-if="unread" class="rounded-full bg-sunfleck-400 px-2 text-sm text-stone-950">{{
          t('together.unread', { count: unread })
        }}</span>
      </button>
    </span>
  </section>
</template>
