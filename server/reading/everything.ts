import { readFile } from 'node:fs/promises'
import * as v from 'valibot'
import {
  ClassFileSchema,
  MANIFEST_FILE,
  ManifestSchema,
  type ClassFile,
  type Manifest,
} from '../../core/format/everything'
import { openZip } from '../../core/reading/zip'
import { ok, refuse, type Result } from '../../core/result'
import { parseJson } from '../http/json'
import type { ReadInRefusal } from './readIn'

const DEEPEST = 20

/** What a file with all of somebody's boards and classes says, boards apart: those are read one by one. */
export interface ReadEverything {
  readonly manifest: Manifest
  /** Classes that can't be read are left out. */
  readonly classes: readonly ClassFile[]
}

/** Opens such a file: by its manifest, of which each part must be as the format says. */
export async function readEverything(path: string): Promise<Result<ReadEverything, ReadInRefusal>> {
  const opened = openZip(await readFile(path))
  if (!opened.ok) return refuse(opened.reason === 'no-zip' ? 'bad-file' : 'too-heavy')
  const data = (name: string) => {
    const bytes = opened.value.bytes(name)
    const parsed = bytes && parseJson(Buffer.from(bytes).toString('utf8'), DEEPEST)
    return parsed?.ok ? parsed.value : null
  }
  const manifest = v.safeParse(ManifestSchema, data(MANIFEST_FILE))
  if (!manifest.success) return refuse('bad-file')
  const classes = manifest.output.classes.flatMap(({ file }) => {
    const read = v.safeParse(ClassFileSchema, data(file))
    return read.success ? [read.output] : []
  })
  return ok({ manifest: manifest.output, classes })
}

/** The bytes of one file of it. */
export async function fileOfEverything(path: string, name: string): Promise<Uint8Array | null> {
  const opened = openZip(await readFile(path))
  return opened.ok ? opened.value.bytes(name) : null
}
