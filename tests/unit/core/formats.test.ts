import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { describe, expect, it } from 'vitest'
import { boardJsonSchema } from '../../../bin/boardJsonSchema'
import { KeySchema } from '../../../core/keys/key'
import type { Report } from '../../../core/format/report'
import { shore } from '../../boards'

const root = resolve(import.meta.dirname, '../../..')
const examples = join(root, 'docs/formats/examples')
const names = readdirSync(examples)
  .filter(f => f.endsWith('.board.json'))
  .map(f => f.replace('.board.json', ''))
const run = (script: string, ...files: string[]) =>
  spawnSync(process.execPath, ['--import', 'tsx', join(root, 'bin', script), ...files], { cwd: root, encoding: 'utf8' })
const example = (name: string, part: string) => join(examples, `${name}.${part}.json`)

describe('the worked examples of the format', () => {
  it('show every kind of key', () => {
    const shown = new Set(
      names.flatMap(name =>
        (JSON.parse(readFileSync(example(name, 'board'), 'utf8')) as { keys: { kind: string }[] }).keys.map(
          k => k.kind,
        ),
      ),
    )
    expect([...shown].toSorted()).toEqual(KeySchema.options.map(o => o.entries.kind.literal as string).toSorted())
  })

  it.each(names)('%s is marked on the command line as its third file says', name => {
    const { stdout, status, stderr } = run('mark.ts', example(name, 'board'), example(name, 'work'))
    expect([status, stderr]).toEqual([0, ''])
    const report = JSON.parse(stdout) as Report
    const expected = JSON.parse(readFileSync(example(name, 'expected'), 'utf8')) as { verdicts: object }
    const [key] = report.keys
    expect({
      points: key!.points,
      of: key!.of,
      undecided: key!.undecided,
      verdicts: Object.fromEntries(key!.items.map(i => [i.item, i.verdict])),
    }).toEqual(expected)
    expect(report.pieces.every(p => p.places.every(x => x.share > 0.25 && x.share <= 1))).toBe(true)
  })

  it('stand beside a JSON Schema that is made from the schemas of the core', () => {
    expect(readFileSync(join(root, 'docs/formats/board.schema.json'), 'utf8')).toBe(boardJsonSchema())
  })

  it('says the exact value of what a place holds', () => {
    const report = JSON.parse(run('mark.ts', example('total', 'board'), example('total', 'work')).stdout) as Report
    expect(report.places).toEqual([expect.objectContaining({ place: 'purse', value: '3.42' })])
  })
})

describe('a bad file on the command line', () => {
  const folder = mkdtempSync(join(tmpdir(), 'formats-'))
  const file = (name: string, content: unknown) => {
    const path = join(folder, name)
    writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content))
    return path
  }
  const good = file('good.json', shore())
  const work = (pieces: unknown) => file('work.json', { format: 'dappled-slate/work', version: 1, pieces })

  it.each<[string, () => string[]]>([
    ['no file', () => []],
    ["a file that isn't there", () => [join(folder, 'missing.json'), example('sort', 'work')]],
    ['what is not JSON', () => [file('text.json', 'a board'), example('sort', 'work')]],
    ['a board without pages', () => [file('empty.json', { ...shore(), pages: [] }), example('sort', 'work')]],
    [
      'a zero denominator',
      () => [
        file(
          'zero.json',
          JSON.stringify(JSON.parse(readFileSync(example('scale', 'board'), 'utf8'))).replaceAll('"3/4"', '"3/0"'),
        ),
        example('scale', 'work'),
      ],
    ],
    ['work on another board', () => [good, example('sort', 'work')]],
    ['a position that is no number', () => [good, work({ c0: { x: null, y: 1 } })]],
    ['a position off the page', () => [good, work({ c0: { x: 5000, y: 1 } })]],
  ])('%s is refused in one line with exit 2', (_, files) => {
    const { status, stderr, stdout } = run('mark.ts', ...files())
    expect(status).toBe(2)
    expect(stdout).toBe('')
    expect(stderr.trim().split('\n')).toHaveLength(1)
  })

  it('preflight prints its findings, and refuses what is no board', () => {
    const { stdout, status } = run('preflight.ts', good)
    expect(status).toBe(0)
    expect(JSON.parse(stdout)).toMatchObject([{ rule: 'no-key', severity: 'advice', fix: null }])
    expect(run('preflight.ts', file('bad.json', '[]')).status).toBe(2)
  })
})
