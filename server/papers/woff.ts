import { inflateSync } from 'node:zlib'

const WOFF_HEADER = 44
const WOFF_ENTRY = 20
const SFNT_HEADER = 12
const SFNT_ENTRY = 16

/**
 * The font inside a WOFF file (W3C, WOFF File Format 1.0, 3 to 5), as fonts are without packing. The fonts that ship
 * are packed, and the PDF library's own way of unpacking fails on some of them.
 */
export function sfntOf(woff: Buffer): Buffer {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new Error('not a WOFF file')
  const count = woff.readUInt16BE(12)
  const tables = Array.from({ length: count }, (_, i) => {
    const at = WOFF_HEADER + i * WOFF_ENTRY
    const [offset, packed, length] = [woff.readUInt32BE(at + 4), woff.readUInt32BE(at + 8), woff.readUInt32BE(at + 12)]
    const data = woff.subarray(offset, offset + packed)
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.readUInt32BE(at + 16),
      data: packed < length ? inflateSync(data) : data,
    }
  })
  const header = Buffer.alloc(SFNT_HEADER + count * SFNT_ENTRY)
  // The search fields that follow the number of tables are for readers of before; they are the largest power of two and
  // the rest.
  const power = Math.floor(Math.log2(count))
  woff.copy(header, 0, 4, 8)
  ;[count, 2 ** power * 16, power, (count - 2 ** power) * 16].forEach((field, i) =>
    header.writeUInt16BE(field, 4 + 2 * i),
  )
  let at = header.length
  tables.forEach(({ tag, checksum, data }, i) => {
    const entry = SFNT_HEADER + i * SFNT_ENTRY
    tag.copy(header, entry)
    ;[checksum, at, data.length].forEach((field, n) => header.writeUInt32BE(field, entry + 4 + 4 * n))
    at += padded(data.length)
  })
  return Buffer.concat([
    header,
    ...tables.map(({ data }) => Buffer.concat([data, Buffer.alloc(padded(data.length) - data.length)])),
  ])
}

const padded = (length: number) => Math.ceil(length / 4) * 4
