/** What a yard prints on: sheets of its own size, and a map on two of them side by side. */
export type Paper = 'A4' | 'LETTER'
export const mapPaper = (paper: Paper) => (paper === 'A4' ? 'A3' : 'TABLOID')
