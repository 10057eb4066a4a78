<script setup lang="ts">
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { RULING_KINDS, type Backdrop, type BackdropPicture, type Ruling } from '~~/core/board/backdrop'
import type { Page } from '~~/core/board/board'
import { PAGE_COLOURS } from '~~/core/board/inks'
import { FigureIdSchema, type PageId } from '~~/core/board/ids'
import { addFixed, FIXED_FORMS, fitted, type FixedForm } from '~~/core/design/backdrop'
import { withPage } from '~~/core/design/lookup'
import { PAGE_SIZES, setPageSize, sizeName, type PageSize } from '~~/core/design/pages'
import type { Hands } from '~/composables/workbench/useHands'
import type { Workbench } from '~/composables/workbench/useWorkbench'
import { picturesIn, useUpload } from '~/composables/workbench/useUpload'

const MM = 72 / 25.4

/** Millimetres, as each is usually printed. */
const USUAL: Record<Ruling['kind'], number> = {
  none: 8,
  squares: 10,
  dots: 8,
  lines: 8,
  handwriting: 6,
  isometric: 10,
  axes: 10,
  staves: 2,
}
const FIXED_ICONS: Record<FixedForm, string> = {
  heading: 'lucide:heading',
  instruction: 'lucide:text',
  box: 'lucide:square',
  ring: 'lucide:circle',
  line: 'lucide:minus',
  arrow: 'lucide:move-right',
  divider: 'lucide:separator-vertical',
}

const { bench, page, hands } = defineProps<{ bench: Workbench; page: Page; hands: Hands }>()
const emit = defineEmits<{ open: [id: PageId]; words: [] }>()
const { t } = useWords()
const { upload, trouble, busy } = useUpload()

function set(part: Partial<Backdrop>, what = '') {
  bench.change(
    withPage(bench.board.value, page.id, p => ({ ...p, backdrop: { ...p.backdrop, ...part } })),
    what,
  )
}
const ruling = computed(() => page.backdrop.ruling)
const millimetres = computed(() => Math.round((ruling.value.spacing / MM) * 10) / 10)
const setSpacing = (event: Event) => {
  const given = Number((event.target as HTMLInputElement).value.replace(',', '.'))
  set(
    { ruling: { ...ruling.value, spacing: Math.min(60, Math.max(1.5, given || USUAL[ruling.value.kind])) * MM } },
    'spacing',
  )
}
const size = computed(() => sizeName(page) ?? '')
const SIZES = Object.keys(PAGE_SIZES) as PageSize[]
const setSize = (event: Event) =>
  bench.change(
    setPageSize(bench.board.value, page.id, PAGE_SIZES[(event.target as HTMLSelectElement).value as PageSize]),
  )

async function add(given: Iterable<File>) {
  const files = [...given]
  void maker.value?.add(files)
  const pdf = files.find(file => file.type === 'application/pdf' || file.name.toLowerCase().endsWith('.pdf'))
  trouble.value = ''
  if (pdf) return void (worksheet.value = pdf)
  for (const { hash, width, height, name } of await upload(picturesIn(files))) {
    const id = nanoid()
    const picture: BackdropPicture = {
      id,
      file: hash,
      x: 0,
      y: 0,
      width,
      height,
      pixelWidth: width,
      pixelHeight: height,
      alt: name,
    }
    set({ pictures: [...page.backdrop.pictures, fitted(picture, page, 'fit')] })
    hands.select([id])
  }
}
const worksheet = shallowRef<File | null>(null)
const maker = useTemplateRef<{ add: (files: Iterable<File>) => Promise<void> }>('maker')

function addForm(form: FixedForm, words = '') {
  const id = v.parse(FigureIdSchema, nanoid())
  bench.change(
    addFixed({
      board: bench.board.value,
      pageId: page.id,
      form,
      id,
      words: words || (form === 'heading' || form === 'instruction' ? t(`backdrop.words.${form}`) : ''),
    }),
  )
  hands.select([id])
  emit('words')
}
/** Words from elsewhere are printed on the page. */
const addText = (words: string) => addForm('instruction', words.trim().slice(0, 1000))
const describe = (part: { subject?: string; tags?: string[] }) => bench.change({ ...bench.board.value, ...part })
const tagsIn = (text: string) =>
  [
    ...new Set(
      text
        .split(',')
        .map(tag => tag.trim().slice(0, 40))
        .filter(Boolean),
    ),
  ].slice(0, 12)
const picture = computed(() => page.backdrop.pictures.find(p => p.id === hands.only.value?.id))
const figure = computed(() => page.backdrop.figures?.find(f => f.id === hands.only.value?.id))
const clip = computed(() => page.backdrop.clips?.find(c => c.id === hands.only.value?.id))
const link = computed(() => page.backdrop.links?.find(l => l.id === hands.only.value?.id))
const line = computed(() => page.backdrop.lines?.find(l => l.id === hands.only.value?.id))
defineExpose({ add, addText })
</script>

<template>
  <div class="flex flex-col gap-5">
    <WorkbenchBackdropPictureSheet v-if="picture" :key="picture.id" :bench="bench" :page="page" :picture="picture" />
    <WorkbenchBackdropFigureSheet v-else-if="figure" :key="figure.id" :bench="bench" :page="page" :figure="figure" />
    <WorkbenchBackdropLineSheet v-else-if="line" :key="line.id" :bench="bench" :page="page" :line="line" />
    <LazyWorkbenchBackdropClipSheet v-else-if="clip" :key="clip.id" :bench="bench" :page="page" :clip="clip" />
    <LazyWorkbenchBackdropLinkSheet v-else-if="link" :key="link.id" :bench="bench" :page="page" :link="link" />
    <slot />
    <section>
      <h3 class="label">{{ t('backdrop.addFixed') }}</h3>
      <div class="flex flex-wrap gap-2">
        <button v-for="form in FIXED_FORMS" :key="form" type="button" class="button px-3" @click="addForm(form)">
          <Icon :name="FIXED_ICONS[form]" />{{ t(`backdrop.fixed.${form}`) }}
        </button>
      </div>
    </section>
    <section>
      <h3 class="label">{{ t('backdrop.pictures') }}</h3>
      <label class="button w-full">
        <Icon name="lucide:image-plus" />{{ busy ? t('backdrop.sending') : t('backdrop.addPicture') }}
        <input
          type="file"
          accept="image/*,application/pdf,.pdf"
          class="sr-only"
          data-test="backdrop-file"
          @change="add(($event.target as HTMLInputElement).files ?? [])" />
      </label>
      <p class="note-line mt-2">{{ t('backdrop.how') }}</p>
      <p v-if="trouble" class="trouble mt-2" role="alert">{{ trouble }}</p>
    </section>
    <WorkbenchBackdropClipMaker ref="maker" :bench="bench" :page="page" :hands="hands" />
    <UiSwatches
      :colours="PAGE_COLOURS"
      :chosen="page.backdrop.colour"
      :legend="t('backdrop.colour')"
      :name-of="name => t(`backdrop.colours.${name}`)"
      @choose="set({ colour: $event })" />
    <fieldset>
      <legend class="label">{{ t('backdrop.ruling') }}</legend>
      <div class="flex flex-wrap gap-2">
        <button
          v-for="kind in RULING_KINDS"
          :key="kind"
          type="button"
          class="button px-3"
          :class="ruling.kind === kind ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
          :aria-pressed="ruling.kind === kind"
          @click="set({ ruling: { kind, spacing: USUAL[kind] * MM } })">
          {{ t(`backdrop.rulings.${kind}`) }}
        </button>
      </div>
      <label v-if="ruling.kind !== 'none'" class="mt-3 flex items-center gap-3">
        <span>{{ t(`backdrop.spacing.${ruling.kind}`) }}</span>
        <UiTyped class="w-20" inputmode="decimal" :value="millimetres" @change="setSpacing" />
        <span>mm</span>
      </label>
    </fieldset>
    <label
      ><span class="label">{{ t('backdrop.size') }}</span>
      <select class="field" :value="size" @change="setSize">
        <option v-if="!size" value="" disabled>{{ t('backdrop.ownSize') }}</option>
        <option v-for="name in SIZES" :key="name" :value="name">{{ t(`backdrop.sizes.${name}`) }}</option>
      </select>
    </label>
    <details>
      <summary class="min-h-9 cursor-pointer font-semibold">{{ t('workbench.about') }}</summary>
      <label class="mt-2 block"
        ><span class="label">{{ t('workbench.subject') }}</span
        ><UiTyped
          maxlength="40"
          :placeholder="t('workbench.subjectExample')"
          :value="bench.board.value.subject ?? ''"
          @change="describe({ subject: ($event.target as HTMLInputElement).value.trim() })"
      /></label>
      <label class="mt-2 block"
        ><span class="label">{{ t('workbench.tags') }}</span
        ><UiTyped
          maxlength="200"
          :placeholder="t('workbench.tagsExample')"
          :value="bench.board.value.tags?.join(', ') ?? ''"
          @change="describe({ tags: tagsIn(($event.target as HTMLInputElement).value) })"
      /></label>
    </details>
    <p class="note-line">{{ t('backdrop.locked') }}</p>
    <WorkbenchBackdropWorksheet
      v-if="worksheet"
      :file="worksheet"
      :bench="bench"
      :page="page"
      @close="worksheet = null"
      @open="emit('open', $event)" />
  </div>
</template>
