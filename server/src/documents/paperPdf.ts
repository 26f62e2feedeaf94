import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import type { Content, createPdf } from 'pdfmake'
import type { Paper, PaperWay } from '@juvena/core/present/offerPaper'

/** The typeface of the pages, from the package it ships in: one file for western letters, one for further Latin ones. */
const FACE = join(
  dirname(createRequire(import.meta.url).resolve('@fontsource/atkinson-hyperlegible')),
  'files/atkinson-hyperlegible-',
)
const face = (letters: 'latin' | 'latin-ext') => ({
  normal: `${FACE}${letters}-400-normal.woff`,
  bold: `${FACE}${letters}-700-normal.woff`,
  italics: `${FACE}${letters}-400-italic.woff`,
  bolditalics: `${FACE}${letters}-700-italic.woff`,
})

/** Letters that are in the second file. */
const FURTHER = /[\u0100-\u0130\u0132-\u0151\u0154-\u02ba\u02bd-\u02c5\u1e00-\u1eff\u20a0-\u20ab\u20ad-\u20c0]+/u // prettier-ignore
/** Text whose letters come from both files of the typeface, in runs of either. */
const words = (text: string): Content =>
  FURTHER.test(text)
    ? text
        .split(new RegExp(`(${FURTHER.source})`, 'u'))
        .filter(Boolean)
        .map((run) => (FURTHER.test(run) ? { text: run, font: 'Further' } : { text: run }))
    : text

const INK = '#1d2a22'
const SOFT = '#4d574c'
const RULE = '#b9b09a'
/** Width between the margins of either page, points. */
const MARGIN = 45
const WIDE = { A4: 595.28, LETTER: 612 }

function way({ title, price, tax, does, says, taken }: PaperWay): Content[] {
  return [
    { text: words(title), bold: true, fontSize: 12 },
    { text: words(price), bold: true, fontSize: 20, margin: [0, 2, 0, 0] },
    ...(tax ? [{ text: words(tax), style: 'soft' }] : []),
    ...(taken ? [{ text: 'accepted', bold: true, style: 'soft' }] : []),
    { ul: does.map(words), margin: [0, 6, 0, 6] },
    ...says.flatMap(({ term, text }): Content[] => [
      { text: term, style: 'soft' },
      { text: words(text), margin: [0, 0, 0, 4] },
    ]),
  ]
}

/** What stands on the page, from the letterhead to the line that is signed. */
function contents(paper: Paper, width: number): Content[] {
  const { ways, change, extras } = paper
  const rule = { type: 'line' as const, x1: 0, y1: 0, x2: width, y2: 0 }
  const lines = Math.max(2, paper.sign.length)
  const lineWide = (width - 24 * (lines - 1)) / lines
  return [
    {
      columns: [
        [
          { text: words(paper.firm), bold: true, fontSize: 18 },
          { text: words(paper.contact), style: 'soft' },
        ],
        [
          { text: words(paper.title), bold: true, fontSize: 13, alignment: 'right' },
          ...paper.dated.map((d): Content => ({ text: d, style: 'soft', alignment: 'right' })),
        ],
      ],
    },
    { canvas: [{ ...rule, lineWidth: 2, lineColor: INK }], margin: [0, 6, 0, 14] },
    ...paper.to.map((line, i): Content => ({ text: words(line), bold: i === paper.to.length - 1 })),
    { text: words(paper.opening), margin: [0, 14, 0, 10] },
    ...(ways.length > 0
      ? [
          {
            table: { widths: ways.map(() => '*'), body: [ways.map((w) => ({ stack: way(w) }))] },
            layout: {
              hLineWidth: () => 0.7,
              vLineWidth: () => 0.7,
              hLineColor: () => RULE,
              vLineColor: () => RULE,
              paddingLeft: () => 8,
              paddingRight: () => 8,
              paddingTop: () => 8,
              paddingBottom: () => 6,
            },
            fontSize: ways.length > 3 ? 8.5 : ways.length > 2 ? 9 : 10,
          },
        ]
      : []),
    ...(change
      ? [
          { text: words(change.what), fontSize: 12, margin: [0, 4, 0, 8] as const },
          {
            text: [
              { text: change.price, bold: true, fontSize: 20 },
              { text: `  ${change.tax}`, style: 'soft' },
            ],
          },
        ].map((c) => c as Content)
      : []),
    ...(extras.length > 0
      ? [
          { text: 'Extras, if you want them', bold: true, margin: [0, 14, 0, 4] },
          {
            table: {
              widths: ['*', 'auto'],
              body: extras.map((x) => [
                { text: words(x.what) },
                { text: x.price, alignment: 'right' as const },
              ]),
            },
            layout: {
              hLineWidth: (line: number) => (line === 0 ? 0 : 0.5),
              vLineWidth: () => 0,
              hLineColor: () => RULE,
            },
          },
        ].map((c) => c as Content)
      : []),
    ...(paper.terms ? [{ text: words(paper.terms), margin: [0, 14, 0, 0] } as Content] : []),
    ...(paper.small
      ? [{ text: words(paper.small), style: 'soft', margin: [0, 8, 0, 0] } as Content]
      : []),
    {
      unbreakable: true,
      columnGap: 24,
      margin: [0, 36, 0, 0],
      columns: paper.sign.map((line): Content => ({
        stack: [
          { canvas: [{ ...rule, x2: lineWide, lineWidth: 0.7, lineColor: INK }] },
          { text: line, style: 'soft', margin: [0, 2, 0, 0] },
        ],
      })),
    },
  ]
}

/**
 * A paper as a PDF file: A4 or Letter, as the firm prints. Letters that the
 * typeface lacks stand as empty boxes.
 */
export async function paperPdf({ paper, letter }: PaperAsk): Promise<Uint8Array> {
  const { default: pdfmake } = await import('pdfmake')
  pdfmake.addFonts({ Atkinson: face('latin'), Further: face('latin-ext') })
  // A paper reads nothing but its typeface, and nothing from the network.
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy((path: string) => path.startsWith(FACE))
  const pageSize = letter ? 'LETTER' : 'A4'
  const about: Parameters<typeof createPdf>[0] = {
    pageSize,
    pageMargins: [MARGIN, MARGIN, MARGIN, MARGIN + 6],
    info: { title: paper.title, author: paper.firm, creator: 'Juvena', producer: 'Juvena' },
    content: contents(paper, WIDE[pageSize] - 2 * MARGIN),
    footer: (page, pages) => ({
      text: words(pages > 1 ? `${paper.title} · page ${page} of ${pages}` : paper.title),
      style: 'soft',
      margin: [MARGIN, 8, MARGIN, 0],
      alignment: 'right',
    }),
    defaultStyle: { font: 'Atkinson', fontSize: 10, lineHeight: 1.15, color: INK },
    styles: { soft: { fontSize: 8.5, color: SOFT } },
  }
  return new Uint8Array(await pdfmake.createPdf(about).getBuffer())
}

export interface PaperAsk {
  paper: Paper
  /** US Letter in place of A4. */
  letter: boolean
}
