import type { Size } from '../geometry/shape'
import type { BackdropPicture } from './backdrop'

/** The pixels of a whole picture across and down, as it lies. */
export function pixelsLying({ pixelWidth, pixelHeight, quarters }: BackdropPicture): Size {
  return quarters === 1 || quarters === 3
    ? { width: pixelHeight, height: pixelWidth }
    : { width: pixelWidth, height: pixelHeight }
}

/** The pixels of a picture that are left when it is cropped, across and down as it lies. */
export function pixelsShown(picture: BackdropPicture): Size {
  const { width, height } = pixelsLying(picture)
  const { crop } = picture
  return crop
    ? { width: width * (1 - crop.left - crop.right), height: height * (1 - crop.top - crop.bottom) }
    : { width, height }
}
