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
} as const

/** Heat in five steps of one hue, paper to plum. */
export const heatSteps = ['#FFFDF8', '#EADFE4', '#C9B3C6', '#96759A', '#5A3D5C'] as const

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
    colorBorder: '#CFC4B2',
    colorBorderSecondary: palette.line,
    colorTextPlaceholder: palette.slate,
    colorTextDescription: palette.slate,
    borderRadius: 3,
    fontFamily: "'Figtree Variable', system-ui, sans-serif",
    fontSize: 14,
    controlHeight: 32,
    wireframe: false,
    motionDurationMid: '0.1s',
    motionDurationSlow: '0.15s',
  },
}
