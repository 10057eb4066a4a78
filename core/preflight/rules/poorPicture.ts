import type { BackdropPicture } from '../../board/backdrop'
import type { Board } from '../../board/board'
import type { PictureCard } from '../../board/piece'
import { PICTURE_BOX } from '../../layout/cardSize'
import { pixelsShown } from '../../board/pixels'
import type { Finding, Rule } from '../finding'

/**
 * A page 960 points wide fills a class screen of 1,280 pixels: 4/3 of a pixel for each point. Below 3/4 of that a
 * picture looks coarse.
 */
const COARSE = ((4 / 3) * 3) / 4
/** Nobody sees three in a hundred. */
const STRETCHED = 1.03

export const poorPicture: Rule = {
  name: 'poor-picture',
  look: board => [
    ...onCards(board),
    ...board.pages.flatMap(page =>
      page.backdrop.pictures.flatMap((picture): Finding[] => {
        const pixels = pixelsShown(picture)
        const across = pixels.width / picture.width
        const down = pixels.height / picture.height
        const common = {
          page: page.id,
          subjects: [picture.id],
          words: { percent: Math.round((Math.min(across, down) / (4 / 3)) * 100) },
        }
        if (Math.max(across / down, down / across) > STRETCHED) {
          return [
            {
              ...common,
              rule: 'stretched-picture',
              severity: 'warning',
              fix: {
                code: 'unstretch',
                apply: b => ({
                  ...b,
                  pages: b.pages.map(p => ({
                    ...p,
                    backdrop: {
                      ...p.backdrop,
                      pictures: p.backdrop.pictures.map(q => (q.id === picture.id ? unstretched(q) : q)),
                    },
                  })),
                }),
              },
            },
          ]
        }
        return Math.min(across, down) < COARSE ? [{ ...common, rule: 'coarse-picture', severity: 'advice' }] : []
      }),
    ),
  ],
}

/** Pictures on cards fill a box of their own, as large as they fit into it. */
const onCards = (board: Board): Finding[] =>
  board.pages.flatMap((page): Finding[] => {
    const sharpness = (card: PictureCard) =>
      1 / Math.min(PICTURE_BOX.width / card.pixelWidth, PICTURE_BOX.height / card.pixelHeight)
    const coarse = page.pieces.filter(
      (piece): piece is PictureCard => piece.kind === 'picture-card' && sharpness(piece) < COARSE,
    )
    if (coarse.length === 0) return []
    const percent = Math.round((Math.min(...coarse.map(sharpness)) / (4 / 3)) * 100)
    return [
      {
        rule: 'coarse-picture',
        severity: 'advice',
        page: page.id,
        subjects: coarse.map(piece => piece.id),
        words: { percent },
      },
    ]
  })

/** The largest picture with its own proportions that fits where it stands now, about the same middle. */
function unstretched(picture: BackdropPicture): BackdropPicture {
  const pixels = pixelsShown(picture)
  const scale = Math.min(picture.width / pixels.width, picture.height / pixels.height)
  const width = pixels.width * scale
  const height = pixels.height * scale
  return {
    ...picture,
    width,
    height,
    x: picture.x + (picture.width - width) / 2,
    y: picture.y + (picture.height - height) / 2,
  }
}
