import dayjs from 'dayjs'
import { move } from 'piscina'
import '../languages'
import { labelSheet } from './label-sheet'
import { mapSheet } from './map-sheet'
import { passportSheet } from './passport-sheet'

/** Sheets that grow with the boat: of a thousand holes one takes seconds to set. */
const SHEETS = { passport: passportSheet, map: mapSheet, labels: labelSheet }
export type Sheets = typeof SHEETS
export interface SheetAsked<S extends keyof Sheets = keyof Sheets> {
  sheet: S
  given: Parameters<Sheets[S]>
  /** the language of its dates: a thread has one of its own */
  dates: string
}

/** Set beside the server's own thread, which goes on answering meanwhile. */
export default async function printed({ sheet, given, dates }: SheetAsked) {
  dayjs.locale(dates)
  const doc = (SHEETS[sheet] as (...g: unknown[]) => PDFKit.PDFDocument)(...given)
  const parts: Buffer[] = []
  for await (const part of doc) parts.push(part as Buffer)
  return move(new Uint8Array(Buffer.concat(parts)))
}
