import { describe, expect, it } from 'vitest'
import { pixelsShown } from '../../../core/board/pixels'
import { readBoard, type Board } from '../../../core/board/board'
import { cropped, fitted } from '../../../core/design/backdrop'
import { turnItems } from '../../../core/design/turning'
import { pageId, shore } from '../../boards'

describe('pictures on the backdrop', () => {
  const picture = {
    id: 'p',
    file: 'a'.repeat(64) as never,
    x: 100,
    y: 50,
    width: 400,
    height: 200,
    pixelWidth: 800,
    pixelHeight: 400,
    alt: '',
  }
  const page = { width: 960, height: 480 }

  it('fit without being cut, or fill without a free edge, never stretched', () => {
    for (const how of ['fit', 'fill'] as const) {
      const { width, height } = fitted({ ...picture, pixelWidth: 300 }, page, how)
      expect(width / height).toBeCloseTo(300 / 400, 9)
      expect(
        how === 'fit'
          ? Math.min(page.width - width, page.height - height)
          : Math.max(page.width - width, page.height - height),
      ).toBeCloseTo(0, 6)
    }
  })

  it('are turned by quarters about their middle with what is cut off of them, and by nothing less', () => {
    const page = pageId('page')
    const cut = cropped({ ...picture, x: 300, y: 100 }, 'left', 0.25)
    const board: Board = {
      ...shore(),
      pages: [{ ...shore().pages[0]!, backdrop: { ...shore().pages[0]!.backdrop, pictures: [cut] } }],
    }
    const lying = (b: Board) => b.pages[0]!.backdrop.pictures[0]!
    const turned = (times: number, by: number) =>
      Array.from({ length: times }).reduce<Board>(b => turnItems(b, page, new Set([cut.id]), by), board)
    const once = lying(turned(1, 90))
    // The side that was on the left lies above after a quarter clockwise.
    expect(once).toMatchObject({
      quarters: 1,
      crop: { top: 0.25, left: 0, right: 0, bottom: 0 },
      width: cut.height,
      height: cut.width,
    })
    expect(pixelsShown(once)).toEqual({ width: pixelsShown(cut).height, height: pixelsShown(cut).width })
    expect([once.x + once.width / 2, once.y + once.height / 2]).toEqual([cut.x + cut.width / 2, cut.y + cut.height / 2])
    expect(lying(turned(4, 90))).toEqual(cut)
    expect(lying(turned(1, -90))).toEqual(lying(turned(3, 90)))
    expect(turned(1, 15)).toEqual(board)
    expect(readBoard(JSON.parse(JSON.stringify(turned(1, 90))))).toEqual({ ok: true, value: turned(1, 90) })
    const tall = {
      ...board,
      pages: [
        {
          ...board.pages[0]!,
          backdrop: { ...board.pages[0]!.backdrop, pictures: [{ ...picture, x: 0, y: 0, width: 960, height: 480 }] },
        },
      ],
    }
    const held = lying(turnItems(tall, page, new Set([picture.id]), 90))
    expect([held.width, held.height, held.x, held.y]).toEqual([240, 480, 360, 0])
    expect(cropped(once, 'top', 0)).toMatchObject({ height: picture.width, quarters: 1 })
  })

  it('are cropped without moving what is left or changing its scale, and given back whole', () => {
    const cut = cropped(picture, 'left', 0.25)
    expect(cut).toMatchObject({ x: 200, y: 50, width: 300, height: 200, crop: { left: 0.25 } })
    expect(cropped(cut, 'left', 0)).toEqual(picture)
    expect(cropped(cropped(picture, 'top', 0.9), 'bottom', 0.9).crop).toMatchObject({
      top: 0.9,
      bottom: expect.closeTo(0.05, 9),
    })
  })
})
