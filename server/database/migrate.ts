import { Migrator, type Kysely } from 'kysely'
import type { Database } from './tables'
import * as firstLoop from './migrations/0001_first_loop'
import * as shelf from './migrations/0002_shelf'
import * as manyHands from './migrations/0003_many_hands'
import * as classesAndGroups from './migrations/0004_classes_and_groups'
import * as givingOut from './migrations/0005_giving_out'
import * as later from './migrations/0006_later'
import * as invitations from './migrations/0007_invitations'
import * as comingAndChoosing from './migrations/0008_coming_and_choosing'
import * as mailAndRecords from './migrations/0009_mail_and_records'
import * as versionsAndCounts from './migrations/0010_versions_and_counts'
import * as wordsWithWork from './migrations/0011_words_with_work'
import * as together from './migrations/0012_together'
import * as picturesOfStudents from './migrations/0013_pictures_of_students'
import * as clips from './migrations/0014_clips'
import * as putAway from './migrations/0015_put_away'
import * as handsUp from './migrations/0016_hands_up'
import * as lesson from './migrations/0017_lesson'
import * as show from './migrations/0018_show'
import * as questionJar from './migrations/0019_question_jar'
import * as callouts from './migrations/0020_callouts'
import * as atTheSlate from './migrations/0021_at_the_slate'
import * as here from './migrations/0022_here'
import * as outcomes from './migrations/0023_outcomes'
import * as marginAnchors from './migrations/0024_margin_anchors'
import * as reviewAlone from './migrations/0025_review_alone'
import * as papers from './migrations/0026_papers'
import * as parcels from './migrations/0027_parcels'
import * as parcelsThatCome from './migrations/0028_parcels_that_come'
import * as rulesDecide from './migrations/0029_rules_decide'
import * as heldBack from './migrations/0030_held_back'
import * as handBacksFailed from './migrations/0031_hand_backs_failed'

/** Forward only: a migration that has run anywhere is never edited, the next one mends it. */
const migrations = {
  '0001_first_loop': firstLoop,
  '0002_shelf': shelf,
  '0003_many_hands': manyHands,
  '0004_classes_and_groups': classesAndGroups,
  '0005_giving_out': givingOut,
  '0006_later': later,
  '0007_invitations': invitations,
  '0008_coming_and_choosing': comingAndChoosing,
  '0009_mail_and_records': mailAndRecords,
  '0010_versions_and_counts': versionsAndCounts,
  '0011_words_with_work': wordsWithWork,
  '0012_together': together,
  '0013_pictures_of_students': picturesOfStudents,
  '0014_clips': clips,
  '0015_put_away': putAway,
  '0016_hands_up': handsUp,
  '0017_lesson': lesson,
  '0018_show': show,
  '0019_question_jar': questionJar,
  '0020_callouts': callouts,
  '0021_at_the_slate': atTheSlate,
  '0022_here': here,
  '0023_outcomes': outcomes,
  '0024_margin_anchors': marginAnchors,
  '0025_review_alone': reviewAlone,
  '0026_papers': papers,
  '0027_parcels': parcels,
  '0028_parcels_that_come': parcelsThatCome,
  '0029_rules_decide': rulesDecide,
  '0030_held_back': heldBack,
  '0031_hand_backs_failed': handBacksFailed,
}

/**
 * Brings the database up to date, or to an older state. Kysely holds a lock meanwhile, so of several processes only one
 * migrates.
 */
export async function migrate(db: Kysely<Database>, upTo?: keyof typeof migrations): Promise<void> {
  const migrator = new Migrator({ db, provider: { getMigrations: async () => migrations } })
  const { error } = await (upTo ? migrator.migrateTo(upTo) : migrator.migrateToLatest())
  if (error) throw error
}
