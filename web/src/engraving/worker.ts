import createVerovioModule from 'verovio/wasm'
import { VerovioToolkit } from 'verovio/esm'

/** Engraves MusicXML slices away from the page's own thread. */
export interface EngraveRequest {
  id: number
  xml: string
  /** Width of the drawing in CSS pixels. */
  width: number
  /** Size of the music in percent. */
  scale: number
  /** Height of one page in CSS pixels; without it everything goes on one page as tall as it needs. */
  height?: number
}

export interface EngraveAnswer {
  id: number
  svg?: string
  /** How many measures stand on the drawn page. */
  measures?: number
  error?: string
}

const toolkit = createVerovioModule().then((module) => new VerovioToolkit(module))

// The names of the parts stand left of the first staff: the longest one sets the margin.
function leftMargin(xml: string): number {
  const names = [...xml.matchAll(/<part-name[^>]*>([^<]*)</g)].map((m) => m[1]!.trim().length)
  return Math.max(40, Math.min(260, 11 * Math.max(0, ...names)))
}

self.onmessage = async (event: MessageEvent<EngraveRequest>) => {
  const { id, xml, width, scale, height } = event.data
  try {
    const engraver = await toolkit
    engraver.setOptions({
      scale,
      pageWidth: Math.round((width * 100) / scale),
      pageHeight: height ? Math.round((height * 100) / scale) : 60000,
      adjustPageHeight: height === undefined,
      header: 'none',
      footer: 'none',
      breaks: 'auto',
      pageMarginTop: 40,
      pageMarginBottom: 20,
      pageMarginLeft: leftMargin(xml),
      pageMarginRight: 10,
      spacingStaff: 8,
      spacingSystem: 8,
      svgViewBox: true,
      mnumInterval: 1,
    })
    if (!engraver.loadData(xml)) throw new Error('The engraver could not read this slice.')
    const svg = engraver.renderToSVG(1)
    const measures = svg.split('class="measure"').length - 1
    self.postMessage({ id, svg, measures } satisfies EngraveAnswer)
  } catch (e) {
    self.postMessage({ id, error: e instanceof Error ? e.message : String(e) } satisfies EngraveAnswer)
  }
}
