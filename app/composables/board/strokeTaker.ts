import { withPoint, type StrokePoint } from '~~/core/slate/stroke'
import type { Moving, Taker } from '~/composables/board/useGestures'

/** Takes a pen: one stroke from putting down to lifting, whatever is then done with it. */
export function strokeTaker<P extends StrokePoint>({
  pointAt,
  most,
  done,
}: {
  readonly pointAt: (moving: Moving) => P
  readonly most: number
  readonly done: (points: P[]) => void
}): { readonly points: Ref<P[]>; readonly taker: Taker } {
  /** The stroke that is being drawn. */
  const points = shallowRef<P[]>([])
  const add = (moving: Moving) => void (points.value = withPoint(points.value, pointAt(moving), most))
  function end() {
    if (points.value.length) done(points.value)
    points.value = []
  }
  const taker: Taker = {
    as: 'sheet',
    begin(moving) {
      points.value = []
      add(moving)
    },
    go: add,
    end,
    letBe(kept) {
      if (kept) end()
      points.value = []
    },
  }
  return { points, taker }
}
