import { wavOf } from '../demo/wav'

const RATE = 8000

/** A tone of 440 Hz; `info` is a comment in the file, as recorders put one in. */
export const wav = (seconds: number, info = '') =>
  wavOf(
    Array.from({ length: Math.round(seconds * RATE) }, (_, i) => Math.sin((i / RATE) * 2 * Math.PI * 440) / 4),
    RATE,
    info,
  )

/** Samples in one frame of layer III at 44.1 kHz. */
export const MP3_FRAME_SECONDS = 1152 / 44_100

/**
 * Silence, by the letter of MPEG-1 audio layer III (ISO/IEC 11172-3, 2.4.1; from memory): frames of 128 kbit/s at 44.1
 * kHz (417 bytes each), all of whose parts are empty; before them, if given, a comment as ID3v2.3.
 */
export function mp3(frames: number, comment = ''): Buffer {
  const frame = Buffer.alloc(417)
  frame.writeUInt32BE(0xfffb9064)
  const text = Buffer.concat([Buffer.from([0]), Buffer.from('eng\0'), Buffer.from(comment, 'latin1')])
  const head = Buffer.alloc(10)
  head.write('COMM')
  head.writeUInt32BE(text.length, 4)
  const size = head.length + text.length
  const tag = Buffer.concat([Buffer.from('ID3'), Buffer.from([3, 0, 0, 0, 0, size >> 7, size & 0x7f]), head, text])
  return Buffer.concat([...(comment ? [tag] : []), ...Array.from({ length: frames }, () => frame)])
}
