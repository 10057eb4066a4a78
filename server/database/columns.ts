import type { ColumnType } from 'kysely'

/** JSON is written as text (an array would otherwise become a PostgreSQL array) and read as what it holds. */
export type Json<T> = ColumnType<T, string, string>
export type FixedJson<T> = ColumnType<T, string, never>
export type Timestamp = ColumnType<Date, Date | string, Date | string>
export type SetOnce = ColumnType<Date, Date | string | undefined, never>
export type Fixed<T> = ColumnType<T, T, never>
