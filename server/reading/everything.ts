import { readFile } from 'node:fs/promises'
import * as v from 'valibot'
import {
  ClassFileSchema,
  MANIFEST_FILE,
  ManifestSchema,
  type ClassFile,
  type Manifest,
} from '../../core/along/everything'
import { HandoutFileSchema, SlateFileSchema, type HandoutFile, type SlateFile } from '../../core/along/handedOut'
import { openZip, type Archive, type ZipBounds } from '../../core/reading/zip'
import { ok, refuse, type Result } from '../../core/result'
import { readPicture, type Picture } from '../files/picture'
import { parseJson } from '../http/json'
import type { ReadInRefusal } from './readIn'

/** Years of slates, each a file; the largest board has its clips in it, written in letters. */
const MOST: ZipBounds = { files: 65_000, largest: 100_000_000, total: 4_000_000_000 }
const DEEPEST = 30
const MOST_HANDOUTS = 2000
const MOST_SLATES = 2000

/** What a file with all of somebody's boards and classes says; boards and slates are read one by one. */
export interface ReadEverything {
  readonly manifest: Manifest
  /** Those that can't be read are left out. */
  readonly classes: readonly ReadClass[]
}
export interface ReadClass {
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
  const opened = await archiveAt(path)
  if (!opened.ok) return opened
  const archive = opened.value
  const manifest = v.safeParse(ManifestSchema, dataIn(archive, MANIFEST_FILE))
  if (!manifest.success) return refuse('bad-file')
  const classes = manifest.output.classes.flatMap(({ file }) => {
    const read = v.safeParse(ClassFileSchema, dataIn(archive, file))
    return read.success ? [{ file: read.output, handouts: handoutsIn(archive, file) }] : []
  })
  return ok({ manifest: manifest.output, classes })
}

function handoutsIn(archive: Archive, classFile: string): ReadHandout[] {
  const at = `${classFile.slice(0, classFile.lastIndexOf('/') + 1)}handouts/`
  const files = archive.names.filter(name => name.startsWith(at) && name.endsWith('/handout.json'))
  return files.slice(0, MOST_HANDOUTS).flatMap(name => {
    const folder = name.slice(0, name.lastIndexOf('/') + 1)
    const read = v.safeParse(HandoutFileSchema, dataIn(archive, name))
    const slates = archive.names.filter(one => one.startsWith(`${folder}slates/`)).slice(0, MOST_SLATES)
    return read.success ? [{ file: read.output, folder, slates }] : []
  })
}

/** The bytes of one file of it. */
export async function fileOfEverything(path: string, name: string): Promise<Uint8Array | null> {
  const opened = await archiveAt(path)
  return opened.ok ? opened.value.bytes(name) : null
}

export interface ReadSlate {
  readonly file: SlateFile
  readonly pictures: readonly { readonly id: string; readonly picture: Picture }[]
}
/** A slate of it, with the pictures that students put on it; null where it isn't as the format says. */
export async function slateOfEverything({ path, name }: { path: string; name: string }): Promise<ReadSlate | null> {
  const opened = await archiveAt(path)
  const read = opened.ok ? v.safeParse(SlateFileSchema, dataIn(opened.value, name)) : null
  if (!opened.ok || !read?.success) return null
  const pictures: { id: string; picture: Picture }[] = []
  for (const { id, file } of read.output.pictures) {
    const bytes = opened.value.bytes(file)
    const picture = bytes && (await readPicture(Buffer.from(bytes)))
    if (picture?.ok) pictures.push({ id, picture: picture.value })
  }
  return { file: read.output, pictures }
}

function dataIn(archive: Archive, name: string): unknown {
  const bytes = archive.bytes(name)
  const parsed = bytes && parseJson(Buffer.from(bytes).toString('utf8'), DEEPEST)
  return parsed?.ok ? parsed.value : null
}

/** The one that was opened last: its files are asked for one after the other. No two have one path. */
let last: { readonly path: string; readonly archive: Archive } | null = null
async function archiveAt(path: string): Promise<Result<Archive, ReadInRefusal>> {
  if (last?.path === path) return ok(last.archive)
  last = null
  const opened = openZip(await readFile(path), MOST)
  if (!opened.ok) return refuse(opened.reason === 'no-zip' ? 'bad-file' : 'too-heavy')
  last = { path, archive: opened.value }
  return ok(opened.value)
}
