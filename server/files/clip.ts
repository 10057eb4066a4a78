import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { stat } from 'node:fs/promises'
import type { FileHash } from '../../core/board/ids'
import {
  Conversion,
  FilePathSource,
  FilePathTarget,
  Input,
  MATROSKA,
  MP3,
  MP4,
  Mp3OutputFormat,
  Mp4OutputFormat,
  OGG,
  OggOutputFormat,
  Output,
  QTFF,
  WAVE,
  WavOutputFormat,
  WEBM,
  WebMOutputFormat,
  type MediaCodec,
  type OutputFormat,
} from 'mediabunny'
import { LARGEST_CLIP, LONGEST_CLIP, type ClipKind } from '../../core/board/clip'
import { ok, refuse, type Result } from '../../core/result'

/** Twice the sharpness of a class screen; beyond it a tablet has more to decode than it can. */
const LONGEST_SIDE = 3840
/** Played by the browsers that schools have; of the rest some devices would show nothing. */
const PLAYED = new Set<MediaCodec>([
  'avc',
  'vp8',
  'vp9',
  'av1',
  'aac',
  'mp3',
  'opus',
  'vorbis',
  'pcm-s16',
  'pcm-u8',
  'pcm-s24',
  'pcm-f32',
])

export interface ReadClip {
  readonly hash: FileHash
  readonly mediaType: string
  readonly kind: ClipKind
  readonly seconds: number
  readonly width: number
  readonly height: number
  readonly bytes: number
}
/** *not-a-clip*: nothing that can be read as sound or film. *not-played*: some devices couldn't play it. */
export type ClipRefusal = 'not-a-clip' | 'not-played' | 'too-long' | 'too-big' | 'too-many-pixels'

/**
 * Reads a sound or a film from one file and packs it anew into another: only its sound and its pictures come along,
 * without a place, a name or a cover, and with its length and an index, which recordings of browsers lack. Nothing is
 * decoded, so nothing gets worse.
 */
export async function readClip({ from, to }: { from: string; to: string }): Promise<Result<ReadClip, ClipRefusal>> {
  if ((await stat(from)).size > LARGEST_CLIP) return refuse('too-big')
  const input = new Input({ source: new FilePathSource(from), formats: [MP4, QTFF, WEBM, MATROSKA, MP3, WAVE, OGG] })
  try {
    const [video, audio] = [await input.getPrimaryVideoTrack(), await input.getPrimaryAudioTrack()]
    const tracks = [video, audio].filter(track => track !== null)
    if (tracks.length === 0) return refuse('not-a-clip')
    const codecs = tracks.map(track => track.codec)
    if (!codecs.every(codec => codec !== null && PLAYED.has(codec))) return refuse('not-played')
    if (video && Math.max(video.displayWidth, video.displayHeight) > LONGEST_SIDE) return refuse('too-many-pixels')
    const seconds = await input.computeDuration(tracks)
    if (!(seconds > 0)) return refuse('not-a-clip')
    if (seconds > LONGEST_CLIP) return refuse('too-long')
    const packed = packing(codecs as MediaCodec[], (await input.getFormat()).mimeType)
    if (!packed) return refuse('not-played')
    const output = new Output({ format: packed, target: new FilePathTarget(to) })
    const conversion = await Conversion.init({ input, output, tracks: 'primary', tags: {}, showWarnings: false })
    if (!conversion.isValid || conversion.utilizedTracks.length < tracks.length) return refuse('not-played')
    await conversion.execute()
    const { size } = await stat(to)
    if (size > LARGEST_CLIP) return refuse('too-big')
    const kind = video ? 'film' : 'sound'
    const container = packed.mimeType.split('/')[1]!
    return ok({
      hash: await hashOf(to),
      mediaType:
        packed instanceof Mp3OutputFormat || packed instanceof WavOutputFormat
          ? packed.mimeType
          : `${video ? 'video' : 'audio'}/${container}`,
      kind,
      seconds: Math.round(seconds * 1000) / 1000,
      width: video?.displayWidth ?? 0,
      height: video?.displayHeight ?? 0,
      bytes: size,
    })
  } catch {
    // Whatever a library finds wrong in somebody's file, it is no clip.
    return refuse('not-a-clip')
  } finally {
    input.dispose()
  }
}

/** Into what it came in, if that is one that all browsers know; else into the first that holds all of it. */
function packing(codecs: readonly MediaCodec[], cameAs: string): OutputFormat | null {
  const usual = [
    new Mp3OutputFormat(),
    new WavOutputFormat(),
    new Mp4OutputFormat({ fastStart: 'in-memory' }),
    new WebMOutputFormat(),
    new OggOutputFormat(),
  ]
  const holds = (format: OutputFormat) => codecs.every(codec => format.getSupportedCodecs().includes(codec))
  const container = cameAs.split(/[/;]/)[1]
  return (
    usual
      .toSorted((a, b) => Number(b.mimeType.endsWith(`/${container}`)) - Number(a.mimeType.endsWith(`/${container}`)))
      .find(holds) ?? null
  )
}

async function hashOf(path: string): Promise<FileHash> {
  const hash = createHash('sha256')
  for await (const chunk of createReadStream(path) as AsyncIterable<Buffer>) hash.update(chunk)
  return hash.digest('hex') as FileHash
}
