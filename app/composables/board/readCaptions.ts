import { LONGEST_CLIP, MOST_CUES, type Cue } from '~~/core/board/clip'

const LARGEST = 500_000
const WAIT_MS = 5000

/**
 * Captions from a file: WebVTT, or SubRip, which differs from it by its first line and its commas. The browser's own
 * reader reads them.
 * Null for what has none.
 */
export async function readCaptions(file: Blob): Promise<Cue[] | null> {
  if (file.size > LARGEST) return null
  const text = (await file.text()).replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n')
  const vtt = text.startsWith('WEBVTT')
    ? text
    : `WEBVTT\n\n${text.replace(/^(\d+:\d{2}:\d{2}),(\d{3}) --> (\d+:\d{2}:\d{2}),(\d{3})/gm, '$1.$2 --> $3.$4')}`
  const url = URL.createObjectURL(new Blob([vtt], { type: 'text/vtt' }))
  const media = document.createElement('audio')
  const track = document.createElement('track')
  try {
    await new Promise<void>((done, fail) => {
      track.addEventListener('load', () => done(), { once: true })
      track.addEventListener('error', () => fail(new Error("these captions can't be read")), { once: true })
      setTimeout(() => fail(new Error('these captions take too long')), WAIT_MS)
      track.kind = 'captions'
      track.src = url
      media.append(track)
      track.track.mode = 'hidden'
    })
    const cues = [...(track.track.cues ?? [])].flatMap((cue): Cue[] => {
      const said = (cue as VTTCue).getCueAsHTML().textContent.trim().slice(0, 500)
      return said && cue.endTime > cue.startTime && cue.endTime <= LONGEST_CLIP
        ? [{ from: cue.startTime, to: cue.endTime, text: said }]
        : []
    })
    return cues.length ? cues.slice(0, MOST_CUES) : null
  } catch {
    return null
  } finally {
    URL.revokeObjectURL(url)
  }
}
