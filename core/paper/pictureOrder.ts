import * as v from 'valibot'

/** A page as a picture: which one, from 0; of a PNG how many dots there are to an inch of the page. */
export const PictureOrderSchema = v.object({
  format: v.picklist(['png', 'svg']),
  page: v.optional(v.pipe(v.string(), v.regex(/^\d{1,2}$/), v.transform(Number)), '0'),
  dpi: v.optional(
    v.pipe(v.string(), v.regex(/^\d{2,3}$/), v.transform(Number), v.minValue(36), v.maxValue(600)),
    '150',
  ),
})
export type PictureOrder = v.InferOutput<typeof PictureOrderSchema>
