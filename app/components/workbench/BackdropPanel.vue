<script setup lang="ts">
import { nanoid } from 'nanoid'
import { RULING_KINDS, type Backdrop, type BackdropPicture } from '~~/core/board/backdrop'
import type { Page } from '~~/core/board/board'
import { withPage } from '~~/core/design/lookup'
import type { Workbench } from '~/composables/useWorkbench'
import { picturesIn, useUpload } from '~/composables/useUpload'

const MM = 72 / 25.4
const COLOURS = { chalk: '#fbf9f3', white: '#ffffff', mist: '#e8ece9', sand: '#f6ecd8', leaf: '#e6f1ea', sky: '#e3eef5' } as const

const { bench, page } = defineProps<{ bench: Workbench, page: Page }>()
const selected = defineModel<string | null>('selected', { required: true })
const { t } = useWords()
const { upload, trouble, busy } = useUpload()

function set(part: Partial<Backdrop>, what = '') {
  bench.change(withPage(bench.board.value, page.id, p => ({ ...p, backdrop: { ...p.backdrop, ...part } })), what)
}
const colour = computed(() => page.backdrop.colour)
const ruling = computed(() => page.backdrop.ruling)
const millimetres = computed(() => Math.round(ruling.value.spacing / MM))

async function add(files: FileList | null | undefined) {
  for (const { hash, width, height, name } of await upload(picturesIn(files))) {
    const id = nanoid()
    const picture = fitted({ id, file: hash, x: 0, y: 0, width, height, pixelWidth: width, pixelHeight: height, alt: name })
    set({ pictures: [...page.backdrop.pictures, picture] })
    selected.value = id
  }
}

/** As large as it goes on the page without being cut or stretched, in the middle. */
function fitted(picture: BackdropPicture): BackdropPicture {
  return scaled(picture, Math.min(page.width / picture.pixelWidth, page.height / picture.pixelHeight))
}

function scaled(picture: BackdropPicture, scale: number): BackdropPicture {
  const width = picture.pixelWidth * scale
  const height = picture.pixelHeight * scale
  return { ...picture, width, height, x: (page.width - width) / 2, y: (page.height - height) / 2 }
}

const change = (id: string, to: (picture: BackdropPicture) => BackdropPicture, what = '') =>
  set({ pictures: page.backdrop.pictures.map(p => p.id === id ? to(p) : p) }, what)
const remove = (id: string) => set({ pictures: page.backdrop.pictures.filter(p => p.id !== id) })

useEventListener(window, 'paste', (event) => {
  const files = picturesIn(event.clipboardData?.files)
  if (files.length) void add(event.clipboardData?.files)
})
defineExpose({ add })
</script>

<template>
  <div class="flex flex-col gap-5">
    <fieldset>
      <legend class="label">{{ t('backdrop.colour') }}</legend>
      <div class="flex flex-wrap gap-1.5">
        <button
          v-for="(hex, name) in COLOURS" :key="name" type="button" class="h-10 w-10 rounded-lg border-2" :class="colour === hex ? 'border-leaf-700 outline outline-2 outline-leaf-700' : 'border-stone-400'"
          :style="{ background: hex }" :aria-label="t(`backdrop.colours.${name}`)" :aria-pressed="colour === hex" :title="t(`backdrop.colours.${name}`)" @click="set({ colour: hex })"
        />
      </div>
    </fieldset>
    <fieldset>
      <legend class="label">{{ t('backdrop.ruling') }}</legend>
      <div class="flex flex-wrap gap-2">
        <button
          v-for="kind in RULING_KINDS" :key="kind" type="button" class="button px-3" :class="ruling.kind === kind ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''" :aria-pressed="ruling.kind === kind"
          @click="set({ ruling: { ...ruling, kind } })"
        >{{ t(`backdrop.rulings.${kind}`) }}</button>
      </div>
      <label v-if="ruling.kind !== 'none'" class="mt-3 flex items-center gap-3">
        <span>{{ t('backdrop.spacing') }}</span>
        <input class="field w-20" type="number" min="2" max="60" :value="millimetres" @change="set({ ruling: { ...ruling, spacing: Math.min(60, Math.max(2, Number(($event.target as HTMLInputElement).value) || 10)) * MM } }, 'spacing')">
        <span>mm</span>
      </label>
    </fieldset>
    <section>
      <h3 class="label">{{ t('backdrop.pictures') }}</h3>
      <label class="button w-full">
        <Icon name="lucide:image-plus" />{{ busy ? t('backdrop.sending') : t('backdrop.addPicture') }}
        <input type="file" accept="image/*" class="sr-only" data-test="backdrop-file" @change="add(($event.target as HTMLInputElement).files)">
      </label>
      <p class="note-line mt-2">{{ t('backdrop.how') }}</p>
      <p v-if="trouble" class="trouble mt-2" role="alert">{{ trouble }}</p>
      <ul class="mt-3 flex flex-col gap-3">
        <li v-for="picture in page.backdrop.pictures" :key="picture.id" class="rounded-lg border p-3" :class="selected === picture.id ? 'border-leaf-700' : 'border-panel-line'" @focusin="selected = picture.id">
          <label><span class="label">{{ t('backdrop.shows') }}</span><input class="field" maxlength="300" :value="picture.alt" @input="change(picture.id, p => ({ ...p, alt: ($event.target as HTMLInputElement).value }), `alt ${picture.id}`)"></label>
          <div class="mt-2 flex flex-wrap gap-2">
            <button type="button" class="button px-3" @click="change(picture.id, fitted)">{{ t('backdrop.fit') }}</button>
            <button type="button" class="button px-3" @click="change(picture.id, p => scaled(p, Math.max(page.width / p.pixelWidth, page.height / p.pixelHeight)))">{{ t('backdrop.fill') }}</button>
            <button type="button" class="button button-danger px-3" @click="remove(picture.id)"><Icon name="lucide:trash-2" />{{ t('app.remove') }}</button>
          </div>
        </li>
      </ul>
    </section>
    <p class="note-line">{{ t('backdrop.locked') }}</p>
  </div>
</template>
