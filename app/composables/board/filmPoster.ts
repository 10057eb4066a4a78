const LONGEST_SIDE = 960
const WAIT_MS = 8000

/**
 * A picture from near the beginning of a film, which is rarely black there; null where this device can't show the film.
 */
export async function filmPoster(film: Blob): Promise<File | null> {
  const video = document.createElement('video')
  const url = URL.createObjectURL(film)
  const heard = (name: string) =>
    new Promise<void>((done, fail) => {
      video.addEventListener(name, () => done(), { once: true })
      video.addEventListener('error', () => fail(new Error("this film can't be shown here")), { once: true })
      setTimeout(() => fail(new Error('this film takes too long')), WAIT_MS)
    })
  try {
    video.muted = true
    video.preload = 'auto'
    video.src = url
    await heard('loadeddata')
    const seeking = heard('seeked')
    video.currentTime = Math.min(1, (Number.isFinite(video.duration) ? video.duration : 1) / 4)
    await seeking
    const by = Math.min(1, LONGEST_SIDE / Math.max(video.videoWidth, video.videoHeight))
    const canvas = new OffscreenCanvas(
      Math.max(1, Math.round(video.videoWidth * by)),
      Math.max(1, Math.round(video.videoHeight * by)),
    )
    canvas.getContext('2d')!.drawImage(video, 0, 0, canvas.width, canvas.height)
    return new File([await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 })], 'film.jpg', {
      type: 'image/jpeg',
    })
  } catch {
    return null
  } finally {
    video.removeAttribute('src')
    video.load()
    URL.revokeObjectURL(url)
  }
}
