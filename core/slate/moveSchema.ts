import * as v from 'valibot'
import { ArrangeSchema } from './moves/arrange'
import { ConnectSchema } from './moves/connect'
import { DisconnectSchema } from './moves/disconnect'
import { DrawSchema } from './moves/draw'
import { EditSchema } from './moves/edit'
import { HintSchema } from './moves/hint'
import { OwnMoveSchema } from './moves/own'
import { PutSchema } from './moves/put'
import { RestoreSchema } from './moves/restore'
import { RevertSchema } from './moves/revert'
import { RubSchema } from './moves/rub'
import { ShelveSchema } from './moves/shelve'
import { StartAgainSchema } from './moves/startAgain'
import { TurnSchema } from './moves/turn'
import { UndrawSchema } from './moves/undraw'
import { WriteSchema } from './moves/write'
import { MOVE_VERSION } from './version'

/**
 * All that can be done on a slate, as it comes over the wire. There is no word here for a backdrop, a place or somebody
 * else's slate. Apart from what each move does (`move.ts`, which doesn't compile without one of them), for no student's
 * device checks what it makes itself.
 */
const SCHEMAS = {
  put: PutSchema,
  shelve: ShelveSchema,
  arrange: ArrangeSchema,
  turn: TurnSchema,
  write: WriteSchema,
  edit: EditSchema,
  draw: DrawSchema,
  undraw: UndrawSchema,
  rub: RubSchema,
  connect: ConnectSchema,
  disconnect: DisconnectSchema,
  own: OwnMoveSchema,
  hint: HintSchema,
  'start-again': StartAgainSchema,
  restore: RestoreSchema,
  revert: RevertSchema,
}
export type MoveKind = keyof typeof SCHEMAS
export type Move = v.InferOutput<(typeof SCHEMAS)[MoveKind]>
export type MoveOf<Kind extends MoveKind> = Extract<Move, { kind: Kind }>
export const MoveSchema: v.GenericSchema<unknown, Move> = v.variant('kind', Object.values(SCHEMAS))

const VersionedSchema = v.looseObject({
  version: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOVE_VERSION))),
})
/**
 * A move as files keep it: with the version by which it is performed, where it isn't the first. One of a later
 * application can't be read.
 */
export const KeptMoveSchema: v.GenericSchema<unknown, Move> = v.pipe(
  VersionedSchema,
  v.rawTransform(({ dataset, addIssue, NEVER }) => {
    const move = v.safeParse(MoveSchema, dataset.value)
    if (move.success) {
      const { version } = dataset.value
      return version === undefined ? move.output : { ...move.output, version }
    }
    addIssue({ message: v.summarize(move.issues) })
    return NEVER
  }),
)
