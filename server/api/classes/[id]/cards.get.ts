import { getRequestURL, setHeader } from 'h3'
import { requireRightOnClass } from '../../../http/onClass'
import { refusal } from '../../../http/refuse'
import { cardsOf } from '../../../usecases/links'

/** Cards to print and cut, with which students come in. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnClass(event, 'class.change')
  const { title, cards } = await cardsOf(
    all.db,
    id,
    getRequestURL(event, { xForwardedHost: true, xForwardedProto: true }).origin,
  )
  const pdf = await all.labour.files.do('cards', { title, cards })
  if (!pdf.ok) throw refusal(pdf.reason === 'busy' ? 'busy' : 'too-heavy')
  setHeader(event, 'content-type', 'application/pdf')
  setHeader(event, 'content-disposition', 'inline; filename="cards.pdf"')
  return Buffer.from(pdf.value)
})
