import { shareOut, type ShareBy } from '../../core/groups/shareOut'
import { unforeseen } from '../http/random'
import { withNews } from '../news/wire'
import type { Services } from '../services'
import { joinSlate } from './members'

/**
 * Students of the class who are on no frame of the handout are put on those that are there, in the order in which they
 * came: by one press, one after the other with whoever takes a frame. How many they were.
 */
export function shareOutLoose(
  services: Pick<Services, 'db' | 'wire'>,
  handout: string,
  { by, size }: { readonly by: ShareBy; readonly size: number },
): Promise<number> {
  return withNews(services, async (trx, news) => {
    const { class_id } = await trx
      .selectFrom('handouts')
      .select('class_id')
      .where('id', '=', handout)
      .forUpdate()
      .executeTakeFirstOrThrow()
    const students = await trx
      .selectFrom('students')
      .select('id')
      .where('class_id', '=', class_id)
      .where('left_at', 'is', null)
      .where(({ not, exists, selectFrom }) =>
        not(
          exists(
            selectFrom('slate_members')
              .select('slate_members.hand')
              .where('slate_members.handout_id', '=', handout)
              .whereRef('slate_members.student_id', '=', 'students.id')
              .where('slate_members.until_at', 'is', null),
          ),
        ),
      )
      .orderBy('created_at')
      .orderBy('name_folded')
      .execute()
    const frames = await trx
      .selectFrom('slates')
      .select(eb => [
        'slates.id as frame',
        eb
          .selectFrom('slate_members')
          .whereRef('slate_members.slate_id', '=', 'slates.id')
          .where('slate_members.until_at', 'is', null)
          .select(members => members.fn.countAll<string>().as('there'))
          .as('there'),
      ])
      .where('handout_id', '=', handout)
      .where('kind', '=', 'frame')
      .where('status', 'in', ['not-opened', 'under-way'])
      .orderBy('position')
      .orderBy('id')
      .execute()
    const shared = shareOut({
      students: students.map(one => one.id),
      frames: frames.map(({ frame, there }) => ({ frame, there: Number(there) })),
      by,
      size,
      random: unforeseen,
    })
    // In one order of slates, so that two who do this at once wait for each other.
    for (const { student, frame } of shared.toSorted((a, b) => (a.frame < b.frame ? -1 : 1)))
      await joinSlate(trx, news, { slate: frame, student, part: null })
    return shared.length
  })
}
