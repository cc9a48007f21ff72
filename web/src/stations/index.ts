import { defineAsyncComponent, type Component } from 'vue'
import type { Piece } from '../api/client'
import type { Flagged } from '../engraving/flags'
import type { Selection } from '../selection'
import type { Shown } from '../views/piece/shownRange'

/** What every station is given. */
export interface StationProps {
  piece: Piece
  selection: Selection | null
  shown: Shown
  active: string | null
}

/** What every station tells the piece page. */
export interface StationEvents {
  select: [Selection | null]
  /** Music to show, which leaves the selection and what it filters alone. */
  show: [Selection]
  flags: [Flagged[]]
  active: [string | null]
}

const table: Record<string, Component> = {
  study: defineAsyncComponent(() => import('./study/StudyStation.vue')),
  unify: defineAsyncComponent(() => import('./unify/UnifyStation.vue')),
  technique: defineAsyncComponent(() => import('./technique/TechniqueStation.vue')),
  tempo: defineAsyncComponent(() => import('./tempo/TempoStation.vue')),
  assign: defineAsyncComponent(() => import('./assign/AssignStation.vue')),
  hear: defineAsyncComponent(() => import('./hear/HearStation.vue')),
}

/** The component of a station; Study for an unknown name. */
export const stationOf = (name: string): Component => table[name] ?? table.study!
