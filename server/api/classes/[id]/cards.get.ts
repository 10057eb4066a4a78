import { getRequestURL, setHeader } from 'h3'
import { answering } from '../../../http/answering'
import { cardsOf } from '../../../usecases/links'

/** Cards to print and cut, with which students come in. */
export default answering('GET /api/classes/[id]/cards', async ({ event, all, id, refuse }) => {
  const { title, cards } = await cardsOf(
    all.db,
    id,
    getRequestURL(event, { xForwardedHost: true, xForwardedProto: true }).origin,
  )
  const pdf = await all.labour.files.do('cards', { title, cards })
  if (!pdf.ok) throw refuse(pdf.reason === 'busy' ? 'busy' : 'too-heavy')
  setHeader(event, 'content-type', 'application/pdf')
  setHeader(event, 'content-disposition', 'inline; filename="cards.pdf"')
  return Buffer.from(pdf.value)
})
