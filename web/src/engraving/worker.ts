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
}

export interface EngraveAnswer {
  id: number
  svg?: string
  error?: string
}

const toolkit = createVerovioModule().then((module) => new VerovioToolkit(module))

self.onmessage = async (event: MessageEvent<EngraveRequest>) => {
  const { id, xml, width, scale } = event.data
  try {
    const engraver = await toolkit
    engraver.setOptions({
      scale,
      pageWidth: Math.round((width * 100) / scale),
      pageHeight: 60000,
      adjustPageHeight: true,
      header: 'none',
      footer: 'none',
      breaks: 'auto',
      pageMarginTop: 40,
      pageMarginBottom: 20,
      pageMarginLeft: 110,
      pageMarginRight: 10,
      spacingStaff: 8,
      spacingSystem: 8,
      svgViewBox: true,
      mnumInterval: 1,
    })
    if (!engraver.loadData(xml)) throw new Error('The engraver could not read this slice.')
    self.postMessage({ id, svg: engraver.renderToSVG(1) } satisfies EngraveAnswer)
  } catch (e) {
    self.postMessage({ id, error: e instanceof Error ? e.message : String(e) } satisfies EngraveAnswer)
  }
}
