import { resolve } from 'node:path'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'

const root = resolve(import.meta.dirname, '../..')
const options: ts.CompilerOptions = {
  target: ts.ScriptTarget.ES2023,
  lib: ['lib.es2023.d.ts', 'lib.dom.d.ts'],
  module: ts.ModuleKind.ESNext,
  types: [],
  moduleResolution: ts.ModuleResolutionKind.Bundler,
  allowImportingTsExtensions: true,
  noEmit: true,
  strict: true,
  noUncheckedIndexedAccess: true,
  skipLibCheck: true,
  verbatimModuleSyntax: true,
  resolveJsonModule: true,
}
const sources = new Map<string, ts.SourceFile | undefined>()

/** The files of the core that don't compile once a text in one of them is another. */
function broken(file: string, was: string, now: string): string[] {
  const changed = resolve(root, file)
  const text = ts.sys.readFile(changed)!
  expect(text, `${file} has ${was}`).toContain(was)
  const host = ts.createCompilerHost(options)
  const read = host.getSourceFile.bind(host)
  host.getSourceFile = (name, target) => {
    if (resolve(name) === changed) return ts.createSourceFile(name, text.replace(was, now), target)
    if (!sources.has(name)) sources.set(name, read(name, target))
    return sources.get(name)
  }
  const all = ts.sys.readDirectory(resolve(root, 'core'), ['.ts'])
  const program = ts.createProgram(all, options, host)
  const wrong = all.filter(name => program.getSemanticDiagnostics(program.getSourceFile(name)).length > 0)
  return wrong.map(name => name.slice(root.length + 1)).toSorted()
}

/** Registered in one place, a new kind is missed by the compiler wherever something must be known of it. */
describe("a kind that is registered and then forgotten doesn't compile", () => {
  it('as it is, everything does', () => {
    expect(broken('core/board/piece.ts', 'export const TIPS', 'export const TIPS')).toEqual([])
  }, 60_000)

  it.each([
    [
      'a key',
      'core/keys/key.ts',
      'sort: sortDocument,',
      "sort: sortDocument, riddle: { ...sortDocument, schema: v.object({ ...sortDocument.schema.entries, kind: v.literal('riddle') }) },",
      'core/keys/kinds.ts',
    ],
    [
      'a place',
      'core/board/place.ts',
      'zone: ZoneSchema,',
      "zone: ZoneSchema, hole: v.object({ kind: v.literal('hole'), ...common, shape: ShapeSchema }),",
      'core/board/placeTraits.ts',
    ],
    [
      'a piece',
      'core/board/piece.ts',
      'card: CardSchema,',
      "card: CardSchema, dice: v.object({ kind: v.literal('dice'), ...common }),",
      'core/board/pieceTraits.ts',
    ],
    [
      'a move',
      'core/slate/moveSchema.ts',
      'shelve: ',
      "shake: v.object({ kind: v.literal('shake') }), shelve: ",
      'core/slate/move.ts',
    ],
    [
      "something of a student's own",
      'core/slate/ownSchema.ts',
      "export const OwnSchema = v.variant('kind', [",
      "export const OwnSchema = v.variant('kind', [v.object({ kind: v.literal('stamp'), ...page }),",
      'core/slate/own.ts',
    ],
    ['a status', 'core/slate/status.ts', "['not-opened',", "['lost', 'not-opened',", 'core/slate/status.ts'],
    [
      'a refusal',
      'core/slate/operation.ts',
      "'unknown-piece' |",
      "'too-early' | 'unknown-piece' |",
      'core/sync/refusals.ts',
    ],
  ])(
    '%s',
    (_, file, was, now, missed) => {
      expect(broken(file, was, now)).toContain(missed)
    },
    60_000,
  )
})
