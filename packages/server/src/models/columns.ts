import { DataTypes, type Sequelize } from 'sequelize'

/** Kinds of columns, as the tables have them. */
export const T = DataTypes
export const text = { type: T.TEXT, allowNull: false }
export const maybeText = { type: T.TEXT, allowNull: true }
export const real = { type: T.DOUBLE, allowNull: false }
export const maybeReal = { type: T.DOUBLE, allowNull: true }
export const whole = { type: T.INTEGER, allowNull: false }
export const maybeWhole = { type: T.INTEGER, allowNull: true }
export const flag = { type: T.BOOLEAN, allowNull: false }
export const reals = { type: T.ARRAY(T.DOUBLE), allowNull: false }
export const key = { type: T.INTEGER, primaryKey: true, autoIncrement: true }
export const day = { type: T.DATEONLY, allowNull: true }
export const version = { type: T.INTEGER, allowNull: false, defaultValue: 1 }
/** taken out of use with a reason, and kept */
export const withdrawn = {
  withdrawnWhy: maybeText,
  withdrawnBy: maybeText,
  withdrawnAt: { type: T.DATE, allowNull: true },
}

export const madeAt = { type: T.DATE, allowNull: false, defaultValue: T.NOW }
export const big = { type: T.BIGINT, primaryKey: true, autoIncrement: true }
export const words = { ...text, defaultValue: '' }
export const moment = { type: T.DATE, allowNull: false }
export const bytes = { type: T.BLOB, allowNull: false }
export const maybeBytes = { type: T.BLOB, allowNull: true }
/** Which table, in which database. */
export type At = (tableName: string) => { sequelize: Sequelize; tableName: string }
// Sequelize writes into what it is given, so each column gets its own copy.
export const own = <A extends Record<string, object>>(columns: A): A =>
  Object.fromEntries(Object.entries(columns).map(([k, c]) => [k, { ...c }])) as A
