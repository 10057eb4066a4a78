import Fraction from 'fraction.js'
import type { Quantity } from './quantity'

/**
 * What can be compared with each other. Areas and capacities are counted in square and cubic measures; each currency is
 * a dimension of its own, for nobody knows today's rate.
 */
export type Dimension =
  | 'number'
  | 'percent'
  | 'length'
  | 'area'
  | 'capacity'
  | 'mass'
  | 'time'
  | 'speed'
  | 'angle'
  | 'temperature'
  | `money ${string}`
  | `unit ${string}`

export interface Unit {
  readonly dimension: Dimension
  /**
   * In the smallest unit of its dimension that schools use: millimetres, square millimetres, millilitres, grams,
   * seconds.
   */
  readonly size: Quantity
  /** What nought of it is, in kelvins: only degrees of temperature start elsewhere than at nothing. */
  readonly from?: Quantity
}

const unit = (dimension: Dimension, size: number | string, from?: string): Unit => ({
  dimension,
  size: new Fraction(size),
  ...(from !== undefined && { from: new Fraction(from) }),
})

/**
 * The prefixes of the International System (BIPM, SI Brochure, 9th edition 2019, table 7, with the four of 2022), as
 * powers of ten.
 */
export const PREFIXES: Readonly<Record<string, readonly [name: string, power: number]>> = {
  q: ['quecto', -30],
  r: ['ronto', -27],
  y: ['yocto', -24],
  z: ['zepto', -21],
  a: ['atto', -18],
  f: ['femto', -15],
  p: ['pico', -12],
  n: ['nano', -9],
  µ: ['micro', -6],
  m: ['milli', -3],
  c: ['centi', -2],
  d: ['deci', -1],
  da: ['deca', 1],
  h: ['hecto', 2],
  k: ['kilo', 3],
  M: ['mega', 6],
  G: ['giga', 9],
  T: ['tera', 12],
  P: ['peta', 15],
  E: ['exa', 18],
  Z: ['zetta', 21],
  Y: ['yotta', 24],
  R: ['ronna', 27],
  Q: ['quetta', 30],
}

/** Units that take prefixes (SI Brochure, tables 2, 4 and 8): their signs, their names, and what they are worth. */
const PREFIXED: readonly {
  readonly signs: readonly string[]
  readonly names: readonly string[]
  readonly unit: Unit
}[] = [
  { signs: ['m'], names: ['metre', 'meter'], unit: unit('length', 1000) },
  { signs: ['g'], names: ['gram', 'gramme'], unit: unit('mass', 1) },
  { signs: ['l', 'L', 'ℓ'], names: ['litre', 'liter'], unit: unit('capacity', 1000) },
  { signs: ['s'], names: ['second'], unit: unit('time', 1) },
  ...Object.entries({
    A: 'ampere',
    mol: 'mole',
    cd: 'candela',
    Hz: 'hertz',
    N: 'newton',
    Pa: 'pascal',
    J: 'joule',
    W: 'watt',
    C: 'coulomb',
    V: 'volt',
    F: 'farad',
    Ω: 'ohm',
    S: 'siemens',
    Wb: 'weber',
    T: 'tesla',
    H: 'henry',
    lm: 'lumen',
    lx: 'lux',
    Bq: 'becquerel',
    Gy: 'gray',
    Sv: 'sievert',
    kat: 'katal',
    eV: 'electronvolt',
    B: 'byte',
  }).map(([sign, name]) => ({ signs: [sign], names: [name], unit: unit(`unit ${sign}`, 1) })),
]

const INCH = '25.4'
const POUND = '453.59237'
const times = (text: string, by: number | string) => new Fraction(text).mul(by).toFraction()

/**
 * Other units by every sign and name: times, angles and the tonne (SI Brochure, table 8); temperatures; the yard and
 * the pound by the International Yard and Pound Agreement of 1959; capacities of the United Kingdom (Weights and
 * Measures Act 1985: a gallon of 4.54609 litres).
 */
const OTHERS: readonly (readonly [names: string, unit: Unit])[] = [
  ['t tonne tonnes', unit('mass', 1_000_000)],
  ['min mins minute minutes', unit('time', 60)],
  ['h hr hrs hour hours', unit('time', 3600)],
  ['d day days', unit('time', 86_400)],
  ['wk week weeks', unit('time', 604_800)],
  ['sec secs', unit('time', 1)],
  ['° deg degree degrees', unit('angle', 1)],
  ['°C ℃ degC celsius', unit('temperature', 1, '273.15')],
  ['K kelvin kelvins', unit('temperature', 1, '0')],
  ['°F ℉ degF fahrenheit', unit('temperature', '5/9', times('459.67', '5/9'))],
  ['in inch inches ″ "', unit('length', INCH)],
  ['ft foot feet ′', unit('length', times(INCH, 12))],
  ['yd yds yard yards', unit('length', times(INCH, 36))],
  ['mi mile miles', unit('length', times(INCH, 63_360))],
  ['oz ounce ounces', unit('mass', times(POUND, '1/16'))],
  ['lb lbs', unit('mass', POUND)],
  ['stone stones', unit('mass', times(POUND, 14))],
  ['mph', unit('speed', times(INCH, 63_360))],
  ['km/h kmh kph', unit('speed', 1_000_000)],
  ['m/s', unit('speed', 3_600_000)],
  ['ha hectare hectares', unit('area', '10000000000')],
  ['% percent', unit('percent', 1)],
]

const IMPERIAL_PINT = '568.26125'
/** The US gallon is 231 cubic inches (NIST Handbook 44, appendix C). */
const US_PINT = '473.176473'
const capacities = (pint: string, ounces: number): readonly (readonly [string, Unit])[] => [
  ['gal gallon gallons', unit('capacity', times(pint, 8))],
  ['qt quart quarts', unit('capacity', times(pint, 2))],
  ['pt pint pints', unit('capacity', pint)],
  ['fl oz', unit('capacity', times(pint, `1/${ounces}`))],
  ['cup cups', unit('capacity', times(pint, '1/2'))],
]

/** By sign or name; of what has a smaller coin, how many of it make one. *pound* is a mass too. */
const MONEY: readonly (readonly [code: string, names: string, coins: string])[] = [
  ['GBP', '£ GBP quid', 'p pence penny'],
  ['USD', '$ USD dollar dollars', '¢ c cent cents'],
  ['EUR', '€ EUR euro euros', 'c ct cent cents'],
  ['JPY', '¥ JPY yen', ''],
  ['INR', '₹ INR rupee rupees', 'paise paisa'],
  ['CHF', 'CHF franc francs', 'rappen'],
  ['PLN', 'zł PLN', 'gr grosz groszy'],
  ['TRY', '₺ TRY lira', 'kuruş'],
  ['UAH', '₴ UAH', ''],
  ['SEK', 'kr SEK', ''],
]

type Table = ReadonlyMap<string, readonly Unit[]>

function tableFor(system: 'metric' | 'uk' | 'us'): Table {
  const table = new Map<string, Unit[]>()
  const add = (name: string, one: Unit) => table.set(name, [...(table.get(name) ?? []), one])
  const scaled = ({ dimension, size }: Unit, power: number): Unit => ({
    dimension,
    size: size.mul(new Fraction(10).pow(power)!),
  })
  for (const { signs, names, unit: one } of PREFIXED) {
    for (const [prefix, [prefixName, power]] of [['', ['', 0]] as const, ...Object.entries(PREFIXES)]) {
      const prefixes = prefix === 'µ' ? ['µ', 'μ', 'u'] : [prefix]
      for (const p of prefixes) for (const sign of signs) add(p + sign, scaled(one, power))
      for (const name of names) for (const ending of ['', 's']) add(prefixName + name + ending, scaled(one, power))
    }
  }
  for (const [names, one] of [
    ...OTHERS,
    ...capacities(system === 'us' ? US_PINT : IMPERIAL_PINT, system === 'us' ? 16 : 20),
  ]) {
    for (const name of names === 'fl oz' ? [names] : names.split(' ')) add(name, one)
  }
  for (const [code, names, coins] of MONEY) {
    for (const name of names.split(' ')) add(name, unit(`money ${code}`, 100))
    for (const name of coins ? coins.split(' ') : []) add(name, unit(`money ${code}`, 1))
  }
  for (const name of ['pound', 'pounds']) [unit('money GBP', 100), unit('mass', POUND)].forEach(one => add(name, one))
  // Of lengths there are areas and capacities: a cube of ten centimetres is a litre.
  for (const [name, units] of [...table]) {
    const length = units.find(one => one.dimension === 'length')
    if (!length || name === '″' || name === '"' || name === '′') continue
    const [area, room] = [
      { dimension: 'area' as const, size: length.size.pow(2)! },
      { dimension: 'capacity' as const, size: length.size.pow(3)!.div(1000) },
    ]
    for (const ending of ['²', '2', '^2']) add(name + ending, area)
    for (const ending of ['³', '3', '^3']) add(name + ending, room)
    add(`sq ${name}`, area)
    add(`square ${name}`, area)
    add(`cubic ${name}`, room)
  }
  return table
}

const tables = new Map<string, Table>()

/**
 * What a sign or a name stands for, several where it is ambiguous; none for what is no unit. Signs are told apart by
 * their capitals as the International System does (mm, Mm); only what means nothing so is tried in small letters too.
 */
export function unitsNamed(name: string, language: string | undefined): readonly Unit[] {
  const system = language === 'en-US' ? 'us' : 'uk'
  const table = tables.get(system) ?? tableFor(system)
  tables.set(system, table)
  return table.get(name) ?? table.get(name.toLowerCase()) ?? []
}
