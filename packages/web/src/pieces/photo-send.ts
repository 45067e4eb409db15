import { api, Waits } from '../api'
import type { PhotoShown } from '../types'

/** The server keeps pictures of up to this; a phone's own are 2 to 8 MB. */
const MOST = 12 * 1024 * 1024

export interface PhotoOf {
  subject: PhotoShown['subject']
  subjectId: string
  caption: string
  pin?: { xMm: number; yMm: number } | null
}
/** Sends a picture of something; refused with the reason where it is too large or no picture. */
export async function sendPhoto(boatId: string, of: PhotoOf, f: File): Promise<void> {
  if (f.size > MOST)
    throw new Error(`“${f.name}” is ${(f.size / 1048576).toFixed(1)} MB; up to 12 MB is kept`)
  const form = new FormData()
  form.set('subject', of.subject)
  form.set('subjectId', of.subjectId)
  form.set('caption', of.caption)
  if (of.pin) {
    form.set('pinXMm', String(of.pin.xMm))
    form.set('pinYMm', String(of.pin.yMm))
  }
  form.set('file', f)
  try {
    await api('POST', `/boats/${boatId}/photos`, form)
  } catch (error) {
    // One that waits on this device is kept.
    if (error instanceof Error && !(error instanceof Waits))
      error.message = `“${f.name}” was not kept: ${error.message}`
    throw error
  }
}
