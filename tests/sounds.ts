/**
 * Sounds made by the letter of their formats, so that what reads them is held against the formats and not against itself:
 * RIFF/WAVE (Microsoft and IBM, "Multimedia Programming Interface and Data Specifications 1.0", 1991) and MPEG-1 audio
 * layer III (ISO/IEC 11172-3, 2.4.1), both from memory.
 */

const RATE = 8000

/** A tone of 440 Hz, 16 bit, one channel; `info` is a comment in the file, as recorders put one in. */
export function wav(seconds: number, info = ''): Buffer {
  const samples = Math.round(seconds * RATE)
  const data = Buffer.alloc(samples * 2)
  for (let i = 0; i < samples; i++) data.writeInt16LE(Math.round(8000 * Math.sin(i / RATE * 2 * Math.PI * 440)), i * 2)
  const format = Buffer.alloc(16)
  format.writeUInt16LE(1, 0)
  format.writeUInt16LE(1, 2)
  format.writeUInt32LE(RATE, 4)
  format.writeUInt32LE(RATE * 2, 8)
  format.writeUInt16LE(2, 12)
  format.writeUInt16LE(16, 14)
  const comment = info ? chunk('LIST', Buffer.concat([Buffer.from('INFO'), chunk('ICMT', Buffer.from(info))])) : Buffer.alloc(0)
  return chunk('RIFF', Buffer.concat([Buffer.from('WAVE'), chunk('fmt ', format), comment, chunk('data', data)]))
}

function chunk(name: string, content: Buffer): Buffer {
  const size = Buffer.alloc(4)
  size.writeUInt32LE(content.length)
  return Buffer.concat([Buffer.from(name), size, content, Buffer.alloc(content.length % 2)])
}

/** Samples in one frame of layer III at 44.1 kHz. */
export const MP3_FRAME_SECONDS = 1152 / 44_100

/** Silence: frames of 128 kbit/s at 44.1 kHz (417 bytes each), all of whose parts are empty; before them, if given, a comment as ID3v2.3. */
export function mp3(frames: number, comment = ''): Buffer {
  const frame = Buffer.alloc(417)
  frame.writeUInt32BE(0xfffb9064)
  const text = Buffer.concat([Buffer.from([0]), Buffer.from('eng\0'), Buffer.from(comment, 'latin1')])
  const head = Buffer.alloc(10)
  head.write('COMM')
  head.writeUInt32BE(text.length, 4)
  const size = head.length + text.length
  const tag = Buffer.concat([Buffer.from('ID3'), Buffer.from([3, 0, 0, 0, 0, size >> 7, size & 0x7f]), head, text])
  return Buffer.concat([...comment ? [tag] : [], ...Array.from({ length: frames }, () => frame)])
}
