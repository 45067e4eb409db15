/** What a photo shows. One of a fitting is of a look at it, a test, a step. */
export const PHOTO_SUBJECTS = ['hole', 'zone', 'reading', 'boat', 'fitting'] as const
export type PhotoSubject = (typeof PHOTO_SUBJECTS)[number]
