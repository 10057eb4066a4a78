import type { CDPSession, Page } from '@playwright/test'

export interface At {
  readonly x: number
  readonly y: number
}
export const WAYS = ['mouse', 'touch', 'pen'] as const
export type Way = (typeof WAYS)[number]

/**
 * A hand with a mouse, a finger or a pen, through the browser's own input: what a page does with `touch-action`, with
 * capture and with the mouse that browsers make of a finger happens as it does on a tablet.
 */
export class Pointing {
  private readonly fingers = new Map<number, At>()
  private constructor(
    readonly way: Way,
    private readonly session: CDPSession,
  ) {}

  static async of(page: Page, way: Way): Promise<Pointing> {
    return new Pointing(way, await page.context().newCDPSession(page))
  }

  /** Another finger has a number of its own; a mouse and a pen have only one tip. */
  async down(at: At, finger = 1): Promise<void> {
    if (this.way !== 'touch') return this.point('mousePressed', at)
    this.fingers.set(finger, at)
    await this.touch('touchStart')
  }
  async move(at: At, finger = 1): Promise<void> {
    if (this.way !== 'touch') return this.point('mouseMoved', at)
    this.fingers.set(finger, at)
    await this.touch('touchMove')
  }
  async up(at: At, finger = 1): Promise<void> {
    if (this.way !== 'touch') return this.point('mouseReleased', at)
    this.fingers.delete(finger)
    await this.touch('touchEnd')
  }
  async tap(at: At): Promise<void> {
    if (this.way !== 'touch') await this.point('mouseMoved', at, false)
    await this.down(at)
    await this.up(at)
  }
  /** Along these points, with steps between them. */
  async drag(...along: readonly At[]): Promise<void> {
    const first = along[0]!
    if (this.way !== 'touch') await this.point('mouseMoved', first, false)
    await this.down(first)
    await this.along(1, ...along)
    await this.up(along.at(-1)!)
  }
  /** A finger that is down goes along these points. */
  async along(finger: number, ...points: readonly At[]): Promise<void> {
    for (const [i, to] of points.slice(1).entries())
      for (let step = 1; step <= STEPS; step++) await this.move(between(points[i]!, to, step / STEPS), finger)
  }

  private async touch(type: 'touchStart' | 'touchMove' | 'touchEnd'): Promise<void> {
    const touchPoints = [...this.fingers].map(([id, { x, y }]) => ({ id, x, y }))
    await this.session.send('Input.dispatchTouchEvent', { type, touchPoints })
  }
  private async point(type: 'mousePressed' | 'mouseMoved' | 'mouseReleased', { x, y }: At, down = true): Promise<void> {
    await this.session.send('Input.dispatchMouseEvent', {
      type,
      x,
      y,
      button: down || type !== 'mouseMoved' ? 'left' : 'none',
      buttons: down && type !== 'mouseReleased' ? 1 : 0,
      clickCount: type === 'mouseMoved' ? 0 : 1,
      pointerType: this.way === 'pen' ? 'pen' : 'mouse',
      ...(this.way === 'pen' && { force: 0.6 }),
    })
  }
}

const STEPS = 6
const between = (a: At, b: At, share: number): At => ({ x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share })
export const middleOf = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }): At => ({
  x: x + width / 2,
  y: y + height / 2,
})
