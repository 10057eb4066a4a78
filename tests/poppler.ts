import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'

/** A PDF as poppler's own tools read it: a reader that isn't ours. */
export function withPoppler<T>(pdf: Buffer, use: (tool: (name: string, ...args: string[]) => Buffer) => T): T {
  const folder = mkdtempSync(join(tmpdir(), 'paper-'))
  const file = join(folder, 'paper.pdf')
  writeFileSync(file, pdf)
  try {
    return use((name, ...args) =>
      execFileSync(
        name,
        args.map(arg => (arg === '@' ? file : arg)),
        { maxBuffer: 1 << 28 },
      ),
    )
  } finally {
    rmSync(folder, { recursive: true })
  }
}

export const textOf = (pdf: Buffer, ...args: string[]) =>
  withPoppler(pdf, tool => tool('pdftotext', ...args, '@', '-').toString('utf8'))
export const infoOf = (pdf: Buffer): Record<string, string> =>
  Object.fromEntries(
    withPoppler(pdf, tool => tool('pdfinfo', '@').toString('utf8'))
      .split('\n')
      .flatMap(line => {
        const [, name, value] = /^([^:]+):\s*(.*)$/.exec(line) ?? []
        return name ? [[name, value!]] : []
      }),
  )

export interface Raster {
  readonly width: number
  readonly height: number
  /** Luma from 0 to 255, row by row. */
  readonly data: Buffer
}
/** A sheet of it in dots to the inch, from 1. */
export async function rasterOf(pdf: Buffer, sheet: number, dpi: number): Promise<Raster> {
  const png = withPoppler(pdf, tool =>
    tool('pdftoppm', '-r', String(dpi), '-f', String(sheet), '-l', String(sheet), '-png', '@'),
  )
  const { data, info } = await sharp(png).greyscale().raw().toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data }
}
