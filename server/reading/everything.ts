import * as v from 'valibot'
import {
  ClassFileSchema,
  MANIFEST_FILE,
  ManifestSchema,
  type ClassFile,
  type Manifest,
} from '../../core/along/everything'
import { FILES } from '../../core/along/fields'
import { HandoutFileSchema, type HandoutFile } from '../../core/along/handout'
import { SlateFileSchema, type SlateFile } from '../../core/along/slate'
import type { ZipBounds } from '../../core/reading/zip'
import { ok, refuse, type Result } from '../../core/result'
import { parseJson } from '../http/json'
import type { ReadInRefusal } from './readIn'
import { openZipOnDisk, type ZipOnDisk } from './zipOnDisk'

/** Years of slates, each a file; the largest board has its clips in it, written in letters. */
const MOST: ZipBounds = { files: 150_000, largest: 100_000_000, total: 12_000_000_000 }
const DEEPEST = 30
const MOST_HANDOUTS = 2000
const MOST_SLATES = 2000

/** What a file with all of somebody's boards and classes says; boards and slates are read one by one. */
export interface ReadEverything {
  readonly manifest: Manifest
  /** Those that can't be read are left out. */
  readonly classes: readonly ReadClass[]
  /** The files that boards, editions and margins show and play, by their hashes. */
  readonly files: ReadonlyMap<string, string>
}
export interface ReadClass {
  readonly name: string
  readonly file: ClassFile
  readonly handouts: readonly ReadHandout[]
}
export interface ReadHandout {
  readonly file: HandoutFile
  /** The folder in which its editions are. */
  readonly folder: string
  /** The files of its slates. */
  readonly slates: readonly string[]
}

/** Opens such a file: by its manifest, of which each part must be as the format says. */
export async function readEverything(path: string): Promise<Result<ReadEverything, ReadInRefusal>> {
  const opened = await zipAt(path)
  if (!opened.ok) return opened
  const zip = opened.value
  const manifest = v.safeParse(ManifestSchema, await dataIn(zip, MANIFEST_FILE))
  if (!manifest.success) return refuse('bad-file')
  const classes: ReadClass[] = []
  for (const { file: name } of manifest.output.classes) {
    const read = v.safeParse(ClassFileSchema, await dataIn(zip, name))
    if (read.success) classes.push({ name, file: read.output, handouts: await handoutsIn(zip, name) })
  }
  const files = zip.names.flatMap((name): [string, string][] => {
    const hash = name.startsWith(FILES) ? /^[0-9a-f]{64}(?=\.)/.exec(name.slice(FILES.length))?.[0] : undefined
    return hash ? [[hash, name]] : []
  })
  return ok({ manifest: manifest.output, classes, files: new Map(files) })
}

async function handoutsIn(zip: ZipOnDisk, classFile: string): Promise<ReadHandout[]> {
  const at = `${classFile.slice(0, classFile.lastIndexOf('/') + 1)}handouts/`
  const inClass = zip.names.filter(name => name.startsWith(at))
  const found: ReadHandout[] = []
  for (const name of inClass.filter(one => one.endsWith('/handout.json')).slice(0, MOST_HANDOUTS)) {
    const folder = name.slice(0, name.lastIndexOf('/') + 1)
    const read = v.safeParse(HandoutFileSchema, await dataIn(zip, name))
    const slates = inClass.filter(one => one.startsWith(`${folder}slates/`)).slice(0, MOST_SLATES)
    if (read.success) found.push({ file: read.output, folder, slates })
  }
  return found
}

/** The bytes of one file of it. */
export async function fileOfEverything(path: string, name: string): Promise<Uint8Array | null> {
  const opened = await zipAt(path)
  return opened.ok ? opened.value.bytes(name) : null
}

/** Whether a file of it lies where it is wanted now. */
export async function unpackedTo(path: string, name: string, to: string): Promise<boolean> {
  const opened = await zipAt(path)
  return opened.ok && opened.value.toFile(name, to)
}

/** A slate of it; null where it isn't as the format says. */
export async function slateOfEverything({ path, name }: { path: string; name: string }): Promise<SlateFile | null> {
  const opened = await zipAt(path)
  const read = opened.ok ? v.safeParse(SlateFileSchema, await dataIn(opened.value, name)) : null
  return read?.success ? read.output : null
}

async function dataIn(zip: ZipOnDisk, name: string): Promise<unknown> {
  const bytes = await zip.bytes(name)
  const parsed = bytes && parseJson(bytes.toString('utf8'), DEEPEST)
  return parsed?.ok ? parsed.value : null
}

/** The one that was opened last: its files are asked for one after the other. No two have one path. */
let last: { readonly path: string; readonly zip: ZipOnDisk } | null = null
async function zipAt(path: string): Promise<Result<ZipOnDisk, ReadInRefusal>> {
  if (last?.path === path) return ok(last.zip)
  last?.zip.close()
  last = null
  const opened = await openZipOnDisk(path, MOST)
  if (!opened.ok) return refuse(opened.reason === 'no-zip' ? 'bad-file' : 'too-heavy')
  last = { path, zip: opened.value }
  return ok(opened.value)
}
