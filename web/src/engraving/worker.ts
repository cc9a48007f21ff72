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
  /** To play from: measure numbers at the beginning of each line only, and no part names. */
  paper?: boolean
}

export interface EngraveAnswer {
  id: number
  svg?: string
  /** Labels of the measures on the drawn page, in order. */
  measures?: string[]
  /** How many measures each system holds. */
  systems?: number[]
  /** Label of the first measure that the page does not hold; null where it holds all. */
  next?: string | null
  error?: string
  /** True where the engraver itself fell over: it is to be started anew. */
  broken?: boolean
}

const toolkit = createVerovioModule().then((module) => new VerovioToolkit(module))

// The names of the parts stand left of the first staff: the longest one sets the margin.
function leftMargin(xml: string): number {
  const names = [...xml.matchAll(/<part-name[^>]*>([^<]*)</g)].map((m) => m[1]!.trim().length)
  return Math.max(40, Math.min(260, 11 * Math.max(0, ...names)))
}

/** Signs of the hand that have no element of their own (S, T, RH) are drawn as fingerings: the engraver leaves others out. */
const drawable = (xml: string) => xml.replaceAll(/(<\/?)other-technical>/g, '$1fingering>')

const measureOpening = /<g [^>]*class="measure"[^>]*>/g

function measuresOf(svg: string): string[] {
  return [...svg.matchAll(measureOpening)].map((m) => /data-n="([^"]*)"/.exec(m[0])?.[1] ?? '')
}

function systemsOf(svg: string): number[] {
  return svg
    .split(/class="system"/)
    .slice(1)
    .map((s) => [...s.matchAll(measureOpening)].length)
}

self.onmessage = async (event: MessageEvent<EngraveRequest>) => {
  const { id, xml, width, scale, height, paper } = event.data
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
      pageMarginLeft: paper ? 20 : leftMargin(xml),
      pageMarginRight: 10,
      spacingStaff: 8,
      spacingSystem: paper ? 10 : 9,
      svgViewBox: true,
      svgAdditionalAttribute: ['measure@n'],
      mnumInterval: paper ? 0 : 1,
    })
    if (!engraver.loadData(drawable(xml))) throw new Error('The engraver could not read this slice.')
    const svg = engraver.renderToSVG(1)
    const more = height !== undefined && engraver.getPageCount() > 1
    const next = more ? (measuresOf(engraver.renderToSVG(2))[0] ?? null) : null
    self.postMessage({ id, svg, measures: measuresOf(svg), systems: systemsOf(svg), next } satisfies EngraveAnswer)
  } catch (e) {
    const broken = e instanceof WebAssembly.RuntimeError || e instanceof WebAssembly.CompileError
    self.postMessage({ id, error: e instanceof Error ? e.message : String(e), broken } satisfies EngraveAnswer)
  }
}
