import type { ThemeConfig } from 'ant-design-vue/es/config-provider/context'

/** The palette of a quiet rehearsal room; each text pair reaches WCAG AA on its ground. */
export const palette = {
  paper: '#F7F2E8',
  card: '#FFFDF8',
  ink: '#2B2733',
  plum: '#5A3D5C',
  brass: '#A9791C',
  moss: '#55734F',
  rosin: '#A4482E',
  slate: '#5E6B78',
  line: '#E3DACB',
  /** Round what is typed into. */
  edge: '#CFC4B2',
  /** Text in moss, brass and slate on paper, darker than the colour itself for contrast. */
  mossInk: '#46633F',
  brassInk: '#7D5912',
  slateInk: '#4A5560',
  /** What stands out on plum and on ink. */
  mossLight: '#CFE0C9',
  brassLight: '#F3DCAE',
  rosinLight: '#F3B79F',
  rosinEdge: '#E0916F',
  brassWash: '#F6ECD8',
  /** Plum with paper in it, from light to dark. */
  lilac: '#E9DFE9',
  lilacEdge: '#D5C4D6',
  lilacDeep: '#B9A9BB',
  /** Lines of a diagram. */
  keyLine: '#9C8F9D',
  /** White paper in a printer, its ink and its rules. */
  white: '#FFFFFF',
  print: '#1D1A22',
  printRule: '#8D8579',
} as const

const kebab = (name: string) => name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)

/** Gives the palette to the style sheets: `var(--moss-ink)` is `palette.mossInk`. */
export function applyPalette(root: HTMLElement = document.documentElement) {
  for (const [name, colour] of Object.entries(palette)) root.style.setProperty(`--${kebab(name)}`, colour)
}

/** Heat in five steps of one hue, paper to plum. */
export const heatSteps = ['#FFFDF8', '#EADFE4', '#C9B3C6', '#96759A', '#5A3D5C'] as const

// Who asked the system for less motion gets none.
const isStill = typeof matchMedia === 'function' && matchMedia('(prefers-reduced-motion: reduce)').matches

export const theme: ThemeConfig = {
  token: {
    colorPrimary: palette.plum,
    colorInfo: palette.plum,
    colorLink: palette.plum,
    colorSuccess: palette.moss,
    colorWarning: palette.brass,
    colorError: palette.rosin,
    colorTextBase: palette.ink,
    colorBgBase: palette.card,
    colorBgLayout: palette.paper,
    colorBorder: palette.edge,
    colorBorderSecondary: palette.line,
    colorTextPlaceholder: palette.slate,
    colorTextDescription: palette.slate,
    borderRadius: 3,
    fontFamily: "'Figtree Variable', system-ui, sans-serif",
    fontSize: 14,
    controlHeight: 32,
    wireframe: false,
    motionDurationFast: isStill ? '0s' : '0.1s',
    motionDurationMid: isStill ? '0s' : '0.1s',
    motionDurationSlow: isStill ? '0s' : '0.15s',
  },
}
