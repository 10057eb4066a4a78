import { createHash } from 'node:crypto'
import { seeded } from '../core/layout/random'
import { makePicturePassword } from '../core/roster/picturePassword'

/** Everybody here is made up. */
export const TEACHER = { name: 'Maren Holt', email: 'maren.holt@ternhaven.example', password: 'low tide at noon' }

export const CLASSES = [
  {
    name: 'Year 5/6',
    code: 'TRN56H',
    levels: ['shallows', 'reef', 'deep'],
    students: [
      'Ottla Vane',
      'Bram Skerry',
      'Inka Petrel',
      'Marlo Tern',
      'Sefa Dune',
      'Juno Ashby',
      'Pell Rowan',
      'Wren Oakes',
      'Tam Kelp',
      'Lio Brine',
      'Nessa Firth',
      'Corin Hale',
      'Ada Marsh',
      'Rafi Lund',
      'Ione Grey',
      'Milo Cove',
      'Suri Nash',
      'Beck Wray',
      'Faye Jetty',
      'Odd Eider',
      'Kit Yarrow',
      'Lark Zander',
      'Noor Quill',
      'Piet Umber',
    ],
  },
  {
    name: 'Year 2',
    code: 'TRN22H',
    levels: [],
    students: [
      'Abel Strand',
      'Bibi Cairn',
      'Caspar Reed',
      'Dilys Moor',
      'Enzo Pike',
      'Freya Sandon',
      'Gus Hollow',
      'Hana Drift',
      'Isak Stone',
      'Jory Fenn',
      'Kaia Spry',
      'Leif Tarn',
      'Mina Gale',
      'Nils Copper',
      'Orla Wick',
      'Pip Larkin',
    ],
  },
  {
    // A club after school, where new kinds of boards are tried.
    name: 'Friday club',
    code: 'TRNFCH',
    levels: [],
    students: ['Ro Tansy', 'Una Speir', 'Vic Marram', 'Wyn Scaur'],
  },
] as const

/** The same three pictures for a name at every loading, so that they can be printed. */
export const demoPictures = (name: string) =>
  makePicturePassword(seeded(createHash('sha256').update(name).digest().readUInt32LE(0)))
