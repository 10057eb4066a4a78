import type { Point } from '../geometry/shape'

/** How a piece lies: its centre, and how far it is turned, clockwise in degrees. */
export type Lies = Point & { readonly turn?: number | undefined }
