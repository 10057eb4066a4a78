import { connect } from '../server/database/connect'
import { addressOfLink, newLink } from '../server/usecases/mailedLinks'

/**
 * `npm run --silent new-link -- EMAIL`: a link for a new password, where no mail is set up. It opens once, within an
 * hour.
 */
const email = process.argv[2]?.trim().toLowerCase() ?? ''
const { db, close } = connect()
const teacher = await db.selectFrom('teachers').select('id').where('email', '=', email).executeTakeFirst()
if (teacher)
  console.log(
    addressOfLink(
      (process.env.PUBLIC_URL ?? 'http://localhost:3000').replace(/\/+$/, ''),
      'new-password',
      await newLink(db, teacher.id, 'new-password'),
    ),
  )
else console.error(`No teacher has the address "${email}".`)
await close()
process.exitCode = teacher ? 0 : 2
