/** What is wrong with a file that was to be a picture. */
export type PictureFault = 'large' | 'unreadable'

/** Bytes of a file that is opened at all: a photo of any camera passes. */
const LARGEST_FILE = 40 * 1024 * 1024
/** Pixels of the longer side: sharp over the whole width of a class screen's page. */
const LONGEST = 1600
const QUALITY = 0.86

/** The part of a picture that stays, as shares of its sides. */
export interface Cut {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}
export const WHOLE: Cut = { left: 0, top: 0, right: 1, bottom: 1 }

/** Decoded and upright, as the camera meant it. What the browser can't read (a film, a kind of its own) is a fault. */
export async function openPicture(file: Blob): Promise<ImageBitmap | PictureFault> {
  if (file.size > LARGEST_FILE) return 'large'
  try {
    // Made small while it is decoded: a photo of 60 megapixels would fill a tablet's memory.
    const size = await sizeOf(file)
    const by = Math.min(1, (2 * LONGEST) / Math.max(size.width, size.height))
    return await createImageBitmap(file, {
      imageOrientation: 'from-image',
      ...(by < 1 && { resizeWidth: Math.max(1, Math.round(size.width * by)), resizeQuality: 'high' as const }),
    })
  } catch {
    return 'unreadable'
  }
}

/** Read from the head of the file; nothing is decoded for it. */
async function sizeOf(file: Blob): Promise<{ width: number; height: number }> {
  const address = URL.createObjectURL(file)
  try {
    const image = new Image()
    image.src = address
    await image.decode()
    return { width: image.naturalWidth, height: image.naturalHeight }
  } finally {
    URL.revokeObjectURL(address)
  }
}

/**
 * The picture anew: turned by so many quarters, cut, made smaller. Nothing of where and with what it was taken is left,
 * for it is drawn and encoded anew. `clear` where what is see-through is to stay so.
 */
export async function madeSmall(
  bitmap: ImageBitmap,
  { quarters = 0, cut = WHOLE, clear = false }: { quarters?: number; cut?: Cut; clear?: boolean },
): Promise<{ bytes: Blob; width: number; height: number }> {
  const turned = quarters % 2 !== 0
  const [wide, high] = turned ? [bitmap.height, bitmap.width] : [bitmap.width, bitmap.height]
  const [w, h] = [Math.max(1, wide * (cut.right - cut.left)), Math.max(1, high * (cut.bottom - cut.top))]
  const by = Math.min(1, LONGEST / Math.max(w, h))
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(w * by)), Math.max(1, Math.round(h * by)))
  const context = canvas.getContext('2d')!
  if (!clear) {
    context.fillStyle = '#fff'
    context.fillRect(0, 0, canvas.width, canvas.height)
  }
  context.scale(by, by)
  context.translate(wide / 2 - wide * cut.left, high / 2 - high * cut.top)
  context.rotate((quarters * Math.PI) / 2)
  context.drawImage(bitmap, -bitmap.width / 2, -bitmap.height / 2)
  const bytes = await canvas.convertToBlob(clear ? { type: 'image/png' } : { type: 'image/jpeg', quality: QUALITY })
  return { bytes, width: canvas.width, height: canvas.height }
}
