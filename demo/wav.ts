/**
 * Samples from -1 to 1 as a sound of 16 bit on one channel, by the letter of RIFF/WAVE (Microsoft and IBM, "Multimedia
 * Programming Interface and Data Specifications 1.0", 1991; from memory). `info` is a comment in the file, as recorders
 * put one in.
 */
export function wavOf(samples: readonly number[], rate: number, info = ''): Buffer {
  const data = Buffer.alloc(samples.length * 2)
  samples.forEach((sample, i) => data.writeInt16LE(Math.round(Math.max(-1, Math.min(1, sample)) * 32_767), i * 2))
  const format = Buffer.alloc(16)
  format.writeUInt16LE(1, 0)
  format.writeUInt16LE(1, 2)
  format.writeUInt32LE(rate, 4)
  format.writeUInt32LE(rate * 2, 8)
  format.writeUInt16LE(2, 12)
  format.writeUInt16LE(16, 14)
  const comment = info
    ? chunk('LIST', Buffer.concat([Buffer.from('INFO'), chunk('ICMT', Buffer.from(info))]))
    : Buffer.alloc(0)
  return chunk('RIFF', Buffer.concat([Buffer.from('WAVE'), chunk('fmt ', format), comment, chunk('data', data)]))
}

function chunk(name: string, content: Buffer): Buffer {
  const size = Buffer.alloc(4)
  size.writeUInt32LE(content.length)
  return Buffer.concat([Buffer.from(name), size, content, Buffer.alloc(content.length % 2)])
}

const RATE = 11_025

/** The horn of the harbour: two long low blasts, each of two pipes a little out of tune, coming and going. */
export function harbourHorn(): Buffer {
  const seconds = 5
  const blast = (t: number) => Math.max(0, Math.min(1, t * 6, (1.7 - t) * 3))
  return wavOf(
    Array.from({ length: seconds * RATE }, (_, i) => {
      const t = i / RATE
      const pipes = [98, 98.9, 147, 196].reduce(
        (sum, hertz, n) => sum + Math.sin(2 * Math.PI * hertz * t) / (n + 1.5),
        0,
      )
      return pipes * 0.45 * Math.max(blast(t), blast(t - 2.4))
    }),
    RATE,
  )
}
